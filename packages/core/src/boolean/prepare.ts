import type { Carver } from '../base/index.ts';
import { boxOfPoints, diagonalOf, middleOfBox, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { bringIn, type Fault } from './bringIn.ts';
import { Held, type KernelSolid } from './kernel.ts';
import { sourceOf, type CutSource } from './source.ts';

/** A body in the kernel's memory, ready to be cut as often as words or places change. Whoever has it made frees it. */
export interface Prepared {
  source: CutSource;
  /** the kernel's space: about the middle of the body's box, mm */
  frame: { origin: Vec3; diagonal: number };
  solid: KernelSolid;
  /** shells that are no hollows */
  parts: number;
  free(): void;
}

export function prepare(carver: Carver, mesh: PolygonMesh): Prepared | Fault {
  const held = new Held();
  const box = boxOfPoints(mesh.positions);
  const frame = { origin: middleOfBox(box), diagonal: diagonalOf(box) };
  const source = sourceOf(carver, mesh, frame);
  const solid = bringIn(carver, source, held);
  const why = 'why' in solid ? solid.why : solid.volume() < 0 ? 'inward' : undefined;
  if ('why' in solid || why) {
    held.free();
    return { why: why ?? 'open' };
  }
  return { source, frame, ...oneSolid(carver, solid, held), free: () => held.free() };
}

/** Of a volume: what rounding makes of it. */
const SAME = 1e-9;

/** Shells that overlap, in a mesh of several, become one; hollows stay. */
function oneSolid(carver: Carver, solid: KernelSolid, held: Held): { solid: KernelSolid; parts: number } {
  const shells = solid.decompose().map((part) => held.keep(part));
  const parts = shells.filter((part) => part.volume() > 0).length;
  if (shells.length < 2 || parts < shells.length) return { solid, parts };
  const union = held.keep(carver.Manifold.union(shells));
  return { solid: Math.abs(union.volume() - solid.volume()) > SAME * solid.volume() ? union : solid, parts };
}
