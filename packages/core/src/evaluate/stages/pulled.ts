import { shared, sharedDoubles, sharedFloats } from '../../base/index.ts';
import type { PolygonMesh } from '../../mesh/index.ts';
import type { Vec3 } from '../../math/index.ts';
import type { PointRows, ShapeChain } from '../../shape/index.ts';
import { displayPoints, pointRows, writeMoved, type DisplayRows, type MovedBuffers } from '../display.ts';
import { chainThere, type ChainAlone } from './chainAlone.ts';

/** What a hand that pulls only moves: a cluster's points, and all that their normals and the renderer's points need. */
export interface PulledRows extends DisplayRows {
  rows: PointRows;
  faces: Pick<PolygonMesh, 'faceStart' | 'faceVertices'>;
  /** heights of the only map's pattern, where it has one, and whether they stand there already */
  heights?: { of: Float64Array; isKnown: boolean };
}

/** Where points and normals are written. */
export interface PulledInto extends MovedBuffers {
  /** three numbers a vertex, mm */
  places: Float64Array;
}

/** Rows of the last exact mesh where all threads see them. */
export function pulledRows(mesh: PolygonMesh, rows: PointRows): PulledRows {
  const { fans, vertex, fan } = pointRows(mesh, displayPoints(mesh));
  const { rest, start, letter, isFront } = rows;
  return {
    rows: {
      ...rows,
      rest: shared(rest),
      ...(start && { start: shared(start) }),
      letter: shared(letter),
      isFront: shared(isFront),
    },
    faces: { faceStart: shared(mesh.faceStart), faceVertices: shared(mesh.faceVertices) },
    fans: { start: shared(fans.start), faces: shared(fans.faces) },
    vertex: shared(vertex),
    fan: fan && shared(fan),
  };
}

export const pulledInto = ({ positions }: PolygonMesh, { vertex }: PulledRows): PulledInto => ({
  places: sharedDoubles(positions.length),
  positions: sharedFloats(3 * vertex.length),
  normals: sharedFloats(3 * vertex.length),
});

/** Moves them, and writes what the renderer takes of them. */
export function movePulled(chain: ShapeChain, pulled: PulledRows, into: PulledInto): void {
  const { rows, faces, heights } = pulled;
  const { places } = into;
  if (heights && !heights.isKnown) fillHeights(chain, rows, heights.of);
  chain.fill(heights ? { ...rows, heights: heights.of } : rows, places);
  writeMoved({ ...faces, positions: places }, pulled, into);
}

function fillHeights({ links: [{ map }] }: ShapeChain, { rest, count }: PointRows, into: Float64Array): void {
  const at: Vec3 = [0, 0, 0];
  for (let v = 0; v < count; v++) {
    for (let k = 0; k < 3; k++) at[k] = rest[3 * v + k];
    into[v] = map.pattern?.height(at) ?? 0;
  }
}

/** The same in another thread; nothing needs to come back but that it is done. */
export interface PullTask {
  chain: ChainAlone;
  pulled: PulledRows;
  into: PulledInto;
}

export function pullThere({ chain, pulled, into }: PullTask): true {
  movePulled(chainThere(chain), pulled, into);
  return true;
}

export const PULLED = 'pulled';
