import { seededRandom } from '../base/index.ts';
import { formMesh } from '../form/index.ts';
import type { FormShape } from '../document/index.ts';
import { flatRoom } from './flatRoom.ts';
import { roomIn, type BorderEdge } from './roomIn.ts';
import { Target } from './target.ts';

const ring = (points: readonly [number, number][]): BorderEdge[] =>
  points.map(([x, y], i) => [x, y, ...points[(i + 1) % points.length]]);

describe('the largest square inside a border', () => {
  test('of a rectangle, an L, and beside a hole', () => {
    expect(
      roomIn(
        ring([
          [0, 0],
          [8, 0],
          [8, 4],
          [0, 4],
        ]),
      )?.reach,
    ).toBeCloseTo(2, 2);
    const bent = roomIn(
      ring([
        [0, 0],
        [9, 0],
        [9, 2],
        [3, 2],
        [3, 9],
        [0, 9],
      ]),
    );
    expect(bent?.reach).toBeCloseTo(1.5, 2);
    const holed = roomIn([
      ...ring([
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ]),
      ...ring([
        [3, 3],
        [3, 5],
        [5, 5],
        [5, 3],
      ]),
    ]);
    expect(holed?.reach).toBeCloseTo(2.5, 2);
    expect(roomIn([])).toBeUndefined();
  });

  test('no place tried by chance has more', () => {
    const random = seededRandom(11);
    const star = ring(
      Array.from({ length: 40 }, (_, i) => {
        const [far, angle] = [20 + 60 * random(), (i * Math.PI) / 20];
        return [far * Math.cos(angle), far * Math.sin(angle)] as [number, number];
      }),
    );
    const best = roomIn(star)?.reach ?? 0;
    const holds = (x: number, y: number, r: number): boolean =>
      star.every(([ax, ay, bx, by]) =>
        Array.from({ length: 40 }, (_, i) => i / 40).every(
          (t) => Math.max(Math.abs(ax + t * (bx - ax) - x), Math.abs(ay + t * (by - ay) - y)) >= r,
        ),
      );
    const inside = (x: number, y: number): boolean =>
      star.filter(([ax, ay, bx, by]) => ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax).length % 2 ===
      1;
    for (let i = 0; i < 300; i++) {
      const [x, y] = [80 * (random() - 0.5), 80 * (random() - 0.5)];
      if (inside(x, y)) expect(holds(x, y, best * 1.02)).toBe(false);
    }
  });
});

const slab: FormShape = {
  kind: 'block',
  widthMm: 120,
  heightMm: 60,
  depthMm: 20,
  edge: 'round',
  edgeMm: 5,
  taperPercent: 0,
} as FormShape;
const hold = { from: [30, 10, 100], toward: [0, 0, -1], up: [0, 1, 0], turnDegrees: 0 } as const;

test('words find the most room in the flat of a slab, none on a ball', () => {
  const target = new Target(formMesh(slab, 0.05));
  const room = flatRoom(
    target,
    { ...hold, from: [...hold.from], toward: [...hold.toward], up: [...hold.up] },
    { wide: 55, tall: 20, toleranceMm: 1e-3 },
  );
  expect(room?.scale).toBeCloseTo(2, 1);
  expect(room?.at).toEqual([expect.closeTo(0, 0), expect.closeTo(30, 0), expect.closeTo(10, 6)]);
  const ball = new Target(formMesh({ kind: 'ball', radiusMm: 50 }, 0.05));
  const on = flatRoom(
    ball,
    { ...hold, from: [0, 50, 200], toward: [0, 0, -1], up: [0, 1, 0] },
    { wide: 55, tall: 20, toleranceMm: 0.05 },
  );
  expect((on?.scale ?? 0) < 0.2).toBe(true);
});
