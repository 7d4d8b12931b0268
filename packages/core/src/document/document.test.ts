import { seededRandom, unwrap } from '../base/index.ts';
import { wordsIn } from '../testing/words.ts';
import { type Step, usualStep } from '../steps/index.ts';
import {
  applyEdit,
  commit,
  migrate,
  newPiece,
  newProject,
  parseProfile,
  parseProject,
  usualBody,
  usualOwn,
  usualWire,
  findFinish,
  redo,
  SHELF_FINISHES,
  sameDocument,
  spliceBetween,
  spliceEdits,
  splicesBetween,
  startHistory,
  undo,
  type Edit,
  type Project,
  ownOf,
  type LetteringPiece,
} from './index.ts';

const start = (): Project => newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K', 'i', 'l', 'n'])]);
const textOf = (project: Project): string =>
  wordsIn(project, 'a')
    .graphemes.map((g) => g.text)
    .join('');
const idsOf = (project: Project): number[] => wordsIn(project, 'a').graphemes.map((g) => g.id);

describe('edits', () => {
  test('a splice keeps the ids of what stays and never uses one twice', () => {
    const project = unwrap(
      applyEdit(start(), { kind: 'spliceWords', pieceId: 'a', at: 1, remove: 2, insert: ['x', 'y', 'z'] }),
    );
    expect(textOf(project)).toBe('Kxyzn');
    expect(idsOf(project)).toEqual([1, 5, 6, 7, 4]);
    const again = unwrap(applyEdit(project, { kind: 'spliceWords', pieceId: 'a', at: 0, remove: 5, insert: ['q'] }));
    expect(idsOf(again)).toEqual([8]);
  });

  test.each<[string, Edit]>([
    ['an unknown piece', { kind: 'setWords', pieceId: 'nobody', values: {} }],
    ['a place behind the text', { kind: 'spliceWords', pieceId: 'a', at: 3, remove: 2, insert: [] }],
    ['a negative depth', { kind: 'setSolid', pieceId: 'a', values: { depthMm: -1 } }],
    ['no number', { kind: 'setWords', pieceId: 'a', values: { sizeMm: NaN } }],
    ['size 0', { kind: 'setWords', pieceId: 'a', values: { sizeMm: 0 } }],
    [
      'far too much text',
      { kind: 'spliceWords', pieceId: 'a', at: 0, remove: 0, insert: Array<string>(20_001).fill('x') },
    ],
  ])('%s is refused and changes nothing', (_, edit) => {
    const project = start();
    expect(applyEdit(project, edit).ok).toBe(false);
    expect(project).toEqual(start());
  });

  test('pieces come and go', () => {
    const two = unwrap(applyEdit(start(), { kind: 'addPiece', piece: newPiece('b', 'Row', ['R']) }));
    expect(two.pieceOrder).toEqual(['a', 'b']);
    expect(unwrap(applyEdit(two, { kind: 'removePiece', pieceId: 'a' })).pieceOrder).toEqual(['b']);
    expect(applyEdit(two, { kind: 'addPiece', piece: newPiece('b', 'Row', ['R']) }).ok).toBe(false);
  });
});

test('the splice between two texts turns one into the other and leaves alone what is alike', () => {
  const random = seededRandom(3);
  const word = (): string[] => Array.from({ length: Math.floor(random() * 9) }, () => 'ab'[Math.floor(random() * 2)]);
  for (let i = 0; i < 500; i++) {
    const [before, after] = [word(), word()];
    const { at, remove, insert } = spliceBetween(before, after);
    const result = before.slice();
    result.splice(at, remove, ...insert);
    expect(result).toEqual(after);
    expect(Math.min(remove, insert.length) === 0 || before[at] !== insert[0]).toBe(true);
    const row = before.slice();
    for (const splice of splicesBetween(before, after)) row.splice(splice.at, splice.remove, ...splice.insert);
    expect(row).toEqual(after);
  }
});

describe('letters of their own', () => {
  const own = (project: Project): string[] =>
    wordsIn(project, 'a').graphemes.map((g) => {
      const turn = ownOf(project.pieces.a)[g.id]?.turnDegrees;
      return turn === undefined ? g.text : `${g.text}${turn}`;
    });
  const retyped = (project: Project, text: string): Project => {
    const before = wordsIn(project, 'a').graphemes.map((g) => g.text);
    return unwrap(applyEdit(project, { kind: 'many', edits: spliceEdits('a', before, [...text]) }));
  };
  const turned = (ids: number[]): Project =>
    ids.reduce(
      (p, id) => unwrap(applyEdit(p, { kind: 'setOwn', pieceId: 'a', ids: [id], values: { turnDegrees: id } })),
      start(),
    );

  test('follow their letters through edits, and go with them', () => {
    const project = turned([2, 4]);
    expect(own(project)).toEqual(['K', 'i2', 'l', 'n4']);
    expect(own(retyped(project, 'The Kiln'))).toEqual(['T', 'h', 'e', ' ', 'K', 'i2', 'l', 'n4']);
    expect(own(retyped(project, 'Kln!'))).toEqual(['K', 'l', 'n4', '!']);
    expect(ownOf(retyped(project, 'Kl').pieces.a)).toEqual({});
  });

  test('a replacement of all keeps what a common row proves', () => {
    expect(own(retyped(turned([1, 3]), 'xKyylzz'))).toEqual(['x', 'K1', 'y', 'y', 'l3', 'z', 'z']);
  });

  test('nothing special is not kept, and goes altogether on request', () => {
    const project = turned([2]);
    const back = unwrap(applyEdit(project, { kind: 'setOwn', pieceId: 'a', ids: [2], values: { turnDegrees: 0 } }));
    expect(ownOf(back.pieces.a)).toEqual({});
    const reset = unwrap(applyEdit(project, { kind: 'setOwn', pieceId: 'a', ids: [1, 2], values: null }));
    expect(reset).toEqual(back);
    expect(applyEdit(project, { kind: 'setOwn', pieceId: 'a', ids: [99], values: {} }).ok).toBe(false);
  });

  test('never move to another letter, whatever is typed, pasted or replaced', () => {
    const random = seededRandom(29);
    const word = (most: number): string =>
      Array.from({ length: Math.floor(random() * most) }, () => 'Kilno '[Math.floor(random() * 6)]).join('');
    let project = start();
    const textOfId = new Map(wordsIn(project, 'a').graphemes.map((g) => [g.id, g.text]));
    for (let i = 0; i < 400; i++) {
      const { graphemes } = wordsIn(project, 'a');
      const text = graphemes.map((g) => g.text).join('');
      const at = Math.floor(random() * (text.length + 1));
      const ways = [text.slice(0, at) + word(3) + text.slice(at), text.slice(0, at) + text.slice(at + 2), word(12)];
      project = retyped(project, ways[Math.floor(random() * ways.length)]);
      const now = wordsIn(project, 'a').graphemes;
      for (const { id, text: t } of now) {
        expect(textOfId.get(id) ?? t).toBe(t);
        textOfId.set(id, t);
      }
      const kept = Object.keys(ownOf(project.pieces.a)).map(Number);
      expect(kept.every((id) => now.some((g) => g.id === id))).toBe(true);
      for (const id of kept) expect(ownOf(project.pieces.a)[id].turnDegrees).toBe(id);
      const one = now[Math.floor(random() * now.length)];
      if (one)
        project = unwrap(
          applyEdit(project, { kind: 'setOwn', pieceId: 'a', ids: [one.id], values: { turnDegrees: one.id } }),
        );
    }
  });
});

describe('pieces', () => {
  const two = (): Project => unwrap(applyEdit(start(), { kind: 'addPiece', piece: newPiece('b', 'Row', ['R']) }));

  test('stand beside the one they came from', () => {
    const three = unwrap(applyEdit(two(), { kind: 'addPiece', piece: newPiece('c', 'x', []), after: 'a' }));
    expect(three.pieceOrder).toEqual(['a', 'c', 'b']);
  });

  test('a whole document is taken over as one edit, and undone as one', () => {
    const older = { ...two(), id: 'another', name: 'Before' };
    const history = unwrap(commit(startHistory(start()), { kind: 'takeDocument', project: older }));
    expect(history.project).toEqual({ ...older, id: 'p' });
    expect(undo(history).project).toEqual(start());
  });

  test('several edits are one: all or none', () => {
    const hide = (pieceId: string): Edit => ({ kind: 'setPiece', pieceId, values: { visible: false } });
    const hidden = unwrap(applyEdit(two(), { kind: 'many', edits: [hide('a'), hide('b')] }));
    expect(Object.values(hidden.pieces).map((p) => p.visible)).toEqual([false, false]);
    expect(applyEdit(two(), { kind: 'many', edits: [hide('a'), hide('nobody')] }).ok).toBe(false);
  });

  test('finishes go onto several parts, a value alone keeps the rest', () => {
    const gilded = unwrap(
      applyEdit(two(), {
        kind: 'setFinish',
        pieceId: 'a',
        slots: ['front', 'back'],
        values: { metal: 90, name: '' },
      }),
    );
    const { front, back, wall } = gilded.pieces.a.slots;
    expect([front.metal, back.metal, wall.metal]).toEqual([90, 90, 0]);
    expect(front.colour).toBe(start().pieces.a.slots.front.colour);
  });

  test('a back that follows the front keeps its look when it no longer does', () => {
    const run = (project: Project, edit: Edit): Project => unwrap(applyEdit(project, edit));
    const gold = run(two(), { kind: 'setFinish', pieceId: 'a', slots: ['front'], values: findFinish('gold lustre') });
    const follows = run(gold, { kind: 'finishBack', pieceId: 'a', asFront: true });
    expect(follows.pieces.a.slots).toMatchObject({ backAsFront: true, back: start().pieces.a.slots.back });
    const own = run(follows, { kind: 'setFinish', pieceId: 'a', slots: ['backEdge'], values: { gloss: 1 } });
    expect(own.pieces.a.slots).toMatchObject({
      backAsFront: false,
      back: { name: 'gold lustre' },
      backEdge: { gloss: 1 },
    });
  });

  test('a locked piece takes no change but to its lock, name and being seen', () => {
    const locked = unwrap(applyEdit(two(), { kind: 'setPiece', pieceId: 'a', values: { locked: true } }));
    const tried: Edit[] = [
      { kind: 'setSolid', pieceId: 'a', values: { depthMm: 1 } },
      { kind: 'spliceWords', pieceId: 'a', at: 0, remove: 1, insert: [] },
      { kind: 'removePiece', pieceId: 'a' },
      {
        kind: 'many',
        edits: [
          { kind: 'removePiece', pieceId: 'b' },
          { kind: 'removePiece', pieceId: 'a' },
        ],
      },
    ];
    for (const edit of tried)
      expect(applyEdit(locked, edit)).toMatchObject({ error: { code: 'PIECE_LOCKED', params: { name: 'Kiln' } } });
    expect(applyEdit(locked, { kind: 'setPiece', pieceId: 'a', values: { visible: false } }).ok).toBe(true);
  });

  test('views are kept with the document, and only so many', () => {
    const view = { name: 'From the door', from: [0, 100, 500], to: [0, 0, 0] } as const;
    const kept = (n: number): Edit => ({
      kind: 'setView',
      values: { kept: Array.from({ length: n }, () => ({ ...view, from: [...view.from], to: [...view.to] })) },
    });
    expect(unwrap(applyEdit(start(), kept(1))).view).toMatchObject({ surroundings: 'daylight', kept: [view] });
    expect(applyEdit(start(), kept(51)).ok).toBe(false);
  });

  test.each<[string, Edit]>([
    ['a colour that is none', { kind: 'setFinish', pieceId: 'a', slots: ['wall'], values: { colour: 'red' } }],
    ['more gloss than all', { kind: 'setFinish', pieceId: 'a', slots: ['wall'], values: { gloss: 101 } }],
    ['a place beyond the world', { kind: 'setPlacement', pieceId: 'a', values: { atMm: [0, 1e9, 0] } }],
    ['a turn that is no number', { kind: 'setPlacement', pieceId: 'a', values: { turnDegrees: [0, NaN, 0] } }],
  ])('%s is refused', (_, edit) => expect(applyEdit(start(), edit).ok).toBe(false));

  test('every finish of the shelf fits its schema, and no two share a name', () => {
    for (const finish of SHELF_FINISHES)
      expect(applyEdit(start(), { kind: 'setFinish', pieceId: 'a', slots: ['front'], values: finish }).ok).toBe(true);
    expect(new Set(SHELF_FINISHES.map((f) => f.name)).size).toBe(SHELF_FINISHES.length);
    expect(findFinish('nothing of the kind')).toBe(SHELF_FINISHES[0]);
  });
});

describe('history', () => {
  test('any row of edits undoes to the start and redoes to the end', () => {
    const random = seededRandom(11);
    let history = startHistory(start());
    for (let i = 0; i < 60; i++) {
      const length = wordsIn(history.project, 'a').graphemes.length;
      const at = Math.floor(random() * (length + 1));
      const edits: Edit[] = [
        {
          kind: 'spliceWords',
          pieceId: 'a',
          at,
          remove: Math.min(length - at, Math.floor(random() * 3)),
          insert: ['é'],
        },
        { kind: 'setSolid', pieceId: 'a', values: { depthMm: Math.floor(random() * 50) } },
        { kind: 'setWords', pieceId: 'a', values: { features: random() < 0.5 ? {} : { liga: 0 } } },
        { kind: 'renameProject', name: `n${i}` },
      ];
      history = unwrap(commit(history, edits[Math.floor(random() * edits.length)], random() < 0.3 ? 'key' : undefined));
    }
    const end = history.project;
    const steps = history.past.length;
    for (let i = 0; i < steps; i++) history = undo(history);
    expect(history.project).toEqual(start());
    expect(undo(history)).toBe(history);
    for (let i = 0; i < steps; i++) history = redo(history);
    expect(history.project).toEqual(end);
  });

  test('a drag is one entry, and an edit that changes nothing is none', () => {
    let history = startHistory(start());
    for (const depthMm of [19, 20, 21])
      history = unwrap(commit(history, { kind: 'setSolid', pieceId: 'a', values: { depthMm } }, 'depth'));
    expect(history.past).toHaveLength(1);
    history = unwrap(commit(history, { kind: 'setSolid', pieceId: 'a', values: { depthMm: 21 } }));
    expect(history.past).toHaveLength(1);
    expect(undo(history).project.pieces.a.body.solid.depthMm).toBe(18);
    const back = unwrap(commit(history, { kind: 'setSolid', pieceId: 'a', values: { depthMm: 18 } }, 'depth'));
    expect(back.past).toHaveLength(0); // tried and taken back
  });
});

describe('reading a document', () => {
  const stored = (): Record<string, unknown> => JSON.parse(JSON.stringify(start()));

  test('comes back as it was saved', () => {
    expect(sameDocument(unwrap(parseProject(stored())), start())).toBe(true);
  });

  test.each<[string, unknown, string]>([
    ['nothing', null, 'PROJECT_BROKEN'],
    ['a text', 'hello', 'PROJECT_BROKEN'],
    ['no version', { id: 'x' }, 'PROJECT_BROKEN'],
    ['a later version', { ...stored(), schemaVersion: 99 }, 'PROJECT_NEWER'],
    ['a piece that is not in the order', { ...stored(), pieceOrder: [] }, 'PROJECT_BROKEN'],
    ['an order of pieces that are not there', { ...stored(), pieceOrder: ['__proto__'] }, 'PROJECT_BROKEN'],
    [
      'steps of the future',
      { ...stored(), pieces: { a: { ...start().pieces.a, steps: [{ kind: 'bend' }] } } },
      'PROJECT_BROKEN',
    ],
  ])('%s is refused', (_, data, code) => {
    const parsed = parseProject(data);
    expect(parsed.ok ? 'taken' : parsed.error.code).toBe(code);
  });

  test('a document of version 2 keeps its place and finishes', () => {
    const { view: _, ...rest } = stored();
    const { backAsFront: _back, ...slots } = start().pieces.a.slots;
    const own = { stand: 'free', atMm: [1, 2, 3], turnDegrees: [0, 0, 0] };
    const old = { ...rest, schemaVersion: 2, pieces: { a: { ...start().pieces.a, placement: own, slots } } };
    const read = unwrap(parseProject(old));
    expect(read.pieces.a.placement).toEqual({ pivot: { kind: 'zero' }, ...own, sizePercent: 100 });
    expect(read.pieces.a.source).toEqual(start().pieces.a.source);
    expect(read.view).toEqual(start().view);
  });

  test.each([null, 'x', { a: null }, { a: { placement: 7 } }, []])(
    'pieces that are %j are refused in every version',
    (pieces) => {
      for (const schemaVersion of [1, 2, 3, 4])
        expect(parseProject({ ...stored(), schemaVersion, pieces }).ok).toBe(false);
    },
  );

  test('a document of version 6 has nothing drawn, swollen or changed along its depth', () => {
    const { a } = start().pieces;
    const { depthMm, backAsFront, edgesAdd } = a.body.solid;
    const edge = { kind: 'ogee', inMm: 3, deepMm: 1, steps: 2 };
    const side = { kind: 'waist', amountMm: 1, steps: 2, divisions: 3 };
    const body = { ...a.body, solid: { depthMm, backAsFront, edgesAdd, front: edge, back: edge, side } };
    const own = { 1: { ...usualOwn(), solid: { depthMm: 4, front: edge } } };
    const { section: _, ...contour } = usualWire();
    const source = { ...a.source, own, contour };
    const old = { ...stored(), schemaVersion: 6, pieces: { a: { ...a, body, source } } };
    const read = unwrap(parseProject(old)).pieces.a;
    expect(read.body.solid).toEqual({
      ...usualBody().solid,
      ...{ depthMm, backAsFront, edgesAdd },
      ...{ front: { ...edge, points: [] }, back: { ...edge, points: [] }, side: { ...side, points: [] } },
    });
    expect((read as LetteringPiece).source.contour).toEqual(usualWire());
    expect(ownOf(read)[1].solid?.front).toEqual({ ...edge, points: [] });
  });

  test('a document of version 7 keeps its plain faces and has no steps', () => {
    const { a } = start().pieces;
    const { style, toleranceMm } = a.body.faces;
    const old = {
      ...stored(),
      schemaVersion: 7,
      pieces: { a: { ...a, body: { ...a.body, faces: { style, toleranceMm } } } },
    };
    expect(unwrap(parseProject(old))).toEqual(start());
  });

  test('a document of version 8 reduces to what it did', () => {
    const { a } = start().pieces;
    const { errorMm: _, ...reduce } = usualStep('reduce', 'r') as Extract<Step, { kind: 'reduce' }>;
    const old = { ...stored(), schemaVersion: 8, pieces: { a: { ...a, steps: [reduce] } } };
    expect(unwrap(parseProject(old)).pieces.a.steps).toEqual([usualStep('reduce', 'r')]);
  });

  test('a document of version 16 holds what it lays where it was pressed, and its models face outward', () => {
    const { a } = start().pieces;
    const { place: _place, ...onto } = usualStep('onto', 'o');
    const { edges: _edges, ...subdivide } = usualStep('subdivide', 's');
    const { shaped: _shaped, ...faces } = a.body.faces;
    const model = {
      kind: 'model',
      asset: 'a'.repeat(64),
      format: 'obj',
      unit: 'mm',
      up: 'y',
      scalePercent: 100,
      closed: false,
      paint: 'finish',
    };
    const body = { ...a.body, faces };
    const pieces = { a: { ...a, body, steps: [onto, subdivide] }, b: { ...a, id: 'b', body, source: model } };
    const read = unwrap(parseProject({ ...stored(), schemaVersion: 16, pieces, pieceOrder: ['a', 'b'] }));
    expect(read.pieces.a).toEqual({ ...a, steps: [usualStep('onto', 'o'), usualStep('subdivide', 's')] });
    expect(read.pieces.b.source).toEqual({ ...model, sides: 'outward' });
  });

  test('a document of version 1 gets the place and the looks it was drawn with', () => {
    const before: Record<string, unknown> = { ...start().pieces.a };
    delete before.placement;
    delete before.slots;
    const { view: _, ...rest } = stored();
    const old = { ...rest, schemaVersion: 1, pieces: { a: before } };
    expect(unwrap(parseProject(old))).toEqual(start());
  });

  test('migrations run from the document’s version on, in order', () => {
    const step = (name: string) => (document: unknown) => ({
      log: [...((document as { log?: string[] }).log ?? []), name],
    });
    const migrations = [step('1 to 2'), step('2 to 3')];
    expect(migrate({}, 1, migrations)).toEqual({ log: ['1 to 2', '2 to 3'] });
    expect(migrate({}, 2, migrations)).toEqual({ log: ['2 to 3'] });
    expect(migrate({}, 3, migrations)).toEqual({});
  });
});

describe('a file that holds a drawn edge or side', () => {
  const points = [{ in: -1, down: 0.5, smooth: true }];
  test('gives its points', () => {
    expect(unwrap(parseProfile(JSON.stringify({ name: 'Kiln lip', points })))).toEqual(points);
  });

  test.each([
    ['no JSON', 'points'],
    ['points out of reach', JSON.stringify({ points: [{ in: 5, down: 0, smooth: false }] })],
    ['too many points', JSON.stringify({ points: Array.from({ length: 65 }, () => points[0]) })],
    ['no points', '{}'],
  ])('%s is refused', (_, text) => {
    const read = parseProfile(text);
    expect(read.ok ? 'taken' : read.error.code).toBe('SECTION_BROKEN');
  });
});

describe('records and lists are bounded', () => {
  const project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]);
  const why = (data: unknown): string => {
    const parsed = parseProject(data);
    return parsed.ok ? 'taken' : JSON.stringify(parsed.error.params);
  };

  test('one fault is told of a document that is wrong all over', () => {
    const pieces = Object.fromEntries(Array.from({ length: 30_000 }, (_, i) => [`a${i}`, {}]));
    expect(why({ ...project, pieces })).toContain('no more than 1000');
    const graphemes = Array.from({ length: 50_000 }, () => ({}));
    const { a } = project.pieces;
    const withLetters = { ...project, pieces: { a: { ...a, source: { ...a.source, graphemes } } } };
    expect(why(withLetters)).toBe('{"path":"pieces.a.source.graphemes","why":"there can be no more than 20000"}');
    const own = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [i + 1, { moveMm: 'far' }]));
    expect(why({ ...project, pieces: { a: { ...a, source: { ...a.source, own } } } })).toContain(
      'pieces.a.source.own.1.moveMm',
    );
  });

  test('names that every object answers to are names of nothing', () => {
    expect(why({ ...project, pieces: {}, pieceOrder: ['constructor'] })).toContain('pieceOrder');
    const edit = { kind: 'setPiece', pieceId: 'toString', values: { name: 'x' } } as const;
    expect(applyEdit(project, edit)).toMatchObject({ ok: false, error: { code: 'EDIT_MISPLACED' } });
  });
});
