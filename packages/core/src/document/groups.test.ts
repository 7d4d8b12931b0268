import { unwrap } from '../base/index.ts';
import { usualStep } from '../steps/index.ts';
import {
  applyEdit,
  asInGroups,
  isLocked,
  isShown,
  newGroup,
  newPiece,
  newProject,
  parseProject,
  piecesIn,
  treeRows,
  type Edit,
  type Project,
} from './index.ts';

const five = (): Project =>
  newProject(
    'p',
    'Row',
    [...'abcde'].map((id) => newPiece(id, id.toUpperCase(), [id])),
  );
const run = (project: Project, ...edits: Edit[]): Project => unwrap(applyEdit(project, { kind: 'many', edits }));
const group = (id: string, ...items: string[]): Edit => ({ kind: 'addGroup', group: newGroup(id, id), items });
/** The tree in brackets. */
const tree = (project: Project): string =>
  treeRows(project)
    .map(({ id, depth, isGroup }) => `${'.'.repeat(depth)}${id}${isGroup ? ':' : ''}`)
    .join(' ');
const refused = (project: Project, edit: Edit): string => {
  const edited = applyEdit(project, edit);
  return edited.ok ? 'taken' : edited.error.code;
};

describe('groups', () => {
  test('stand where the first of their pieces stood, in each other too', () => {
    const one = run(five(), group('g', 'd', 'b'));
    expect(tree(one)).toBe('a g: .b .d c e');
    expect(tree(run(one, group('h', 'g', 'e')))).toBe('a h: .g: ..b ..d .e c');
    expect(tree(run(one, group('h', 'b')))).toBe('a g: .h: ..b .d c e');
    // what is in a group that is taken along goes with it
    expect(tree(run(one, group('h', 'd', 'g', 'c')))).toBe('a h: .g: ..b ..d .c e');
  });

  test('are never empty, and what is left of one that is dissolved stays where it stood', () => {
    const one = run(five(), group('g', 'b', 'c'), group('h', 'g', 'e'));
    expect(tree(run(one, { kind: 'dissolveGroup', groupId: 'g' }))).toBe('a h: .b .c .e d');
    expect(tree(run(one, { kind: 'dissolveGroup', groupId: 'h' }))).toBe('a g: .b .c e d');
    const gone = run(one, { kind: 'removePiece', pieceId: 'b' }, { kind: 'removePiece', pieceId: 'c' });
    expect(tree(gone)).toBe('a h: .e d');
    expect(tree(run(gone, { kind: 'removePiece', pieceId: 'e' }))).toBe('a d');
  });

  test('pieces and groups are moved before others, behind all, in and out', () => {
    const one = run(five(), group('g', 'b', 'c'));
    const moved = (items: string[], within: string, before?: string): string =>
      tree(run(one, { kind: 'moveItems', items, within, before }));
    expect(moved(['e'], '', 'a')).toBe('e a g: .b .c d');
    expect(moved(['e'], '', 'g')).toBe('a e g: .b .c d');
    expect(moved(['e', 'a'], 'g')).toBe('g: .b .c .a .e d');
    expect(moved(['a'], 'g', 'c')).toBe('g: .b .a .c d e');
    expect(moved(['g'], '')).toBe('a d e g: .b .c');
    expect(moved(['g'], '', 'a')).toBe('g: .b .c a d e');
    expect(moved(['b', 'c'], '', 'e')).toBe('a d b c e');
    expect(moved(['b'], '')).toBe('a g: .c d e b');
  });

  test('hide and lock all that is in them', () => {
    const made = run(five(), group('g', 'b'), group('h', 'g', 'c'));
    const hidden = run(made, { kind: 'setGroup', groupId: 'h', values: { visible: false, locked: true } });
    expect(hidden.pieceOrder.filter((id) => !isShown(hidden, hidden.pieces[id]))).toEqual(['b', 'c']);
    expect(hidden.pieceOrder.filter((id) => isLocked(hidden, hidden.pieces[id]))).toEqual(['b', 'c']);
    expect(piecesIn(hidden, 'h')).toEqual(['b', 'c']);
    expect(asInGroups(hidden).pieces.b).toMatchObject({ visible: false, locked: true });
    expect(asInGroups(hidden).pieces.a).toBe(hidden.pieces.a);
    for (const edit of [
      { kind: 'setPlacement', pieceId: 'b', values: { stand: 'table' } },
      { kind: 'removePiece', pieceId: 'b' },
      { kind: 'moveItems', items: ['c'], within: '' },
      { kind: 'placeGroup', groupId: 'g', values: { sizePercent: 50 } },
      { kind: 'hang', items: ['g'], hung: { on: 'a', letter: 0 } },
      { kind: 'dissolveGroup', groupId: 'h' },
    ] satisfies Edit[])
      expect(refused(hidden, edit)).toBe('PIECE_LOCKED');
  });
});

describe('what hangs on others', () => {
  const hang = (on: string, ...items: string[]): Edit => ({ kind: 'hang', items, hung: { on, letter: 0 } });

  test('never goes along with itself, over groups, other things hung and what lies on others', () => {
    const made = run(five(), group('g', 'a', 'b'), hang('g', 'c'), hang('c', 'd'));
    for (const edit of [
      hang('d', 'd'),
      hang('d', 'c'),
      hang('d', 'g'),
      hang('a', 'g'),
      { kind: 'moveItems', items: ['g'], within: 'g' },
    ] satisfies Edit[])
      expect(refused(made, edit)).toBe('GOES_IN_CIRCLE');
    expect(refused(made, hang('d', 'e'))).toBe('taken');
    // a step that would close one is refused as well
    const steps = [{ ...usualStep('onto', 'onto'), target: 'd' }];
    const laid: Edit = { kind: 'setSteps', pieceId: 'a', steps };
    expect(refused(run(made, { kind: 'hang', items: ['c'], hung: { on: 'a', letter: 0 } }), laid)).toBe(
      'PROJECT_BROKEN',
    );
  });

  test('hangs on nothing once that is gone', () => {
    const made = run(five(), group('g', 'a'), hang('g', 'c'), hang('b', 'd'));
    const left = run(made, { kind: 'removePiece', pieceId: 'a' }, { kind: 'removePiece', pieceId: 'b' });
    expect([left.groups, left.pieces.c.hung, left.pieces.d.hung]).toEqual([{}, null, null]);
  });
});

test.each<[string, (project: Project) => void]>([
  ['an unknown group', (p) => (p.pieces.a.within = 'x')],
  ['a group that is empty', (p) => (p.groups.x = newGroup('x', 'X'))],
  ['a group with the id of a piece', (p) => (p.groups.a = newGroup('a', 'X'))],
  ['something hung on nothing', (p) => (p.pieces.a.hung = { on: 'x', letter: 0 })],
  ['something hung on itself', (p) => (p.pieces.a.hung = { on: 'a', letter: 0 })],
  ['a group in itself', (p) => (p.groups.g.within = 'g')],
  ['a group torn apart', (p) => (p.pieceOrder = ['b', 'a', 'c', 'd', 'e'])],
])('a document with %s is refused', (_, spoil) => {
  const project = structuredClone(run(five(), group('g', 'b', 'c')));
  expect(parseProject(project).ok).toBe(true);
  spoil(project);
  expect(parseProject(project)).toMatchObject({ error: { code: 'PROJECT_BROKEN' } });
});
