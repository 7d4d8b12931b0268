import { seededRandom } from '../../base/index.ts';
import { dissect } from './dissect.ts';
import { EventQueue } from './eventQueue.ts';
import { linkLoops } from './linkLoops.ts';
import type { WaveVertex } from './waveVertex.ts';

const NOBODY = {} as WaveVertex;

test('events come out by time, and by age where times are equal', () => {
  const random = seededRandom(3);
  const queue = new EventQueue();
  const times = Array.from({ length: 500 }, () => Math.floor(random() * 40));
  times.forEach((time, edge) => queue.push({ time, vertex: NOBODY, other: undefined, edge, version: 0 }));
  const wanted = times.map((time, edge) => ({ time, edge })).sort((a, b) => a.time - b.time || a.edge - b.edge);
  for (const { time, edge } of wanted) {
    expect(queue.nextTime).toBe(time);
    expect(queue.pop()).toMatchObject({ time, edge });
  }
  expect(queue.pop()).toBeUndefined();
  expect(queue.nextTime).toBe(Infinity);
});

describe('dissection', () => {
  type Points = (readonly [number, number])[];
  const cut = (points: Points) =>
    dissect(
      points.map(([x]) => x),
      points.map(([, y]) => y),
    );

  function expectPartition(points: Points): number {
    const pieces = cut(points) as number[][];
    const doubled = (loop: Points): number =>
      loop.reduce((sum, [x, y], i) => {
        const [u, v] = loop[(i + 1) % loop.length];
        return sum + x * v - u * y;
      }, 0);
    const areas = pieces.map((piece) => doubled(piece.map((i) => points[i])));
    areas.forEach((area) => expect(area).toBeGreaterThan(0));
    expect(areas.reduce((a, b) => a + b, 0)).toBe(doubled(points));
    return pieces.filter((piece) => piece.length === 4).length;
  }

  test('a rectangle stays one quad; a kite with a straight corner becomes two triangles', () => {
    expect(
      cut([
        [0, 0],
        [9, 0],
        [9, 4],
        [0, 4],
      ]),
    ).toEqual([[0, 1, 2, 3]]);
    expect(
      cut([
        [0, 0],
        [4, 0],
        [8, 0],
        [4, 6],
      ]),
    ).toHaveLength(2);
  });

  test('a strip with points on both sides is cut into quads alone', () => {
    const lower: Points = [0, 10, 20, 30].map((x) => [x, 0] as const);
    const upper: Points = [30, 20, 10, 0].map((x) => [x, 8] as const);
    expect(expectPartition([...lower, ...upper])).toBe(3);
  });

  test.each([
    [
      'no area',
      [
        [0, 0],
        [4, 0],
        [8, 0],
      ],
    ],
    [
      'turned the wrong way',
      [
        [0, 0],
        [0, 4],
        [4, 4],
        [4, 0],
      ],
    ],
    [
      'crossed',
      [
        [0, 0],
        [8, 8],
        [8, 0],
        [0, 8],
      ],
    ],
    [
      'too few corners',
      [
        [0, 0],
        [4, 0],
      ],
    ],
  ] as [string, Points][])('%s: refused', (_, points) => expect(cut(points)).toBeUndefined());

  test('random stars, small and large, are cut without loss', () => {
    const random = seededRandom(17);
    for (const count of [5, 8, 13, 21, 34, 55, 80]) {
      for (let run = 0; run < 6; run++) {
        const points = Array.from({ length: count }, (_, i) => {
          const angle = (2 * Math.PI * (i + 0.4 * random())) / count;
          const radius = 20_000 * (1 + 2 * random());
          return [Math.round(radius * Math.cos(angle)), Math.round(radius * Math.sin(angle))] as const;
        });
        expectPartition(points);
      }
    }
  });
});

describe('loops', () => {
  // a 3 x 3 lattice of nodes, number = x + 3 y
  const x = Float64Array.from([0, 1, 2, 0, 1, 2, 0, 1, 2]);
  const y = Float64Array.from([0, 0, 0, 1, 1, 1, 2, 2, 2]);
  const link = (...segments: [number, number][]): number[][] | undefined =>
    linkLoops(
      segments.map(([a]) => a),
      segments.map(([, b]) => b),
      x,
      y,
    );

  test('segments in any order become a loop', () => {
    expect(link([4, 3], [0, 1], [3, 0], [1, 4])).toEqual([[4, 3, 0, 1]]);
  });

  test('segments that run against each other cancel', () => {
    const loops = link([0, 1], [1, 4], [4, 3], [3, 0], [4, 5], [5, 4]);
    expect(loops).toEqual([[0, 1, 4, 3]]);
  });

  test('loops that touch in a node are parted', () => {
    const loops = link([0, 1], [1, 4], [4, 3], [3, 0], [4, 5], [5, 8], [8, 7], [7, 4]) as number[][];
    expect(loops.map((loop) => [...loop].sort((a, b) => a - b))).toEqual([
      [0, 1, 3, 4],
      [4, 5, 7, 8],
    ]);
  });

  test('an open chain is told', () => expect(link([0, 1], [1, 4], [4, 3])).toBeUndefined());
});
