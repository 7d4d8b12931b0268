import type { Carver } from '../base/index.ts';
import { patchUnder, prepare, putBack, type BodySurface, type Fault, type Prepared } from '../boolean/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

/** Bodies of fewer faces are cut as a whole: looking for the part that is met would take as long. */
export const CUT_NEARBY_FROM = 20_000;

interface Nearby<C> {
  cutters: readonly PolygonMesh[];
  carver: Carver;
  cut(body: Prepared): C | Fault;
}

/**
 * Only the part of a body that something cuts, as a solid of its own, then put back in its place. Undefined where the
 * body can't be taken apart there, or that part can't be cut for reasons that need not be those of the whole.
 */
export function cutNearby<C extends { mesh: PolygonMesh }>(
  surface: BodySurface,
  { cutters, carver, cut }: Nearby<C>,
): C | Fault | undefined {
  const patch = patchUnder(surface, cutters);
  const body = patch && prepare(carver, patch.solid);
  if (!patch || !body || 'why' in body) return undefined;
  const done = cut(body);
  body.free();
  if (!('mesh' in done)) return done.why === 'crossed' ? done : undefined;
  const mesh = putBack(surface, patch, done.mesh);
  return mesh && { ...done, mesh };
}
