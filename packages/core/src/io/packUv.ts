import potpack from 'potpack';
import { adjacency, nextCorner, type PolygonMesh } from '../mesh/index.ts';

/** Of the square's side: room between two stretches, so that no picture bleeds into the next. */
const MARGIN = 1 / 512;

/**
 * Every stretch of surface that hangs together in a place of its own inside one square from 0 to 1, all in one scale.
 */
export function packUv(mesh: PolygonMesh & { uv: Float32Array }): Float32Array {
  const { uv } = mesh;
  const stretch = stretches(mesh);
  const boxes = new Map<number, UvBox>();
  stretch.forEach((s, f) => {
    const box = boxes.get(s) ?? { x: 0, y: 0, w: 0, h: 0, low: [Infinity, Infinity], high: [-Infinity, -Infinity] };
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++)
      for (const k of [0, 1]) {
        box.low[k] = Math.min(box.low[k], uv[2 * c + k]);
        box.high[k] = Math.max(box.high[k], uv[2 * c + k]);
      }
    boxes.set(s, box);
  });
  const all = [...boxes.values()];
  const size = ({ low, high }: UvBox, k: 0 | 1): number => high[k] - low[k];
  const room = MARGIN * Math.sqrt(all.reduce((sum, box) => sum + size(box, 0) * size(box, 1), 0));
  for (const box of all) [box.w, box.h] = [size(box, 0) + room, size(box, 1) + room];
  const { w, h } = potpack(all);
  const scale = 1 / Math.max(w, h, Number.MIN_VALUE);
  const packed = new Float32Array(uv.length);
  stretch.forEach((s, f) => {
    const { x, y, low } = boxes.get(s) as UvBox;
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      packed[2 * c] = (uv[2 * c] - low[0] + x + room / 2) * scale;
      packed[2 * c + 1] = (uv[2 * c + 1] - low[1] + y + room / 2) * scale;
    }
  });
  return packed;
}

interface UvBox {
  x: number;
  y: number;
  w: number;
  h: number;
  low: number[];
  high: number[];
}

/**
 * Per face the first face of its stretch: faces hang together across edges that shade smoothly and have the same
 * texture coordinates on both sides.
 */
function stretches(mesh: PolygonMesh & { uv: Float32Array }): Uint32Array {
  const { twin, face } = adjacency(mesh);
  const { uv, sharp } = mesh;
  const owner = Uint32Array.from(mesh.region, (_, f) => f);
  const find = (f: number): number => {
    while (owner[f] !== f) f = owner[f] = owner[owner[f]];
    return f;
  };
  const same = (c: number, d: number): boolean => uv[2 * c] === uv[2 * d] && uv[2 * c + 1] === uv[2 * d + 1];
  for (let c = 0; c < twin.length; c++) {
    const d = twin[c];
    if (d < c || sharp[c]) continue;
    if (!same(c, nextCorner(mesh, face[d], d)) || !same(nextCorner(mesh, face[c], c), d)) continue;
    const [a, b] = [find(face[c]), find(face[d])];
    owner[Math.max(a, b)] = Math.min(a, b);
  }
  return owner.map((_, f) => find(f));
}
