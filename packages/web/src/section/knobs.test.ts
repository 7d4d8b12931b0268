import { newPiece, sectionOf, usualBody, type AskedSection, type Edge, type Piece, type Side } from '@fictile/core';
import { frameOf, HIGH, WIDE } from './frame.ts';
import {
  knobMoved,
  knobsOf,
  middleAfter,
  partAtWork,
  pointAdded,
  pointDropped,
  type SectionKnob,
  type SectionPart,
} from './knobs.ts';

const edge = (values: Partial<Edge>): Edge => ({ kind: 'round', inMm: 4, deepMm: 6, steps: 4, points: [], ...values });
const side = (values: Partial<Side>): Side => ({ ...usualBody().solid.side, amountMm: 3, ...values });
const POINTS = [
  { in: 0.5, down: 0.25, smooth: true },
  { in: 0.25, down: 0.5, smooth: false },
];

function pieceWith(solid: Partial<Piece['body']['solid']>): Piece {
  const piece = newPiece('a', 'Kiln', [...'Kiln']);
  return { ...piece, body: { ...piece.body, solid: { ...piece.body.solid, depthMm: 20, ...solid } } };
}
const section = (piece: Piece): AskedSection => sectionOf(piece) as AskedSection;
const knobs = (piece: Piece, part: SectionPart): SectionKnob[] => knobsOf(piece, section(piece), part);
const kinds = (all: readonly SectionKnob[]): string[] => all.map((knob) => knob.kind);

describe('knobs', () => {
  test('stand at both ends of an edge and at each point that is drawn, in mm', () => {
    const piece = pieceWith({ front: edge({ kind: 'drawn', points: POINTS }), back: edge({}) });
    const all = knobs(piece, 'front');
    expect(kinds(all)).toEqual(['rim', 'point', 'point', 'foot']);
    expect(all.map(({ inMm, downMm }) => [inMm, downMm])).toEqual([
      [4, 0],
      [2, 1.5],
      [1, 3],
      [0, 6],
    ]);
    const [rim, foot] = knobs(piece, 'back');
    expect([rim.inMm, rim.downMm, foot.inMm, foot.downMm]).toEqual([4, 20, 0, 14]);
  });

  test('a plain edge and a straight side have none; a waist has its depth', () => {
    const piece = pieceWith({ front: edge({ kind: 'plain' }), side: side({ kind: 'waist' }) });
    expect(knobs(piece, 'front')).toEqual([]);
    expect(knobs(piece, 'side')).toMatchObject([{ kind: 'amount', inMm: 3, downMm: 10 }]);
    expect(knobs(pieceWith({}), 'side')).toEqual([]);
  });
});

describe('a knob that is moved', () => {
  const piece = pieceWith({
    front: edge({ kind: 'drawn', points: POINTS }),
    back: edge({}),
    side: side({ kind: 'v' }),
  });
  const moved = (part: SectionPart, kind: SectionKnob['kind'], { inMm, downMm }: { inMm: number; downMm: number }) => {
    const knob = knobs(piece, part).find((k) => k.kind === kind) as SectionKnob;
    return knobMoved(piece, section(piece), knob, { to: { inMm, downMm } });
  };

  test('changes what it stands for, in round steps', () => {
    expect(moved('front', 'rim', { inMm: 5.03, downMm: 9 })).toEqual({ part: 'front', values: { inMm: 5.05 } });
    expect(moved('front', 'foot', { inMm: 9, downMm: 7.02 })).toEqual({ part: 'front', values: { deepMm: 7 } });
    expect(moved('back', 'foot', { inMm: 0, downMm: 13 })).toEqual({ part: 'back', values: { deepMm: 7 } });
    expect(moved('side', 'amount', { inMm: 1.5, downMm: 0 })).toEqual({ part: 'side', values: { amountMm: 1.5 } });
    expect(moved('front', 'rim', { inMm: -5, downMm: 0 })).toEqual({ part: 'front', values: { inMm: 0 } });
  });

  test('puts a point beyond the outline, never past the ends of its depth', () => {
    const points = [{ in: -0.5, down: 1, smooth: true }, POINTS[1]];
    expect(moved('front', 'point', { inMm: -2, downMm: 99 })).toEqual({ part: 'front', values: { points } });
  });

  test('a back edge that follows the front changes the front', () => {
    expect(partAtWork(pieceWith({ backAsFront: true }), 'back')).toBe('front');
    expect(partAtWork(pieceWith({}), 'back')).toBe('back');
  });
});

test('points come on the piece of the line they are nearest to, in the middle of the longest, and go', () => {
  const piece = pieceWith({ front: edge({ kind: 'drawn', points: POINTS }) });
  const { change, index } = pointAdded(piece, 'front', { in: 0.1, down: 0.8 });
  expect([index, change.values.points?.length, change.values.points?.[2]]).toEqual([
    2,
    3,
    { in: 0.1, down: 0.8, smooth: true },
  ]);
  expect(middleAfter(piece, 'front', 0)).toEqual({ in: 0.375, down: 0.375 });
  expect(middleAfter(piece, 'front', -1)).toEqual({ in: 0.75, down: 0.125 });
  expect(pointDropped(piece, 'front', 0).values.points).toEqual([POINTS[1]]);
});

describe('the drawing', () => {
  test('shows the whole section, or an edge that would be too small in it', () => {
    const large = pieceWith({ front: edge({ inMm: 8, deepMm: 10 }) });
    const small = pieceWith({ front: edge({ inMm: 1, deepMm: 1 }), depthMm: 60 });
    const pixels = (piece: Piece, part: SectionPart): number => frameOf(section(piece), part).pixelsAMm;
    expect(pixels(large, 'front')).toBe(pixels(large, 'side'));
    expect(pixels(small, 'front')).toBeGreaterThan(10 * pixels(small, 'side'));
  });

  test('is on the sheet, and leads back to mm', () => {
    const piece = pieceWith({ front: edge({ kind: 'drawn', points: POINTS }) });
    const frame = frameOf(section(piece), 'front');
    for (const knob of knobs(piece, 'front')) {
      const [x, y] = frame.toPixels(knob);
      expect([x > 0 && x < WIDE, y > 0 && y < HIGH]).toEqual([true, true]);
      expect(frame.toMm(x, y).inMm).toBeCloseTo(knob.inMm, 9);
    }
  });
});
