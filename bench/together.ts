import {
  allShown,
  applyEdit,
  asDocument,
  JOB_VERSION,
  JobHost,
  newForm,
  newGroup,
  newPiece,
  newProject,
  parseProject,
  ProjectSender,
  ProjectTaker,
  unwrap,
  usualForms,
  usualWriteOptions,
  type Edit,
  type JobAnswer,
  type JobRequest,
  type Kernels,
  type Piece,
  type Project,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import type { Say } from './figures.ts';
import { median } from './statistics.ts';

const COPIES = 990;
const TURNS = 60;

/** Ten pieces, 990 that follow them, a hundred in each of ten groups. */
function thousand(): Project {
  const words = ['Kiln', 'Row', 'Salt', 'Glaze', 'Ash', 'Bone'].map((text, i) => newPiece(`w${i}`, text, [...text]));
  const { ball, block, ring, tube } = usualForms();
  const forms = [ball, block, ring, tube].map((form, i) => newForm(`f${i}`, `Form ${i}`, form));
  const sources: Piece[] = [...words, ...forms];
  const copy = (i: number): Edit => {
    const source = sources[i % sources.length];
    const atMm: [number, number, number] = [(i % 40) * 250, Math.floor(i / 40) * 120, -200];
    const placement = { ...source.placement, atMm };
    return {
      kind: 'addPiece',
      piece: { ...source, id: `c${i}`, name: `${source.name} ${i + 2}`, copyOf: source.id, placement },
    };
  };
  const copies = Array.from({ length: COPIES }, (_, i) => copy(i));
  const groups = Array.from({ length: 10 }, (_, g): Edit => {
    const items = Array.from({ length: COPIES / 10 }, (_, k) => `c${g * (COPIES / 10) + k}`);
    return { kind: 'addGroup', group: newGroup(`g${g}`, `Group ${g}`, [0, 0, 0]), items };
  });
  return edited(newProject('p', 'Thousand', sources), ...copies, ...groups);
}

const edited = (project: Project, ...edits: Edit[]): Project => unwrap(applyEdit(project, { kind: 'many', edits }));

/** A page and its worker, with what goes between them copied as between threads. */
class Page {
  readonly #host: JobHost;
  readonly #sender = new ProjectSender();
  readonly #taker = new ProjectTaker();
  #serial = 0;
  #known: string[] = [];
  #faces: string[] = [];
  #resolve: (answer: JobAnswer) => void = () => undefined;

  constructor(kernels: Kernels) {
    this.#host = new JobHost({
      ...{ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 },
      newest: () => this.#serial,
      breathe: () => new Promise((resolve) => setImmediate(resolve)),
      now: () => performance.now(),
      send: (reply) => reply.kind === 'answer' && this.#resolve(structuredClone(reply.answer)),
    });
  }

  async show(project: Project, preview = false): Promise<{ ms: number; heldBytes: number; pieces: number }> {
    const start = performance.now();
    const held = { known: this.#known, faces: this.#faces, preview };
    const answer = await this.ask({ kind: 'evaluate', project, ...held, version: JOB_VERSION, serial: ++this.#serial });
    const ms = performance.now() - start;
    if (answer.kind !== 'evaluated') throw new Error(JSON.stringify(answer));
    const clusters = allShown(answer.pieces, answer.copies).flatMap((piece) => piece.clusters);
    this.#known = [...new Set(clusters.map(({ key }) => key))];
    this.#faces = [...new Set(clusters.map(({ faces }) => faces))];
    return { ms, heldBytes: answer.heldBytes, pieces: answer.pieces.length };
  }

  ask(request: JobRequest): Promise<JobAnswer> {
    return new Promise((resolve) => {
      this.#resolve = resolve;
      this.#host.take(this.#taker.take(structuredClone(this.#sender.send(request))));
    });
  }
}

/** What a thousand pieces cost when most of them follow others; without the drawing. */
export async function benchTogether(kernels: Kernels, yardstickMs: number, say: Say): Promise<void> {
  say('\nTogether: 1,000 pieces, 990 of them linked copies of the other ten');
  const project = thousand();
  const text = JSON.stringify(asDocument(project));
  say(`the document has ${(text.length / 1e6).toFixed(2)} MB`);
  const tell = (name: string, ms: number, [bar, aim]: readonly [number, number]): void => {
    say(`${name}: ${ms.toFixed(0)} ms = ${(ms / yardstickMs).toFixed(1)} yardsticks`);
    say.put(`together, ${name}`, ms, 'ms', { bar, aim });
  };
  await new Page(kernels).show(edited(project)); // what compiles and loads fonts is no matter of pieces
  const page = new Page(kernels);
  const start = performance.now();
  const opened = unwrap(parseProject(JSON.parse(text)));
  const whole = await page.show(opened);
  tell('open', performance.now() - start, [3000, 1500]);
  let now = opened;
  tell('retype the source', await retyped(page, (next) => (now = next), now), [120, 60]);
  tell('pull a group', await pulled(page, now), [33, 16]);
  const alone = new Page(kernels);
  const sources = Object.fromEntries(Object.entries(opened.pieces).filter(([, piece]) => piece.copyOf === undefined));
  const few = await alone.show({ ...opened, pieces: sources, groups: {}, pieceOrder: Object.keys(sources) });
  say(`mesh bytes held: ${(whole.heldBytes / few.heldBytes).toFixed(3)} times those of the ten`);
  say.put('together, bytes held', whole.heldBytes / few.heldBytes, 'times', { bar: 1.1 });
  await benchFile(page, say);
}

async function retyped(page: Page, took: (project: Project) => void, project: Project): Promise<number> {
  let now = project;
  const times: number[] = [];
  for (let i = 0; i < TURNS; i++) {
    const start = performance.now();
    const insert = i % 2 === 0 ? ['s'] : [];
    now = edited(now, { kind: 'spliceWords', pieceId: 'w0', at: 4, remove: 1 - insert.length, insert });
    await page.show(now);
    times.push(performance.now() - start);
  }
  took(now);
  return median(times);
}

async function pulled(page: Page, project: Project): Promise<number> {
  let now = project;
  const times: number[] = [];
  for (let i = 0; i < TURNS; i++) {
    const start = performance.now();
    now = edited(now, { kind: 'placeGroup', groupId: 'g3', values: { atMm: [i, 2 * i, 0] } });
    await page.show(now, true);
    times.push(performance.now() - start);
  }
  return median(times);
}

/** A mesh of about 2 MB, alone and a thousand times. */
async function benchFile(page: Page, say: Say): Promise<void> {
  const plain = newPiece('s', 'Saltglaze', [...'Saltglaze Row, kiln-opening weekend']);
  const source = { ...plain, body: { ...plain.body, faces: { ...plain.body.faces, toleranceMm: 0.002 } } };
  const placed = (i: number): Piece['placement'] => ({
    ...source.placement,
    atMm: [2500 * (i % 40), -200 * (1 + Math.floor(i / 40)), 0],
  });
  const copies = Array.from({ length: 999 }, (_, i): Edit => ({
    kind: 'addPiece',
    piece: { ...source, id: `c${i}`, name: `Saltglaze ${i + 2}`, copyOf: 's', placement: placed(i) },
  }));
  const one = newProject('q', 'One', [source]);
  const many = edited(one, ...copies);
  const bytesOf = async (project: Project, pieceIds: string[]): Promise<number> => {
    const options = usualWriteOptions('glb', 'row');
    const made = await page.ask({ kind: 'write', project, pieceIds, options, version: JOB_VERSION, serial: 0 });
    if (made.kind !== 'written') throw new Error(JSON.stringify(made));
    return made.bytes.length;
  };
  const [alone, all] = [await bytesOf(one, ['s']), await bytesOf(many, many.pieceOrder)];
  say(`GLB of one: ${(alone / 1e6).toFixed(2)} MB, of 1,000 copies: ${(all / alone).toFixed(3)} times that`);
  say.put('together, GLB', all / alone, 'times', { bar: 1.3, aim: 1.1 });
}
