import { findCrossings, trianglesWithArea } from '../check/index.ts';
import { keptBy, remark, type Remark } from '../base/index.ts';
import { cutsOf, isLettering, isShown, pieceName, standsOn, type Piece, type Project } from '../document/index.ts';
import type { ScenePart } from '../io/index.ts';
import { assemble, meshBox } from '../lettering/index.ts';
import {
  boxesMeet,
  boxOfPoints,
  EMPTY_BOX,
  isEmptyBox,
  transformPoints,
  type Box3,
  type Transform,
} from '../math/index.ts';
import { faceCorners, faceCount, MeshSink, triangulate, type PolygonMesh } from '../mesh/index.ts';

/** A piece as it stands among others. */
export interface StandingPart {
  piece: Piece;
  part: Pick<ScenePart, 'mesh' | 'transform'>;
}

/** Of the smaller piece's height: room that is made between two. */
const ROOM = 0.1;

/**
 * Whether two pieces have nothing to do with each other: neither is laid onto the other, made round it, along its
 * edges, or cut by it.
 */
export function areApart(a: Piece, b: Piece): boolean {
  const asksFor = (piece: Piece): (string | undefined)[] => {
    const { around, edges, onto } = standsOn(piece);
    const cuts = cutsOf(piece).map(({ target }) => target);
    return [around, onto?.targetId, ...edges.map(({ targetId }) => targetId), ...cuts];
  };
  return !asksFor(a).includes(b.id) && !asksFor(b).includes(a.id);
}

/** Letterings besides a piece that it may run into: shown, and apart from it. */
export const neighboursOf = (project: Project, piece: Piece): Piece[] =>
  isLettering(piece)
    ? project.pieceOrder.map((id) => project.pieces[id]).filter((other) => isNeighbour(project, piece, other))
    : [];

const isNeighbour = ({ groups }: Project, piece: Piece, other: Piece): boolean =>
  other.id !== piece.id &&
  isShown({ groups }, other) &&
  other.role === 'seen' &&
  isLettering(other) &&
  areApart(piece, other);

/**
 * What is told where a lettering runs into others as they stand: with whom, and the shortest way aside or up that makes
 * room.
 */
export function meetingRemarks(
  here: StandingPart,
  others: readonly StandingPart[],
  cancelled: () => boolean,
): Remark[] {
  const near = others.filter((there) => boxesMeet(roomOf(here), roomOf(there)));
  const own = near.length > 0 ? standing(here) : undefined;
  return near.flatMap((there) => {
    const other = standing(there);
    if (!own || !other || !boxesMeet(own.box, other.box) || !meet(own, other, cancelled)) return [];
    const [acrossMm, upMm] = wayOut(own.box, other.box);
    return [
      remark('PIECES_CROSS', {
        name: pieceName(here.piece),
        other: pieceName(there.piece),
        otherId: there.piece.id,
        acrossMm,
        upMm,
      }),
    ];
  });
}

/** The same of all pieces of a file, each pair once. `parts`: of the pieces, in their order. */
export function meetingsOf(
  project: Project,
  pieceIds: readonly string[],
  parts: readonly StandingPart['part'][],
): Remark[] {
  const row = pieceIds.map((id, i): StandingPart => ({ piece: project.pieces[id], part: parts[i] }));
  const isNear = (here: StandingPart, there: StandingPart): boolean =>
    boxesMeet(roomOf(here), roomOf(there)) && isNeighbour(project, here.piece, there.piece);
  return row.flatMap((here, i) => {
    const near = isLettering(here.piece) ? row.slice(i + 1).filter((there) => isNear(here, there)) : [];
    return meetingRemarks(here, near, () => false);
  });
}

/** In which it lies: among a thousand pieces few come near each other. */
const roomOf = keptBy(({ part: { mesh, transform } }: StandingPart): Box3 => boxOfBox(transform, meshBox(mesh)));

/** Around a box that is moved. */
function boxOfBox(transform: Transform, { low, high }: Box3): Box3 {
  if (isEmptyBox({ low, high })) return EMPTY_BOX;
  const corners = Array.from({ length: 8 }, (_, i) => [0, 1, 2].map((k) => ((i >> k) & 1 ? high[k] : low[k])));
  return boxOfPoints(transformPoints(transform, Float64Array.from(corners.flat())));
}

interface StandingPiece {
  mesh: PolygonMesh;
  box: Box3;
}

function standing({ part: { mesh, transform } }: StandingPart): StandingPiece | undefined {
  if (faceCount(mesh) === 0) return undefined;
  const positions = transformPoints(transform, mesh.positions);
  return { mesh: { ...mesh, positions }, box: boxOfPoints(positions) };
}

/** Whether faces of one cross faces of the other. */
function meet(a: StandingPiece, b: StandingPiece, cancelled: () => boolean): boolean {
  const [first, second] = [within(a, b.box), within(b, a.box)];
  const mesh = assemble([first, second].map((one) => ({ key: '', mesh: one, x: 0, y: 0, z: 0, letters: [] })));
  const triangles = triangulate(mesh);
  const border = faceCount(first);
  const across = (f: number, g: number): boolean => f < border !== g < border;
  return findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), { limit: 1, cancelled, across }).pairs > 0;
}

/** The faces whose own boxes reach into another. */
function within({ mesh }: StandingPiece, { low, high }: Box3): PolygonMesh {
  const rows = new MeshSink(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const at = faceCorners(mesh, f).map((c) => 3 * mesh.faceVertices[c]);
    const reaches = [0, 1, 2].every((k) => {
      const values = at.map((v) => mesh.positions[v + k]);
      return Math.min(...values) <= high[k] && Math.max(...values) >= low[k];
    });
    if (reaches) rows.keep(f);
  }
  return rows.finish();
}

/** The shortest move aside or up after which two boxes have room between them, mm. */
function wayOut(own: Box3, other: Box3): [number, number] {
  const room = ROOM * Math.min(own.high[1] - own.low[1], other.high[1] - other.low[1]);
  const ways = [0, 1].flatMap((k): [number, number][] =>
    [other.high[k] - own.low[k] + room, other.low[k] - own.high[k] - room].map((by) => (k === 0 ? [by, 0] : [0, by])),
  );
  const size = ([x, y]: readonly [number, number]): number => Math.abs(x) + Math.abs(y);
  return ways.reduce((least, way) => (size(way) < size(least) ? way : least));
}
