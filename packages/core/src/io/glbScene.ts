import type { MeshFault } from '../base/index.ts';
import type { GltfJson, GltfNode } from './glbBounds.ts';
import { levelNamed, type Level } from './levels.ts';
import { coarserOf } from './linkedLevels.ts';

/** Column after column, as glTF writes matrices. */
export type Matrix4 = readonly number[];

/** A mesh as it stands in the scene. */
export interface PlacedNode {
  mesh: number;
  name: string;
  world: Matrix4;
  /** where its node, or one above it, is a level of detail */
  level?: Level;
}

const STILL: Matrix4 = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1];

/**
 * The meshes of the scene that is shown, with their places (glTF 2.0, 3.5): nodes outside of it are not part of it,
 * unless they stand for one of it farther away. Where the file names no scene, all its trees are taken. Nodes form
 * trees: one with two parents, or its own ancestor, is a fault.
 */
export function placedMeshes({ nodes = [], meshes = [], scenes = [], scene }: GltfJson): PlacedNode[] | MeshFault {
  const parents = new Uint8Array(nodes.length);
  for (const node of nodes) for (const child of node.children ?? []) if (++parents[child] > 1) return 'nodes';
  const shown = scenes[scene ?? 0];
  const roots = shown ? (shown.nodes ?? []) : [...nodes.keys()].filter((i) => parents[i] === 0);
  if (new Set(roots).size !== roots.length || roots.some((i) => parents[i] > 0)) return 'nodes';
  const placed: PlacedNode[] = [];
  // each has one parent at most, so a walk from a root meets none twice; what only circles is reached by none
  const stack: NodeVisit[] = roots.map((i) => ({ i, world: STILL })).reverse();
  const linked = new Set<number>();
  while (stack.length > 0) {
    const { i, world: outer, level: above } = stack.pop() as NodeVisit;
    const node = nodes[i];
    const coarser = coarserOf(node).filter(
      (other) => parents[other] === 0 && !roots.includes(other) && !linked.has(other),
    );
    for (const other of coarser) linked.add(other);
    const level =
      above ?? levelNamed(node.name ?? '') ?? (coarser.length > 0 ? { of: `node ${i}`, level: 0 } : undefined);
    if (level)
      coarser.forEach((other, at) => stack.push({ i: other, world: outer, level: { of: level.of, level: at + 1 } }));
    // copies that only an extension knows of would be missing
    if (node.extensions?.EXT_mesh_gpu_instancing !== undefined) return 'extension';
    const world = product(outer, matrixOf(node));
    if (node.mesh !== undefined) {
      if (node.skin !== undefined || isBent(node.weights ?? meshes[node.mesh].weights)) return 'posed';
      placed.push({ mesh: node.mesh, name: node.name ?? '', world, level });
    }
    for (const child of (node.children ?? []).toReversed()) stack.push({ i: child, world, level });
  }
  return hasCircle(parents, nodes) ? 'nodes' : placed;
}

/** A node on its way, in the place of what is above it. */
interface NodeVisit {
  i: number;
  world: Matrix4;
  level?: Level;
}

/** Targets are mixed in at rest: what stands there is not what the points say. */
const isBent = (weights: readonly number[] | undefined): boolean => (weights ?? []).some((weight) => weight !== 0);

/** Nodes that nothing without a parent leads to hang in a circle. */
function hasCircle(parents: Uint8Array, nodes: readonly GltfNode[]): boolean {
  const stack = [...nodes.keys()].filter((i) => parents[i] === 0);
  let met = 0;
  while (stack.length > 0) {
    met++;
    stack.push(...(nodes[stack.pop() as number].children ?? []));
  }
  return met < nodes.length;
}

function matrixOf({ matrix, translation, rotation, scale }: GltfNode): Matrix4 {
  if (matrix) return matrix;
  const [x, y, z, w] = rotation ?? [0, 0, 0, 1];
  const [sx, sy, sz] = scale ?? [1, 1, 1];
  const [tx, ty, tz] = translation ?? [0, 0, 0];
  return [
    (1 - 2 * (y * y + z * z)) * sx,
    2 * (x * y + w * z) * sx,
    2 * (x * z - w * y) * sx,
    0,
    2 * (x * y - w * z) * sy,
    (1 - 2 * (x * x + z * z)) * sy,
    2 * (y * z + w * x) * sy,
    0,
    2 * (x * z + w * y) * sz,
    2 * (y * z - w * x) * sz,
    (1 - 2 * (x * x + y * y)) * sz,
    0,
    tx,
    ty,
    tz,
    1,
  ];
}

/** First b, then a. */
function product(a: Matrix4, b: Matrix4): Matrix4 {
  const out: number[] = [];
  for (let column = 0; column < 4; column++)
    for (let row = 0; row < 4; row++) {
      let sum = 0;
      for (let k = 0; k < 4; k++) sum += a[4 * k + row] * b[4 * column + k];
      out.push(sum);
    }
  return out;
}
