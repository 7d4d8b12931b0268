import { refiningOf, type RefineStep } from '../steps/index.ts';
import { vertexCount, type PolygonMesh } from '../mesh/index.ts';

/**
 * Where the vertices of a mesh that a step has made lay in the flat layout. What cuts faces makes the same points of both; all other steps only keep some of
 * the vertices they were given, where they were.
 */
export function restAfter(
  before: PolygonMesh,
  rest: Float64Array,
  { mesh, step }: { mesh: PolygonMesh; step: RefineStep },
): Float64Array {
  const { apply, flatly } = refiningOf(step);
  if (flatly) {
    const laid = apply({ ...before, positions: rest }, flatly(step), { simplifier: undefined, triangles: 0 });
    if (laid.positions.length === mesh.positions.length) return laid.positions;
  }
  const row = new Map<string, number>();
  const name = (p: Float64Array, v: number): string => `${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`;
  for (let v = 0; v < vertexCount(before); v++) row.set(name(before.positions, v), v);
  const found = new Float64Array(mesh.positions.length);
  for (let v = 0; v < vertexCount(mesh); v++) {
    const old = row.get(name(mesh.positions, v));
    const from = old === undefined ? mesh.positions.subarray(3 * v, 3 * v + 3) : rest.subarray(3 * old, 3 * old + 3);
    found.set(from, 3 * v);
  }
  return found;
}
