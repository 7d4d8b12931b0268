import type { TextureInfo } from '@gltf-transform/core';
import type { Transform } from '@gltf-transform/extensions';
import { cos, sin } from '../math/index.ts';

/** By what texture coordinates a picture lies: which of a vertex's pairs, and how they are moved before use. */
export interface PaintGround {
  set: number;
  /** rows of a 2 x 3 matrix */
  rows: [number, number, number, number, number, number];
}

/** The extension KHR_texture_transform, as the library names it. */
const MOVED = 'KHR_texture_transform';

/** Of a texture as its material uses it: offset, turn and scale as in KHR_texture_transform, in that order. */
export function paintGroundOf(info: TextureInfo | null): PaintGround {
  const moved = info?.getExtension<Transform>(MOVED);
  const set = moved?.getTexCoord() ?? info?.getTexCoord() ?? 0;
  if (!moved) return { set, rows: [1, 0, 0, 0, 1, 0] };
  const [[x, y], [sx, sy], turn] = [moved.getOffset(), moved.getScale(), moved.getRotation()];
  const [c, s] = [cos(turn), sin(turn)];
  return { set, rows: [c * sx, s * sy, x, -s * sx, c * sy, y] };
}

export const sameGround = (a: PaintGround, b: PaintGround): boolean =>
  a.set === b.set && a.rows.every((value, i) => value === b.rows[i]);

/** A corner's pair in the file -> ours, which counts from the bottom. */
export const onGround = ([u, v]: readonly number[], { rows: r }: PaintGround): [number, number] => [
  r[0] * u + r[1] * v + r[2],
  1 - (r[3] * u + r[4] * v + r[5]),
];
