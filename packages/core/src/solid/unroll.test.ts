import { faceAreaVectors, faceCount, type Part, type PolygonMesh } from '../mesh/index.ts';
import { outlineOf, shippedFaces } from '../testing/faces.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm } from '../testing/solids.ts';
import type { UsualEdge } from './index.ts';

const ROUND: UsualEdge = { kind: 'round', inMm: 2, deepMm: 2, steps: 3 };
const PLAIN: UsualEdge = { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 };

/** Doubled area in texture space; negative where the picture would be mirrored. */
function uvArea({ faceStart, uv = new Float32Array() }: PolygonMesh, f: number): number {
  let sum = 0;
  for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
    const d = c + 1 < faceStart[f + 1] ? c + 1 : faceStart[f];
    sum += uv[2 * c] * uv[2 * d + 1] - uv[2 * d] * uv[2 * c + 1];
  }
  return sum;
}

test('a slab with chamfers is unrolled as it would be cut out of paper', () => {
  const chamfer: UsualEdge = { kind: 'chamfer', inMm: 1, deepMm: 1, steps: 1 };
  const slab = formed(
    outlineOfRings(rectangle(0, 0, mm(10), mm(6))),
    { depthMm: 4, front: chamfer, back: PLAIN },
    mm(10),
  );
  const { positions: p, faceStart, faceVertices, uv = new Float32Array() } = slab;
  const laid = (part: string): string[] =>
    Array.from({ length: faceCount(slab) }, (_, f) => f)
      .filter((f) => slab.regions[slab.region[f]].part === part && p[3 * faceVertices[faceStart[f]] + 1] < 1.5)
      .flatMap((f) => Array.from({ length: faceStart[f + 1] - faceStart[f] }, (_, k) => faceStart[f] + k))
      .filter((c) => [0, 1].includes(p[3 * faceVertices[c] + 1]))
      .map((c) => `${uv[2 * c]} ${Math.round(1000 * uv[2 * c + 1])}`);
  const slope = 3000 + Math.round(1000 * Math.SQRT2);
  // ends of the ring belong to the sides beside it, too
  expect(laid('outerWall')).toEqual(expect.arrayContaining(['0 0', '10 0', '10 3000', '0 3000']));
  expect(laid('frontEdge')).toEqual(expect.arrayContaining(['0 3000', '10 3000', `9 ${slope}`, `1 ${slope}`]));
  expect(laid('front')).toEqual(expect.arrayContaining(['1 1000', '9 1000']));
  expect(laid('back')).toEqual(expect.arrayContaining(['0 0', '-10 0']));
});

test('areas of letters stay what they are, and nothing is mirrored that can be seen', async () => {
  for (const face of await shippedFaces()) {
    for (const character of 'AaBgs&8') {
      const { outline } = outlineOf(face, character);
      const mesh = formed(outline, { depthMm: 18, front: ROUND, back: PLAIN }, mm(110));
      const areas = faceAreaVectors(mesh);
      const sums: Partial<Record<Part, { flat: number; real: number; mirrored: number }>> = {};
      for (let f = 0; f < faceCount(mesh); f++) {
        const sum = (sums[mesh.regions[mesh.region[f]].part] ??= { flat: 0, real: 0, mirrored: 0 });
        const flat = uvArea(mesh, f) / 2;
        sum.flat += flat;
        sum.real += Math.hypot(...areas.subarray(3 * f, 3 * f + 3));
        if (flat < 0) sum.mirrored -= flat;
      }
      for (const [part, { flat, real, mirrored }] of Object.entries(sums)) {
        expect(Math.abs(flat / real - 1)).toBeLessThan(part === 'frontEdge' ? 0.05 : 1e-5);
        expect(mirrored / real).toBeLessThan(1e-3);
      }
    }
  }
});
