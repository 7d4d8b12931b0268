import { newPiece, STILL, turnOf, usualStep, type OntoStep, type ShownPiece, type Vec3 } from '@fictile/core';
import { fromView } from './fromView.ts';

const step: OntoStep = { ...usualStep('onto', 'a'), target: 'b', method: 'direction', fromMm: [0, 0, 300] };

/** Laid flat at z = 10, its zero at 5, 6. */
const laid = (transform: ShownPiece['transform']): ShownPiece => {
  const nodes = new Float64Array(
    [0, 1, 2, 3].flatMap((i) => [5 + (i % 2) - 0.5, 6 + (i >> 1) - 0.5, 10, 0, 0, 1, 1, 0]),
  );
  const grid = { x: -0.5, y: -0.5, dx: 1, dy: 1, columns: 2, rows: 2, nodes, lines: [] };
  const box = { low: [0, 0, 0] as Vec3, high: [1, 1, 1] as Vec3 };
  const onto = {
    stepId: 'a',
    targetId: 'b',
    grid,
    options: { box, lift: 0, root: 0, rigid: false, rough: true, toleranceMm: 1 },
  };
  return { transform, onto } as unknown as ShownPiece;
};

const piece = { ...newPiece('p', 'Row', [...'Row']), steps: [step] };

test('the same place is looked at from where the camera stands, also where the piece is turned', () => {
  expect(fromView(piece, laid(STILL), { from: [105, 6, 10], to: [0, 0, 0] })).toEqual({
    ...step,
    fromMm: [295.1, 6, 10].map((v) => expect.closeTo(v, 0) as number),
    toward: [-1, 0, 0],
    up: [0, 1, 0],
  });
  const turned = { rows: turnOf([0, 90, 0]), move: [100, 0, 0] as Vec3 };
  // a quarter turn about the upright axis brings z to x: the place stands at 110, 6, -5
  const seen = fromView(piece, laid(turned), { from: [310, 6, -5], to: [0, 0, 0] });
  expect(seen?.toward.map((v) => Math.round(v))).toEqual([0, 0, -1]);
  const above = fromView(piece, laid(STILL), { from: [5, 500, 10], to: [0, 0, 0] });
  expect([above?.toward, above?.up]).toEqual([
    [0, -1, 0],
    [0, 0, -1],
  ]);
});

test('only of what is laid from one direction', () => {
  const round = { ...piece, steps: [{ ...step, method: 'round' as const }] };
  expect(fromView(round, laid(STILL), { from: [0, 0, 9], to: [0, 0, 0] })).toBeUndefined();
});
