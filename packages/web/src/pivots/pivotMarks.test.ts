import { newGroup, newPiece, newProject, STILL, turnOf, type PivotSpots, type ShownPiece } from '@fictile/core';
import { marksTransform, ownersOf, pivotMarks, WHOLE } from './pivotMarks.ts';
import { spotName } from './spotNames.ts';

const spots = (text: string): PivotSpots => ({
  box: { low: [0, 0, 0], high: [10, 20, 4] },
  letters: [{ id: 1, text, box: { low: [0, 0, 0], high: [4, 20, 4] } }],
  corners: [{ id: 1, at: [1, 2, 4] }],
});
const project = newProject('p', 'P', [newPiece('a', 'Kiln', ['K']), newPiece('b', 'Row', ['R'])]);
const shown = (pieceId: string, move: [number, number, number]): ShownPiece =>
  ({ pieceId, transform: { rows: STILL.rows, move } }) as unknown as ShownPiece;

test('places have names', () => {
  expect(spotName({ across: 'middle', up: 'middle', deep: 'middle' })).toBe('middle');
  expect(spotName({ across: 'middle', up: 'foot', deep: 'middle' })).toBe('middle of the foot');
  expect(spotName({ across: 'left', up: 'middle', deep: 'front' })).toBe('left front edge');
  expect(spotName({ across: 'right', up: 'top', deep: 'back' })).toBe('upper right back corner');
});

test('of a piece: its 27 places, those of its letters, and corners of outlines as numbers', () => {
  const marked = {
    item: project.pieces.a,
    pieces: [shown('a', [5, 0, 0])],
    transform: STILL,
    spots: { a: spots('K') },
  };
  const marks = pivotMarks(marked, project);
  expect(marks).toHaveLength(27 + 27 + 1);
  expect(marks.find(({ of, label }) => of === WHOLE && label === 'middle')).toMatchObject({
    at: [5, 10, 2],
    pivot: { kind: 'box', across: 'middle', up: 'middle', deep: 'middle' },
  });
  expect(marks.find(({ label }) => label === 'lower right front corner of “K”')).toMatchObject({
    at: [4, 0, 4],
    pivot: { kind: 'letter', letter: 1 },
  });
  expect(marks.at(-1)).toMatchObject({ pivot: { kind: 'point', pointMm: [1, 2, 4] } });
  expect(ownersOf(marks, project).map(({ name }) => name)).toEqual(['the whole', 'the letter K']);
  expect(marksTransform(marked).move).toEqual([5, 0, 0]);
});

test('of a group: in its own space, as numbers, its pieces and their letters by their names', () => {
  const group = newGroup('g', 'Sign');
  const transform = { rows: turnOf([0, 0, 90]), move: [0, 0, 0] as const };
  const pieces = [shown('a', [0, 0, 0]), shown('b', [0, 100, 0])];
  const marks = pivotMarks({ item: group, pieces, transform, spots: { a: spots('K'), b: spots('R') } }, project);
  expect(marks).toHaveLength(27 + 2 * (27 + 27 + 1));
  // turned back by a quarter, up becomes to the right
  const corner = marks.find(({ label }) => label === 'upper right front corner of “R”');
  corner?.at.forEach((v, k) => expect(v).toBeCloseTo([120, -4, 4][k], 9));
  expect(corner?.pivot).toEqual({ kind: 'point', pointMm: corner?.at });
  const whole = marks.filter(({ of }) => of === WHOLE).map(({ at }) => at);
  expect(Math.max(...whole.map(([x]) => x))).toBeCloseTo(120, 9);
  expect(ownersOf(marks, project).map(({ name }) => name)).toEqual([
    'the whole',
    'Kiln',
    'the letter K of Kiln',
    'Row',
    'the letter R of Row',
  ]);
});
