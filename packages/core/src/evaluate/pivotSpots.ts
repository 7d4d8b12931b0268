import { isWords, type Piece } from '../document/index.ts';
import { clustersBox, letterBox, type BuiltCluster } from '../lettering/index.ts';
import { isEmptyBox, type Box3, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Evaluated } from './evaluated.ts';

/** Places of a piece that may become its pivot, in its own space, mm. */
export interface PivotSpots {
  /** around it; undefined: there is nothing of it */
  box: Box3 | undefined;
  /** around its letters, by their ids */
  letters: { id: number; text: string; box: Box3 }[];
  /** corners of the outlines of letters that were asked for, on their fronts */
  corners: { id: number; at: Vec3 }[];
}

/** More corners of outlines would hide each other. */
const MOST_CORNERS = 600;

/** Letters beyond are reached by none but the numbers. */
const MOST_LETTERS = 300;

/** `closely`: ids of letters whose corners are asked for. */
export function pivotSpots(piece: Piece, evaluated: Evaluated, closely: readonly number[]): PivotSpots {
  const { clusters, letters } = evaluated;
  const box = clustersBox(clusters);
  if (isEmptyBox(box)) return { box: undefined, letters: [], corners: [] };
  if (!isWords(piece)) return { box, letters: [], corners: [] };
  const boxes = letters
    .slice(0, MOST_LETTERS)
    .map(({ id, text }, i) => ({ id, text, box: letterBox(clusters, i) }))
    .filter((one) => !isEmptyBox(one.box));
  const corners = letters.flatMap(({ id }, i) =>
    closely.includes(id) ? frontCorners(clusters, i).map((at) => ({ id, at })) : [],
  );
  return { box, letters: boxes, corners: corners.length > MOST_CORNERS ? [] : corners };
}

/** Where the border of a letter's front turns sharply. */
function frontCorners(clusters: readonly BuiltCluster[], letter: number): Vec3[] {
  return clusters.flatMap(({ mesh, letters, x, y, z }) => {
    const own = letters.indexOf(letter);
    if (own < 0) return [];
    const next = frontBorder(mesh, own);
    return [...next].flatMap(([v, after]): Vec3[] => {
      const [a, b] = [placeOf(mesh, v), placeOf(mesh, after)];
      const c = placeOf(mesh, next.get(after) ?? v);
      return turnsSharply(a, b, c) ? [[b[0] + x, b[1] + y, b[2] + z]] : [];
    });
  });
}

/** By each vertex of the border of a letter's front faces, the one after it. */
function frontBorder(mesh: PolygonMesh, own: number): Map<number, number> {
  const { faceStart, faceVertices, region, regions } = mesh;
  const ways = new Set<string>();
  const edges: [number, number][] = [];
  for (let f = 0; f < region.length; f++) {
    const { part, letter } = regions[region[f]];
    if (part !== 'front' || letter !== own) continue;
    const [first, end] = [faceStart[f], faceStart[f + 1]];
    for (let c = first; c < end; c++) {
      const edge: [number, number] = [faceVertices[c], faceVertices[c + 1 === end ? first : c + 1]];
      edges.push(edge);
      ways.add(edge.join(' '));
    }
  }
  return new Map(edges.filter(([a, b]) => !ways.has(`${b} ${a}`)));
}

const placeOf = ({ positions: p }: PolygonMesh, v: number): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]];

/** Cosine of 25 degrees: curves are drawn with less. */
const SHARP = 0.906;

function turnsSharply(a: Vec3, b: Vec3, c: Vec3): boolean {
  const into = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const out = [c[0] - b[0], c[1] - b[1], c[2] - b[2]];
  const size = (v: readonly number[]): number => Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  const lengths = size(into) * size(out);
  return lengths > 0 && into[0] * out[0] + into[1] * out[1] + into[2] * out[2] < SHARP * lengths;
}
