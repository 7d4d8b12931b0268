import { usualStep } from '../steps/index.ts';
import { unwrap, utf8Bytes } from '../base/index.ts';
import { wordsIn } from '../testing/words.ts';
import { usualWriteOptions } from '../io/index.ts';
import { loadKernels } from '@fictile/kernels';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { applyEdit, newForm, newModel, newPiece, newProject, usualForms, type Project } from '../document/index.ts';
import { JOB_VERSION, JobHost, type JobAnswer, type JobReply, type JobRequest } from './index.ts';

type Ask = JobRequest extends infer R ? (R extends JobRequest ? Omit<R, 'version' | 'serial'> : never) : never;

/** A host with the page's side of it: answers by serial, and the newest serial that shared memory would hold. */
async function startHost(model?: Uint8Array | (() => never)) {
  const waiting = new Map<number, (answer: JobAnswer) => void>();
  // `looks`: after so many looks at it something newer is asked for
  const state = { newest: 0, serial: 0, looks: Infinity };
  const host = new JobHost({
    kernels: await loadKernels(),
    catalogue: SHIPPED_FONTS,
    loadFont: readFont,
    loadModel: async () => (typeof model === 'function' ? model() : model),
    cacheBytes: 32e6,
    newest: () => (state.looks-- > 0 ? state.newest : Infinity),
    breathe: () => new Promise((resolve) => setImmediate(resolve)),
    now: () => performance.now(),
    send: (reply: JobReply) => {
      if (reply.kind === 'answer') waiting.get(reply.serial)?.(reply.answer);
    },
  });
  const ask = (request: Ask, version = JOB_VERSION): Promise<JobAnswer> => {
    const serial = ++state.serial;
    if (request.kind === 'evaluate') state.newest = serial;
    return new Promise((resolve) => {
      waiting.set(serial, resolve);
      host.take({ ...request, version, serial } as JobRequest);
    });
  };
  return { ask, state };
}

const project = (...texts: string[]): Project =>
  newProject(
    'p',
    'Kiln',
    texts.map((text, i) => newPiece(`piece${i}`, text, [...text])),
  );

test('sends buffers once: not for keys the page holds, nor twice for equal letters', async () => {
  const { ask } = await startHost();
  const first = await ask({ kind: 'evaluate', project: project('OOx'), known: [] });
  if (first.kind !== 'evaluated') throw new Error(first.kind);
  const { clusters } = first.pieces[0];
  expect(clusters.map((c) => c.buffers !== undefined)).toEqual([true, false, true]);
  const again = await ask({ kind: 'evaluate', project: project('OOxy'), known: clusters.map((c) => c.key) });
  if (again.kind !== 'evaluated') throw new Error(again.kind);
  expect(again.pieces[0].clusters.map((c) => c.buffers !== undefined)).toEqual([false, false, false, true]);
});

test('of what is pulled only places and normals go over, where the page has its faces', async () => {
  const { ask } = await startHost();
  const bent = (angleDegrees: number): Project =>
    unwrap(
      applyEdit(project('Ox'), {
        kind: 'setSteps',
        pieceId: 'piece0',
        steps: [{ ...usualStep('bend', 'b'), angleDegrees }],
      }),
    );
  const shown = async (request: Partial<Extract<Ask, { kind: 'evaluate' }>>) => {
    const answer = await ask({ kind: 'evaluate', project: bent(30), known: [], ...request });
    if (answer.kind !== 'evaluated') throw new Error(answer.kind);
    return answer.pieces[0].clusters;
  };
  const exact = await shown({});
  const faces = exact.map((one) => one.faces);
  const pulled = await shown({ project: bent(40), known: faces, faces, preview: true });
  expect(pulled.map((one) => [one.faces, one.buffers])).toEqual(faces.map((name) => [name, undefined]));
  pulled.forEach(({ moved }, i) => expect(moved?.positions.length).toBe(exact[i].buffers?.positions.length));
  const unknown = await shown({ project: bent(50), preview: true });
  expect(unknown.map(({ buffers }) => buffers?.index.length)).toEqual(
    exact.map(({ buffers }) => buffers?.index.length),
  );
});

test('a model’s own materials go over once, its faces in groups by them', async () => {
  const { ask } = await startHost();
  const made = await ask({
    kind: 'write',
    project: project('I'),
    pieceIds: ['piece0'],
    options: usualWriteOptions('glb', 'I'),
  });
  if (made.kind !== 'written') throw new Error(made.kind);
  const brought = await startHost(made.bytes);
  const shown = async (paint: 'own' | 'finish', known: string[] = []) => {
    const model = newModel('m', 'I', {
      asset: 'a'.repeat(64),
      format: 'glb',
      unit: 'm',
      up: 'y',
      scalePercent: 100,
      closed: false,
      paint,
      sides: 'own',
    });
    const answer = await brought.ask({ kind: 'evaluate', project: newProject('p', 'I', [model]), known });
    if (answer.kind !== 'evaluated') throw new Error(answer.kind);
    return answer.pieces[0];
  };
  const first = await shown('own');
  const materials = first.paints?.paints?.list.map(({ name }) => name) ?? [];
  expect(materials.length).toBeGreaterThan(1);
  expect(new Set(first.clusters[0].buffers?.groups.map(({ paint }) => paint)).size).toBe(materials.length);
  expect(first.clusters[0].buffers?.uv?.length).toBe(((first.clusters[0].buffers?.positions.length ?? 0) / 3) * 2);
  const again = await shown('own', [first.paints?.key ?? '']);
  expect(again.paints).toEqual({ key: first.paints?.key, paints: undefined });
  const finished = await shown('finish');
  expect([finished.paints, finished.clusters[0].buffers?.uv]).toEqual([undefined, undefined]);
});

test('a newer evaluation makes an older one give up, and checks with them; files are not given up', async () => {
  const { ask } = await startHost();
  const long = ask({ kind: 'evaluate', project: project('abcdefghijklmnopqrstuvwxyz'), known: [] });
  const check = ask({ kind: 'check', project: project('K'), pieceId: 'piece0' });
  const write = ask({
    kind: 'write',
    project: project('K', 'I'),
    pieceIds: ['piece0', 'piece1'],
    options: usualWriteOptions('obj', 'two'),
  });
  const newer = ask({ kind: 'evaluate', project: project('K'), known: [] });
  expect(await long).toEqual({ kind: 'failed', error: { code: 'CANCELLED', params: {} } });
  expect(await check).toEqual({ kind: 'failed', error: { code: 'CANCELLED', params: {} } });
  const written = await write;
  // both stand at zero
  expect(written).toMatchObject({ kind: 'written', remarks: [{ code: 'PIECES_CROSS' }] });
  if (written.kind === 'written') expect(written.counts.faces).toBeGreaterThan(written.counts.quads);
  expect((await newer).kind).toBe('evaluated');
  const again = await ask({ kind: 'check', project: project('K'), pieceId: 'piece0' });
  expect(again).toMatchObject({ kind: 'checked', report: { closed: true, crossingFaces: 0 } });
});

test('a drawing is read, or what is wrong with it told', async () => {
  const { ask } = await startHost();
  const svg = '<svg xmlns="http://www.w3.org/2000/svg"><rect width="9" height="9"/></svg>';
  expect(await ask({ kind: 'readDrawing', bytes: utf8Bytes([svg]) })).toMatchObject({
    kind: 'drawing',
    drawing: { remarks: [] },
  });
  expect(await ask({ kind: 'readDrawing', bytes: utf8Bytes(['Kiln']) })).toMatchObject({
    kind: 'failed',
    error: { code: 'DRAWING_BROKEN' },
  });
});

test('what a font means for solids goes with the size', async () => {
  const { ask } = await startHost();
  const font = { family: 'Work Sans', weight: 400, italic: false, axes: {} };
  const stems: number[] = [];
  for (const sizeMm of [36, 72]) {
    const answer = await ask({ kind: 'fontFacts', font, words: '|', sizeMm });
    if (answer.kind !== 'fontFacts') throw new Error(answer.kind);
    stems.push(answer.facts.stemMm ?? 0);
    expect(answer.facts.points).toBe(4); // a bar
  }
  expect(stems[1] / stems[0]).toBeCloseTo(2, 2);
});

test('pieces that are hidden are left out, one that fails does not take the others with it', async () => {
  const { ask } = await startHost();
  const p = project('K', 'L', 'M');
  p.pieces.piece1.visible = false;
  wordsIn(p, 'piece2').font = { family: 'Nobody', weight: 400, italic: false, axes: {} };
  const answer = await ask({ kind: 'evaluate', project: p, known: [] });
  if (answer.kind !== 'evaluated') throw new Error(answer.kind);
  expect(answer.pieces.map((piece) => piece.pieceId)).toEqual(['piece0']);
  expect(answer.failures.map((f) => [f.pieceId, f.error.code])).toEqual([['piece2', 'FONT_UNKNOWN']]);
});

test('a page of another build is told, not obeyed', async () => {
  const { ask } = await startHost();
  expect((await ask({ kind: 'evaluate', project: project('K'), known: [] }, 99)).kind).toBe('crashed');
});

test('a piece that breaks takes no other along; what is missing for all of them is told', async () => {
  const model = newModel('m', 'Jug', {
    asset: 'a'.repeat(64),
    format: 'obj',
    unit: 'mm',
    up: 'y',
    scalePercent: 100,
    closed: false,
    paint: 'finish',
    sides: 'own',
  });
  const two = newProject('p', 'p', [newPiece('a', 'a', ['K']), model]);
  const breaking = await startHost(() => {
    throw new RangeError('Maximum call stack size exceeded');
  });
  const answer = await breaking.ask({ kind: 'evaluate', project: two, known: [] });
  expect(answer).toMatchObject({
    kind: 'evaluated',
    pieces: [{ pieceId: 'a' }],
    failures: [{ pieceId: 'm', error: { code: 'PIECE_BROKE' } }],
  });
  const missing = await startHost(() => {
    throw Object.assign(new Error('could not be loaded'), { name: 'MissingPart' });
  });
  expect((await missing.ask({ kind: 'evaluate', project: two, known: [] })).kind).toBe('crashed');
});

test('pieces laid on each other fourteen deep, or on something that is not there, are built', async () => {
  const { ask } = await startHost();
  const laid = (i: number, target: string) => ({
    ...newPiece(`p${i}`, 'I', ['.']),
    steps: [{ ...usualStep('onto', `s${i}`), target }],
  });
  const chain = [
    newForm('p0', 'Slab', usualForms().block),
    ...Array.from({ length: 13 }, (_, i) => laid(i + 1, i === 0 ? 'constructor' : `p${i}`)),
  ];
  const answer = await ask({ kind: 'evaluate', project: newProject('p', 'p', chain as never), known: [] });
  if (answer.kind !== 'evaluated') throw new Error(JSON.stringify(answer));
  expect([answer.pieces.length, answer.failures]).toEqual([14, []]);
  expect(answer.pieces[1].remarks.map(({ code }) => code)).toContain('ONTO_NOTHING');
  const keys = answer.pieces.flatMap(({ clusters }) => clusters.map(({ key }) => key.length));
  expect(Math.max(...keys)).toBeLessThan(400);
});

test('a lettering grown into its neighbour is told with the way to make room, in checks and files', async () => {
  const { ask } = await startHost();
  const made = project('KILN', 'I');
  const at = (atMm: [number, number, number]): Project => {
    const { piece1 } = made.pieces;
    return { ...made, pieces: { ...made.pieces, piece1: { ...piece1, placement: { ...piece1.placement, atMm } } } };
  };
  const checked = async (asked: Project, pieceId: string) => {
    const answer = await ask({ kind: 'check', project: asked, pieceId });
    if (answer.kind !== 'checked') throw new Error(answer.kind);
    return answer.crossing.filter(({ code }) => code === 'PIECES_CROSS');
  };
  const [told, ...more] = await checked(at([3, 1, 4]), 'piece1');
  expect(more).toEqual([]);
  expect(told.params).toMatchObject({ name: 'I', other: 'KILN', otherId: 'piece0' });
  expect(await checked(at([3, 1, 4]), 'piece0')).toHaveLength(1);
  // moved so, nothing is told any more
  const { acrossMm, upMm } = told.params as { acrossMm: number; upMm: number };
  expect(await checked(at([3 + acrossMm, 1 + upMm, 4]), 'piece1')).toEqual([]);
  // before it, above it, or hidden it does not run into it either
  expect(await checked(at([3, 1, 40]), 'piece1')).toEqual([]);
  expect(await checked(at([3, 200, 4]), 'piece1')).toEqual([]);
  const hidden = at([3, 1, 4]);
  hidden.pieces.piece0 = { ...hidden.pieces.piece0, visible: false };
  expect(await checked(hidden, 'piece1')).toEqual([]);
  // what cuts a piece is meant to run into it
  const cut = at([3, 1, 4]);
  cut.pieces.piece0 = { ...cut.pieces.piece0, steps: [{ ...usualStep('cut', 'c'), target: 'piece1' }] };
  expect(await checked(cut, 'piece1')).toEqual([]);
  const file = await ask({
    kind: 'write',
    project: at([3, 1, 4]),
    pieceIds: ['piece0', 'piece1'],
    options: usualWriteOptions('glb', 'I'),
  });
  expect(file.kind === 'written' && file.remarks.map(({ code }) => code)).toEqual(['PIECES_CROSS']);
});

test('a check that is given up at any moment never calls well what runs into its neighbour', async () => {
  const both = project('K', 'H');
  let given = 0;
  for (let looks = 0; given < 2; looks++) {
    const { ask, state } = await startHost();
    state.looks = looks;
    const answer = await ask({ kind: 'check', project: both, pieceId: 'piece0' });
    if (answer.kind === 'checked') {
      given++;
      expect(answer.crossing.map(({ code }) => code)).toEqual(['PIECES_CROSS']);
    } else expect(answer).toMatchObject({ kind: 'failed', error: { code: 'CANCELLED' } });
  }
});
