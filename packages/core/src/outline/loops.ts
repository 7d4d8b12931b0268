import { Clipper64, ClipType, FillRule, type Paths64 } from 'clipper2-ts';
import type { Vertex, VertexRing } from './outline.ts';

type Point = { x: number; y: number };

/** A turn of more than 30 degrees is a corner. */
const CORNER_COSINE = 0.8660254037844387;

/** A loop without curves as a ring: corners by its turns, letters as told. */
export function ringByTurns(path: readonly Point[], letterAt: (point: Point) => number): VertexRing {
  return path.map(({ x, y }, i): Vertex => {
    const before = path[(i + path.length - 1) % path.length];
    const after = path[(i + 1) % path.length];
    const corner = isCorner(x - before.x, y - before.y, after.x - x, after.y - y) ? 1 : 0;
    return { x, y, curve: -1, t0: 0, t1: 1, letter: letterAt({ x, y }), corner };
  });
}

function isCorner(ax: number, ay: number, bx: number, by: number): boolean {
  return ax * bx + ay * by < CORNER_COSINE * Math.sqrt((ax * ax + ay * ay) * (bx * bx + by * by));
}

/** The union of loops that overlap, by their non-zero winding, on the grid; all of letter 0. */
export function uniteLoops(loops: readonly (readonly Point[])[]): VertexRing[] {
  const clipper = new Clipper64();
  clipper.addSubject(loops.map((loop) => loop.map(({ x, y }) => ({ x, y }))));
  const solution: Paths64 = [];
  clipper.execute(ClipType.Union, FillRule.NonZero, solution);
  return solution.map((path) => ringByTurns(path, () => 0));
}
