import { loadKernels } from '@fictile/kernels';
import type { Carver } from '../base/index.ts';
import { bodySurface, carve, type BodySurface, type Carved, type Fault } from '../boolean/index.ts';
import { checkMesh } from '../check/index.ts';
import { formMesh } from '../form/index.ts';
import type { Vec3 } from '../math/index.ts';
import { faceCount } from '../mesh/index.ts';
import { box, moved } from '../testing/bodies.ts';
import { cutNearby } from './cutNearby.ts';

let carver: Carver;
beforeAll(async () => {
  carver = await (await loadKernels()).loadCarver();
});

const LARGE = formMesh({ kind: 'ball', radiusMm: 60 }, 0.1);
const SURFACE = bodySurface(LARGE) as BodySurface;
/** What comes of it, and how many faces each body had that was cut. */
function tried(at: Vec3, fault?: Fault): { done: ReturnType<typeof cutNearby<Carved>>; faces: number[] } {
  const faces: number[] = [];
  const cutters = [moved(box(8, 8, 8), at)];
  const done = cutNearby<Carved>(SURFACE, {
    carver,
    cutters,
    cut: (body) => {
      faces.push(faceCount(body.source.mesh));
      return (
        fault ??
        carve(carver, body, {
          cutters,
          operation: 'subtract',
          dropsLoose: false,
          cleanMm: 0,
          regionOf: (_, region) => region,
        })
      );
    },
  });
  return { done, faces };
}

test('of a body only the part that is met is cut; all the rest is there again', () => {
  const { done, faces } = tried([0, 56, 58]);
  expect(faces).toHaveLength(1);
  expect(faces[0]).toBeLessThan(faceCount(LARGE) / 4);
  const mesh = (done as Carved).mesh;
  expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
  expect(faceCount(mesh)).toBeGreaterThan(faceCount(LARGE));
});

test('what says nothing of the whole is not cut alone, and its faults are none of the whole’s', () => {
  expect(tried([0, 56, 30])).toEqual({ done: undefined, faces: [] });
  expect(tried([0, 56, 58], { why: 'volume' }).done).toBeUndefined();
  expect(tried([0, 56, 58], { why: 'crossed' }).done).toEqual({ why: 'crossed' });
});
