import type { PolygonMesh } from '../mesh/index.ts';
import { subdivide } from '../refine/index.ts';

/** Every face cut into quads, nothing moved. */
export const subdivided = (mesh: PolygonMesh): PolygonMesh => subdivide(mesh, 'straight');
