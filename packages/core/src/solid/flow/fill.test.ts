import { fillBlock } from './fillBlock.ts';
import { generalFill } from './generalFill.ts';
import { pairTriangles } from './pairTriangles.ts';
import { evenness, scaledJacobian, worstJacobian, type FlowPatch } from './patch.ts';
import { smooth } from './smooth.ts';
import { fillByCorners, fillDisc, longCore } from './templates.ts';

/** A polygon's sides cut into so many edges each. */
function cutPolygon(corners: readonly (readonly [number, number])[], counts: readonly number[]) {
  const [x, y]: number[][] = [[], []];
  const at: number[] = [];
  corners.forEach(([ax, ay], i) => {
    const [bx, by] = corners[(i + 1) % corners.length];
    at.push(x.length);
    for (let k = 0; k < counts[i]; k++) {
      x.push(ax + ((bx - ax) * k) / counts[i]);
      y.push(ay + ((by - ay) * k) / counts[i]);
    }
  });
  return { loop: { x, y }, corners: at };
}

const regular = (n: number): [number, number][] =>
  Array.from({ length: n }, (_, i) => [Math.cos((2 * Math.PI * i) / n), Math.sin((2 * Math.PI * i) / n)]);

const quadCount = (patch: FlowPatch | undefined): number => (patch ? patch.quads.length / 4 : 0);

/** Doubled area of all quads; of a loop the same, so that overlaps and gaps show. */
function areaOf({ x, y, quads }: FlowPatch): number {
  let sum = 0;
  for (let q = 0; q < quads.length; q += 4) {
    const [a, b, c, d] = [quads[q], quads[q + 1], quads[q + 2], quads[q + 3]];
    sum += (x[c] - x[a]) * (y[d] - y[b]) - (y[c] - y[a]) * (x[d] - x[b]);
  }
  return sum;
}
const loopArea = ({ x, y }: { x: readonly number[]; y: readonly number[] }): number =>
  x.reduce((sum, ax, i) => sum + ax * y[(i + 1) % x.length] - x[(i + 1) % x.length] * y[i], 0);

/** Inner points where not four quads meet. */
function irregular({ fixed, quads }: FlowPatch): number[] {
  const meets = new Map<number, number>();
  for (const p of quads) if (p >= fixed) meets.set(p, (meets.get(p) ?? 0) + 1);
  return [...meets.values()].filter((count) => count !== 4);
}

describe('templates', () => {
  test('four sides: rows and columns', () => {
    const { loop, corners } = cutPolygon(
      [
        [0, 0],
        [4, 0],
        [4, 2],
        [0, 2],
      ],
      [4, 2, 4, 2],
    );
    const patch = fillByCorners(loop, corners) as FlowPatch;
    expect(quadCount(patch)).toBe(8);
    expect(irregular(patch)).toEqual([]);
    expect(worstJacobian(patch)).toBeCloseTo(1, 12);
    expect(evenness(patch)).toBeCloseTo(1, 12);
  });

  test('four sides of different counts have no such filling', () => {
    const { loop, corners } = cutPolygon(
      [
        [0, 0],
        [4, 0],
        [4, 2],
        [0, 2],
      ],
      [4, 2, 6, 2],
    );
    expect(fillByCorners(loop, corners)).toBeUndefined();
  });

  test.each([
    [3, [4, 4, 4], 12, [3]],
    [5, [2, 2, 2, 2, 2], 5, [5]],
    [6, [2, 2, 2, 2, 2, 2], 6, [6]],
    [3, [4, 6, 6], 20, [3]],
  ])('%i sides %j: %i quads round one point', (n, counts, quads, points) => {
    const { loop, corners } = cutPolygon(regular(n), counts);
    const patch = fillByCorners(loop, corners) as FlowPatch;
    expect(quadCount(patch)).toBe(quads);
    expect(irregular(patch)).toEqual(points);
    expect(areaOf(patch)).toBeCloseTo(loopArea(loop), 10);
    expect(worstJacobian(patch)).toBeGreaterThan(0.3);
  });

  test.each([[[4, 4, 4, 6].slice(0, 3).map((c, i) => c + (i === 2 ? 1 : 0))], [[2, 2, 8]]])(
    '%j: no whole spokes, or none left',
    (counts) => {
      const { loop, corners } = cutPolygon(regular(3), counts);
      expect(fillByCorners(loop, corners)).toBeUndefined();
    },
  );

  test('a half disc: a row along the arc and a core', () => {
    const arc = Array.from({ length: 9 }, (_, i): [number, number] => [
      Math.cos((Math.PI * i) / 9),
      Math.sin((Math.PI * i) / 9),
    ]);
    const base = Array.from({ length: 5 }, (_, i): [number, number] => [-1 + (2 * i) / 5, 0]);
    const points = [...base, ...arc];
    const loop = { x: points.map(([x]) => x), y: points.map(([, y]) => y) };
    const patch = fillByCorners(loop, [0, 5]) as FlowPatch;
    expect(areaOf(patch)).toBeCloseTo(loopArea(loop), 10);
    expect(irregular(patch)).toHaveLength(2);
  });

  test('the core of a long disc is as long as it', () => {
    const side = Array.from({ length: 20 }, (_, i) => i + 0.5);
    const end = [
      [20.4, 0.3],
      [20.7, 1],
      [20.7, 2],
      [20.4, 2.7],
    ];
    const points = [
      ...side.map((x) => [x, 0]),
      ...end,
      ...side.map((_, i) => [19.5 - i, 3]),
      ...end.map(([x, y]) => [20 - x, 3 - y]),
    ];
    const core = longCore({ x: points.map(([x]) => x), y: points.map(([, y]) => y) });
    expect(core.wide).toBeGreaterThanOrEqual(19);
    expect(core.wide).toBeLessThanOrEqual(22);
    const patch = fillDisc({ x: points.map(([x]) => x), y: points.map(([, y]) => y) }, core) as FlowPatch;
    smooth(patch, 10);
    expect(worstJacobian(patch)).toBeGreaterThan(0.5);
  });

  test('a disc: a row and a core with four points of three', () => {
    const points = regular(16);
    const loop = { x: points.map(([x]) => x), y: points.map(([, y]) => y) };
    const patch = fillDisc(loop, { shift: 0, wide: Math.round(loop.x.length / 4) }) as FlowPatch;
    expect(quadCount(patch)).toBe(32);
    smooth(patch, 10);
    expect(irregular(patch)).toEqual([3, 3, 3, 3]);
    expect(worstJacobian(patch)).toBeGreaterThan(0.5);
  });
});

describe('general filling', () => {
  test('quads alone, the same area, boundary points kept', () => {
    const { loop } = cutPolygon(
      [
        [0, 0],
        [9, 0],
        [9, 3],
        [4, 3],
        [4, 8],
        [0, 8],
      ],
      [10, 4, 6, 6, 4, 8],
    );
    const patch = generalFill({ ...loop, start: [0, loop.x.length] }) as FlowPatch;
    smooth(patch, 6);
    expect(patch.fixed).toBe(loop.x.length);
    expect(areaOf(patch)).toBeCloseTo(loopArea(loop), 9);
    expect(worstJacobian(patch)).toBeGreaterThan(0.2);
    expect(new Set(patch.quads.filter((p) => p < patch.fixed)).size).toBe(loop.x.length);
  });

  test('with a hole', () => {
    const outer = cutPolygon(
      [
        [0, 0],
        [12, 0],
        [12, 12],
        [0, 12],
      ],
      [8, 8, 8, 8],
    ).loop;
    const inner = cutPolygon(
      [
        [4, 4],
        [4, 8],
        [8, 8],
        [8, 4],
      ],
      [4, 4, 4, 4],
    ).loop;
    const loops = {
      x: [...outer.x, ...inner.x],
      y: [...outer.y, ...inner.y],
      start: [0, outer.x.length, outer.x.length + inner.x.length],
    };
    const patch = generalFill(loops) as FlowPatch;
    expect(areaOf(patch)).toBeCloseTo(2 * (144 - 16), 8);
  });

  test('an odd loop can not be filled with quads alone', () => {
    const { loop } = cutPolygon(regular(5), [2, 2, 2, 2, 3]);
    expect(generalFill({ ...loop, start: [0, loop.x.length] })).toBeUndefined();
  });

  test('a block takes the corners it is given first', () => {
    const { loop, corners } = cutPolygon(
      [
        [0, 0],
        [4, 0],
        [4, 2],
        [0, 2],
      ],
      [4, 2, 4, 2],
    );
    expect(quadCount(fillBlock(loop, corners))).toBe(8);
    expect(quadCount(fillBlock(loop, []))).toBe(8);
  });
});

describe('pairs of triangles', () => {
  const x = [0, 1, 2, 0, 1, 2];
  const y = [0, 0, 0, 1, 1, 1];
  const strip = [0, 1, 4, 0, 4, 3, 1, 2, 5, 1, 5, 4];

  test('a strip becomes squares', () => {
    const faces = pairTriangles(x, y, strip, 0.3);
    expect(faces.map((face) => face.length)).toEqual([4, 4]);
    expect(scaledJacobian(x, y, faces[0], 0)).toBeCloseTo(1, 12);
  });

  test('an odd one is left over', () => {
    expect(
      pairTriangles(x, y, strip.slice(0, 9), 0.3)
        .map((face) => face.length)
        .sort(),
    ).toEqual([3, 4]);
  });

  test('pairs are exchanged so that two more triangles find a partner', () => {
    // the best single pair, in the middle, would leave both ends alone
    const px = [0, 1, 1, 2, 2, 3];
    const py = [0.2, 0, 1, 0, 1, 0.8];
    const faces = pairTriangles(px, py, [0, 1, 2, 1, 3, 2, 3, 4, 2, 3, 5, 4], 0.05);
    expect(faces.map((face) => face.length)).toEqual([4, 4]);
  });
});

describe('smoothing', () => {
  test('brings a displaced point back and never makes the worst worse', () => {
    const { loop, corners } = cutPolygon(
      [
        [0, 0],
        [4, 0],
        [4, 4],
        [0, 4],
      ],
      [4, 4, 4, 4],
    );
    const patch = fillByCorners(loop, corners) as FlowPatch;
    patch.x[patch.fixed] += 0.6;
    const before = worstJacobian(patch);
    smooth(patch, 20);
    expect(worstJacobian(patch)).toBeGreaterThan(Math.max(before, 0.95));
  });
});
