import type { RunContext } from '../base/index.ts';
import { boxOfPoints, type Box3, type Vec3 } from '../math/index.ts';
import { faceCount, triangleCorners, type PolygonMesh, type TriangleCorners } from '../mesh/index.ts';
import { TriangleTree } from '../surface/index.ts';
import { distances } from './distances.ts';
import { levelSurface } from './levelSurface.ts';
import { nodeGrid, nodesOf, type NodeGrid } from './nodeGrid.ts';
import { insideOf } from './inside.ts';
import { smoothed } from './smoothed.ts';

/** mm */
export interface RecastOptions {
  /** of a cell */
  sizeMm: number;
  /** sheets become so thick at least, and holes up to as wide are closed; 0: only what encloses something is left */
  thickMm: number;
  /** edges are rounded by about so much */
  meltMm: number;
}

/** Of a cell: between two neighbouring nodes a surface lies nearer than half to one of them. */
const WALL = 0.51;
const ROOM = 2;
/** Of the smoothing: it spreads by a root of half its times (variance of 1 2 1 by cells). */
const SPREAD = 2;
const MOST_TIMES = 200;

/** Cells between which a mesh is made anew, and how far from its old surface anything is looked for. */
function gridFor(box: Box3, options: RecastOptions): { grid: NodeGrid; wall: number; band: number } {
  const { sizeMm, thickMm, meltMm } = options;
  const wall = Math.max(WALL * sizeMm, thickMm / 2);
  const band = wall + ROOM * sizeMm + meltMm;
  return { grid: nodeGrid(box, sizeMm, wall + band + sizeMm), wall, band };
}

export interface RecastCost {
  nodes: number;
  bytes: number;
}

/** What a grid around a box takes, before it is made. */
export function recastCost(box: Box3, options: RecastOptions): RecastCost {
  const nodes = nodesOf(gridFor(box, options).grid);
  return { nodes, bytes: BYTES_A_NODE * nodes };
}

/** Distances, and what lies near and inside. */
const BYTES_A_NODE = 4 + 4 + 1 + 1;

/**
 * A mesh made anew from how far places of a grid lie from the old one, whatever that is: open, crossing itself or
 * turned inside out. What can not be reached from outside is inside. Closed, manifold and without crossings by its
 * making. Parts are those of the nearest old face. Undefined when cancelled.
 */
export async function recast(
  mesh: PolygonMesh,
  options: RecastOptions,
  context: RunContext,
): Promise<PolygonMesh | undefined> {
  if (faceCount(mesh) === 0) return mesh;
  const old = triangleCorners(mesh);
  const { grid, wall, band } = gridFor(boxOfPoints(mesh.positions), options);
  const far = await distances(old.places, grid, band, { context });
  if (!far) return undefined;
  const inside = insideOf(far, grid, wall);
  const values = far.map((d, node) => (inside[node] ? -d : d) - options.thickMm / 2);
  const melt = options.meltMm / options.sizeMm;
  const times = Math.min(MOST_TIMES, Math.round(SPREAD * melt * melt));
  return withParts(levelSurface(smoothed(values, grid, times), grid), mesh, old);
}

/** Faces belong to what the nearest old face belongs to. */
function withParts(made: PolygonMesh, from: PolygonMesh, { places, face }: TriangleCorners): PolygonMesh {
  const tree = new TriangleTree(places);
  let hint = -1;
  const region = new Uint32Array(faceCount(made)).map((_, f) => {
    hint = tree.closest(middleOf(made, f), hint)?.triangle ?? 0;
    return from.region[face[hint]];
  });
  return { ...made, region, regions: from.regions };
}

function middleOf({ positions, faceStart, faceVertices }: PolygonMesh, f: number): Vec3 {
  const sum: Vec3 = [0, 0, 0];
  const count = faceStart[f + 1] - faceStart[f];
  for (let c = faceStart[f]; c < faceStart[f + 1]; c++)
    for (let k = 0; k < 3; k++) sum[k] += positions[3 * faceVertices[c] + k] / count;
  return sum;
}
