import { formMesh } from '../form/index.ts';
import { transformPoints, turnOf, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

// Bodies that are cut, and that cut.

export const box = (width: number, height: number, depth: number): PolygonMesh =>
  formMesh(
    { kind: 'block', widthMm: width, heightMm: height, depthMm: depth, edge: 'plain', edgeMm: 0, taperPercent: 0 },
    0.1,
  );

export const BALL = formMesh({ kind: 'ball', radiusMm: 20 }, 0.3);

const KNOTS = [
  [20, 0],
  [30, 30],
  [22, 60],
].map(([radiusMm, heightMm]) => ({ radiusMm, heightMm, smooth: true }));
/** With a wall; and full. */
export const JUG = formMesh({ kind: 'turned', wallMm: 4, knots: KNOTS }, 0.2);
export const FULL = formMesh({ kind: 'turned', wallMm: 0, knots: KNOTS }, 0.2);

export const moved = (mesh: PolygonMesh, move: Vec3, turn: Vec3 = [0, 0, 0]): PolygonMesh => ({
  ...mesh,
  positions: transformPoints({ rows: turnOf(turn), move }, mesh.positions),
});
