import { seededRandom, unwrap } from '../base/index.ts';
import { usualStep } from '../steps/index.ts';
import {
  applyEdit,
  changesOf,
  commit,
  copiesOf,
  asDocument,
  isAlike,
  isWords,
  newForm,
  newPiece,
  newProject,
  parseProject,
  redo,
  sameDocument,
  startHistory,
  undo,
  usualForms,
  type Edit,
  type History,
  type Piece,
  type Project,
} from './index.ts';

const bend = { ...usualStep('bend', 'bend'), angleDegrees: 30 };
const twist = usualStep('twist', 'twist');
const source = (): Piece => ({ ...newPiece('kiln', 'Kiln', [...'Kiln']), steps: [bend] });
const copyOf = (piece: Piece, id: string, name = `${piece.name} ${id}`): Edit => ({
  kind: 'addPiece',
  piece: { ...piece, id, name, copyOf: piece.copyOf ?? piece.id },
});
const run = (project: Project, ...edits: Edit[]): Project => unwrap(applyEdit(project, { kind: 'many', edits }));
/** A word and two that follow it. */
const three = (): Project => run(newProject('p', 'Row', [source()]), copyOf(source(), '2'), copyOf(source(), '3'));
const type = (pieceId: string, at: number, remove: number, insert: string): Edit => ({
  kind: 'spliceWords',
  pieceId,
  at,
  remove,
  insert: [...insert],
});
const textOf = (piece: Piece): string => (isWords(piece) ? piece.source.graphemes.map((g) => g.text).join('') : '');
const angle = ({ steps }: Piece): unknown => steps.find(({ id }) => id === 'bend') ?? 'none';
const bent = (project: Project, pieceId: string, angleDegrees: number): Edit => ({
  kind: 'setSteps',
  pieceId,
  steps: project.pieces[pieceId].steps.map((step) => (step.id === 'bend' ? { ...bend, angleDegrees } : step)),
});
const refusal = (project: Project, edit: Edit): unknown => {
  const edited = applyEdit(project, edit);
  return edited.ok ? 'taken' : edited.error;
};

describe('a linked copy', () => {
  test('follows the source in all, and its name goes along with the words', () => {
    const typed = run(three(), type('kiln', 0, 4, 'Oven'), {
      kind: 'setSolid',
      pieceId: 'kiln',
      values: { depthMm: 7 },
    });
    expect(copiesOf(typed, 'kiln').map((piece) => [textOf(piece), piece.body.solid.depthMm, piece.name])).toEqual([
      ['Oven', 7, 'Oven 2'],
      ['Oven', 7, 'Oven 3'],
    ]);
    expect(copiesOf(typed, 'kiln').every((copy) => isAlike(typed.pieces.kiln, copy))).toBe(true);
  });

  test('keeps what was changed in it, value by value, and follows in all else', () => {
    const changed = run(three(), { kind: 'setSolid', pieceId: '2', values: { depthMm: 9 } }, bent(three(), '2', 80));
    expect(changesOf(changed.pieces.kiln, changed.pieces['2'])).toEqual({
      '/body/solid/depthMm': 9,
      '/steps/bend/angleDegrees': 80,
    });
    const then = run(changed, { kind: 'setSolid', pieceId: 'kiln', values: { depthMm: 4, emboldenMm: 1 } });
    expect(then.pieces['2'].body.solid).toMatchObject({ depthMm: 9, emboldenMm: 1 });
    expect(then.pieces['3'].body.solid).toMatchObject({ depthMm: 4, emboldenMm: 1 });
    const again = run(then, { kind: 'followAgain', pieceId: '2', paths: ['/body/solid/depthMm'] });
    expect(changesOf(again.pieces.kiln, again.pieces['2'])).toEqual({ '/steps/bend/angleDegrees': 80 });
    const all = run(then, { kind: 'followAgain', pieceId: '2', paths: 'all' });
    expect(isAlike(all.pieces.kiln, all.pieces['2'])).toBe(true);
  });

  test('has steps of its own among those of the source, and lacks some', () => {
    const added = run(three(), { kind: 'setSteps', pieceId: '2', steps: [twist, bend] });
    const lacks = run(added, { kind: 'setSteps', pieceId: '3', steps: [] });
    const more = run(lacks, { kind: 'setSteps', pieceId: 'kiln', steps: [bend, usualStep('noise', 'noise')] });
    const ids = (id: string): string[] => more.pieces[id].steps.map((step) => step.id);
    expect([ids('2'), ids('3')]).toEqual([['twist', 'bend', 'noise'], ['noise']]);
    const bentMore = run(more, bent(more, 'kiln', 45));
    expect([angle(bentMore.pieces['2']), angle(bentMore.pieces['3'])]).toMatchObject([{ angleDegrees: 45 }, 'none']);
    const gone = run(bentMore, { kind: 'setSteps', pieceId: 'kiln', steps: [] });
    expect(gone.pieces['2'].steps).toEqual([twist]);
  });

  test('with a text of its own has its own letters', () => {
    const own = run(three(), type('2', 4, 0, 's'), {
      kind: 'setOwn',
      pieceId: '2',
      ids: [5],
      values: { turnDegrees: 3 },
    });
    const typed = run(own, type('kiln', 4, 0, '!'), {
      kind: 'setOwn',
      pieceId: 'kiln',
      ids: [5],
      values: { turnDegrees: 8 },
    });
    expect(['2', '3'].map((id) => textOf(typed.pieces[id]))).toEqual(['Kilns', 'Kiln!']);
    expect(typed.pieces['2'].source).toMatchObject({ own: { 5: { turnDegrees: 3 } } });
    expect(typed.pieces['2'].name).toBe(own.pieces['2'].name);
  });

  test('is what a whole document says that is taken', () => {
    const mine = run(three(), { kind: 'setSolid', pieceId: 'kiln', values: { depthMm: 10 } });
    const own = run(mine, { kind: 'setSolid', pieceId: '2', values: { depthMm: 20 } });
    const theirs = run(run(own, { kind: 'setSolid', pieceId: 'kiln', values: { depthMm: 30 } }), {
      kind: 'setSolid',
      pieceId: '2',
      values: { depthMm: 10 },
    });
    const taken = unwrap(applyEdit(mine, { kind: 'takeDocument', project: theirs }));
    expect(['kiln', '2', '3'].map((id) => taken.pieces[id].body.solid.depthMm)).toEqual([30, 10, 30]);
  });

  test('is made independent with all that it has', () => {
    const free = run(three(), { kind: 'unlink', pieceId: '2' }, type('kiln', 0, 4, 'Oven'));
    expect([textOf(free.pieces['2']), free.pieces['2'].copyOf]).toEqual(['Kiln', undefined]);
  });

  test('takes the place of its source when that is removed', () => {
    const changed = run(three(), { kind: 'setSolid', pieceId: '2', values: { depthMm: 9 } });
    const left = run(changed, { kind: 'removePiece', pieceId: 'kiln' });
    expect([left.pieces['2'].copyOf, left.pieces['3'].copyOf]).toEqual([undefined, '2']);
    expect(changesOf(left.pieces['2'], left.pieces['3'])).toEqual({
      '/body/solid/depthMm': source().body.solid.depthMm,
    });
    expect(textOf(run(left, type('2', 0, 4, 'Oven')).pieces['3'])).toBe('Oven');
  });

  test('follows no copy, nothing that is missing, and its source hangs not on it', () => {
    const document = asDocument(three());
    const with2 = (values: object): unknown => ({
      ...document,
      copies: { ...document.copies, 2: { ...document.copies?.['2'], ...values } },
    });
    const why = (data: unknown): unknown => {
      const parsed = parseProject(data);
      return parsed.ok ? 'sound' : parsed.error.params;
    };
    expect(why(document)).toBe('sound');
    for (const other of ['3', 'gone']) expect(why(with2({ copyOf: other }))).toMatchObject({ path: 'copies.2.copyOf' });
    expect(why(with2({ changes: { '/body/solid/depthMm': -1 } }))).toMatchObject({ path: 'copies.2.changes' });
    expect(why(with2({ changes: { '/body/glaze': 1 } }))).toMatchObject({ path: 'copies.2.changes' });
    expect(refusal(three(), { kind: 'hang', items: ['kiln'], hung: { on: '2', letter: 0 } })).toMatchObject({
      code: 'GOES_IN_CIRCLE',
    });
    expect(refusal(three(), { kind: 'setSolid', pieceId: '2', values: { depthMm: -1 } })).toMatchObject({
      code: 'PROJECT_BROKEN',
    });
    expect(refusal(three(), { kind: 'followAgain', pieceId: 'kiln', paths: 'all' })).toMatchObject({
      code: 'EDIT_MISPLACED',
    });
  });

  test('a source that becomes another kind takes changes along that still mean something', () => {
    const edit = (pieceId: string, form: unknown): Edit => ({ kind: 'setForm', pieceId, form }) as Edit;
    const ball = newForm('b', 'Ball', usualForms().ball);
    const two = run(newProject('p', 'Row', [ball]), copyOf(ball, '2'));
    const changed = run(two, edit('2', { ...usualForms().ball, radiusMm: 12 }));
    const other = run(changed, edit('b', usualForms().block));
    expect(other.pieces['2'].source).toEqual(other.pieces.b.source);
  });
});

test('in a thousand the copies say little, and a source that is typed on is one difference', () => {
  const edits = Array.from({ length: 990 }, (_, i) => copyOf(source(), `c${i}`, `Kiln ${i + 2}`));
  const many = run(newProject('p', 'Row', [source()]), ...edits);
  const text = JSON.stringify(asDocument(many));
  expect(text.length / JSON.stringify(many).length).toBeLessThan(0.2);
  const history = unwrap(commit(startHistory(many), type('kiln', 4, 0, '!')));
  // words with their counter, and of each copy the name that goes along
  const paths = history.past[0].patches.map(({ path }) => path.slice(0, 1).concat(path.slice(2)).join('.'));
  expect(new Set(paths)).toEqual(
    new Set(['pieces.name', 'pieces.source.graphemes', 'pieces.source.nextId', 'copies.name']),
  );
  const { pieces } = undo(history).project;
  expect(pieces.c7.source).toBe(pieces.kiln.source);
});

/** What a copy shows of one value, told without any of the code above. */
interface Oracle {
  source: number[];
  own: (number | undefined)[][];
}

const FIELDS: readonly ((project: Project, pieceId: string, value: number) => Edit)[] = [
  (_, pieceId, depthMm) => ({ kind: 'setSolid', pieceId, values: { depthMm } }),
  (_, pieceId, sizeMm) => ({ kind: 'setWords', pieceId, values: { sizeMm } }),
  (_, pieceId, gloss) => ({ kind: 'setFinish', pieceId, slots: ['wall'], values: { gloss } }),
  bent,
];
const PATHS = ['/body/solid/depthMm', '/source/sizeMm', '/slots/wall/gloss', '/steps/bend/angleDegrees'];
const read = (piece: Piece): number[] => [
  piece.body.solid.depthMm,
  isWords(piece) ? piece.source.sizeMm : 0,
  piece.slots.wall.gloss,
  piece.steps.flatMap((step) => (step.kind === 'bend' ? step.angleDegrees : []))[0],
];

function changedOracle({ source: was, own }: Oracle, field: number, who: number, value: number | undefined): Oracle {
  const now = was.with(field, who === 0 ? (value ?? was[field]) : was[field]);
  return {
    source: now,
    own: own.map((row, i) => {
      const mine = who === i + 1 ? value : row[field];
      return row.with(field, mine === now[field] ? undefined : mine);
    }),
  };
}

test('60 sequences: a copy is its source with its changes, through undo and files', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = seededRandom(seed);
    const pick = (n: number): number => Math.floor(random() * n);
    let history: History = startHistory(three());
    const first = read(history.project.pieces.kiln);
    let told: Oracle[] = [{ source: first, own: [[], []].map(() => first.map(() => undefined)) }];
    for (let i = 0; i < 12; i++) {
      const [field, who, value] = [pick(FIELDS.length), pick(3), 10 + pick(4)];
      const now = told[told.length - 1];
      if (random() < 0.2 && told.length > 1) {
        history = undo(history);
        if (random() < 0.3) history = redo(history);
        else told = told.slice(0, -1);
      } else {
        const back = random() < 0.2 && who > 0;
        const pieceId = ['kiln', '2', '3'][who];
        const edit: Edit = back
          ? { kind: 'followAgain', pieceId, paths: [PATHS[field]] }
          : FIELDS[field](history.project, pieceId, value);
        const past = history.past.length;
        history = unwrap(commit(history, edit));
        const next = changedOracle(now, field, who, back ? undefined : value);
        told = history.past.length > past ? [...told, next] : told;
      }
      const { source: values, own } = told[told.length - 1];
      const shows = [values, ...own.map((row) => row.map((one, f) => one ?? values[f]))];
      expect(['kiln', '2', '3'].map((id) => read(history.project.pieces[id]))).toEqual(shows);
      const kept: unknown = JSON.parse(JSON.stringify(asDocument(history.project)));
      expect(sameDocument(unwrap(parseProject(kept)), history.project)).toBe(true);
      const changes = ['2', '3'].map((id) =>
        Object.keys(changesOf(history.project.pieces.kiln, history.project.pieces[id])),
      );
      expect(changes.map((paths) => paths.length)).toEqual(
        own.map((row) => row.filter((one) => one !== undefined).length),
      );
    }
  }
});
