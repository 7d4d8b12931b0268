import { seededRandom } from '../base/index.ts';
import { formMesh } from '../form/index.ts';
import type { FormShape } from '../document/index.ts';
import { dot, minus, sizeOf, type Box3, type Vec3 } from '../math/index.ts';

import { distortionAt } from './distortion.ts';
import { OntoMap } from './ontoMap.ts';
import { layOnto, type Laying, type LayOptions, type SurfaceMap } from './surfaceMap.ts';
import { Target } from './target.ts';

const upright = (radiusMm: number, heightMm: number): FormShape => ({
  kind: 'turned',
  wallMm: 0,
  knots: [
    { radiusMm, heightMm: 0, smooth: false },
    { radiusMm, heightMm, smooth: false },
  ],
});

const targets = new Map<string, Target>();
function targetOf(form: FormShape, tolerance = 0.005): Target {
  const key = JSON.stringify([form, tolerance]);
  const known = targets.get(key) ?? new Target(formMesh(form, tolerance));
  targets.set(key, known);
  return known;
}

const BOX: Box3 = { low: [-80, -10, 0], high: [80, 10, 4] };
const laying = (method: Laying['method'], from: Vec3, more: Partial<Laying> = {}): Laying => ({
  method,
  hold: { from, toward: [0, 0, -1], up: [0, 1, 0], turnDegrees: 0 },
  guide: 'straight',
  rounds: false,
  ...more,
});

function laid(form: FormShape, how: Laying, options: Partial<LayOptions> = {}): SurfaceMap {
  const map = layOnto(targetOf(form), how, { box: BOX, front: 4, baselines: [], middle: 0, nodes: 2300, ...options });
  if (!map) throw new Error('nothing was met');
  return map;
}

const eachPlace = ({ low, high }: Box3, visit: (x: number, y: number) => void): void => {
  const random = seededRandom(5);
  for (let i = 0; i < 300; i++) visit(low[0] + random() * (high[0] - low[0]), low[1] + random() * (high[1] - low[1]));
};

describe('the tree of triangles', () => {
  const target = targetOf({ kind: 'ball', radiusMm: 50 });
  const random = seededRandom(3);
  const place = (): Vec3 => [0, 0, 0].map(() => (random() - 0.5) * 200) as Vec3;

  test('finds the closest place, with a hint or without', () => {
    for (let i = 0; i < 300; i++) {
      const p = place();
      const found = target.closest(p);
      const far = Math.abs(sizeOf([p[0], p[1] - 50, p[2]]) - 50);
      expect(Math.sqrt(found.far)).toBeCloseTo(far, 1);
      expect(target.closest(p, Math.floor(random() * target.triangles)).far).toBeCloseTo(found.far, 9);
      expect(sizeOf(minus(found.at, p))).toBeCloseTo(Math.sqrt(found.far), 9);
    }
  });

  test('meets what a ray meets first, and nothing beside', () => {
    for (let i = 0; i < 300; i++) {
      const from = place();
      const away = sizeOf([from[0], from[1] - 50, from[2]]);
      if (away < 51) continue;
      const along = [0, 50, 0].map((v, k) => (v - from[k]) / away) as Vec3;
      expect(target.hit(from, along)?.far).toBeCloseTo(away - 50, 1);
      expect(target.hit(from, along.map((v) => -v) as Vec3)).toBeUndefined();
    }
  });

  test('knows above from below', () => {
    expect(target.heightOf([0, 50, 53])).toBeCloseTo(3, 1);
    expect(target.heightOf([0, 50, 47])).toBeCloseTo(-3, 1);
  });
});

describe('laid round', () => {
  test('along a line drawn on a cylinder, and straight on beyond its ends, all lengths are kept', () => {
    const [radius, slope] = [30, 0.2];
    const on = (along: number, up: number): Vec3 => [
      radius * Math.sin(along / radius),
      up,
      radius * Math.cos(along / radius),
    ];
    const guide = Array.from({ length: 19 }, (_, i) => 4 * i - 38).map((x) =>
      on(x * Math.cos(slope), 50 + x * Math.sin(slope)),
    );
    const map = laid(upright(radius, 100), laying('round', [0, 50, 200], { guide }));
    eachPlace(BOX, (x, y) => {
      const { at, off } = map.exact(x, y, 0);
      const flat = [x * Math.cos(slope) - y * Math.sin(slope), 50 + x * Math.sin(slope) + y * Math.cos(slope)];
      expect(sizeOf(minus(at, on(flat[0], flat[1])))).toBeLessThan(0.05);
      expect(off).toBe(0);
    });
    // no line at all: straight on
    const none = laid(upright(radius, 100), laying('round', [0, 50, 200], { guide: [guide[0], guide[0]] }));
    expect(none.exact(30, 0, 0).at[1]).toBeCloseTo(50, 2);
  });

  test('a cylinder keeps all lengths, up to 300 degrees', () => {
    const radius = 30;
    const half = (radius * 150 * Math.PI) / 180;
    const box: Box3 = { low: [-half, -10, 0], high: [half, 10, 4] };
    const map = laid(upright(radius, 100), laying('round', [0, 50, 200]), { box });
    eachPlace(box, (x, y) => {
      const { at } = map.exact(x, y, 0);
      expect(Math.abs(Math.atan2(at[0], at[2]) * radius - x)).toBeLessThan(1e-3 * half);
      expect(at[1] - 50).toBeCloseTo(y, 6);
    });
  });

  test('on a ball lengths along the guide and up are kept, and across shrink as they must', () => {
    const radius = 100;
    const map = laid({ kind: 'ball', radiusMm: radius }, laying('round', [0, 100, 300]));
    for (const y of [-10, -4, 0, 6, 10]) {
      for (const x of [-70, -20, 0, 50]) {
        const { longest, shortest, skew } = distortionAt(map, x, y, 0);
        expect(longest - 1).toBeLessThan(2e-3);
        // across: by the cosine of the way from the guide
        expect(1 - shortest).toBeCloseTo(1 - Math.cos(y / radius), 2);
        expect(Math.abs(skew)).toBeLessThan(2e-3);
      }
    }
  });

  test('a saddle stretches as an independent reckoning says', () => {
    const map = laid(SADDLE, laying('round', [0, 100, 300]));
    for (const [x, y] of [
      [-60, 9],
      [10, -9],
      [40, 5],
    ]) {
      const { longest, shortest } = distortionAt(map, x, y, 0);
      const [a, b] = singularValues(map, x, y);
      expect(Math.abs(longest - a)).toBeLessThan(0.05 * Math.max(Math.abs(a - 1), 2e-3) + 2e-4);
      expect(Math.abs(shortest - b)).toBeLessThan(0.05 * Math.max(Math.abs(b - 1), 2e-3) + 2e-4);
    }
  });

  test('several lines stand as far apart as they did, each with its own lengths', () => {
    const options = { box: { low: [-60, -30, 0], high: [60, 20, 4] } as Box3, baselines: [0, -22], middle: 4 };
    const map = laid({ kind: 'ball', radiusMm: 70 }, laying('round', [0, 70, 300]), options);
    for (const baseline of options.baselines) {
      const y = baseline + options.middle;
      let way = 0;
      let last = map.rough(-50, y, baseline).at;
      for (let x = -49.5; x <= 50; x += 0.5) {
        const { at } = map.rough(x, y, baseline);
        way += sizeOf(minus(at, last));
        last = at;
      }
      expect(way).toBeCloseTo(100, 0);
    }
  });

  test('level guides stay level on a cone, where straight ones do not', () => {
    const cone: FormShape = {
      kind: 'turned',
      wallMm: 0,
      knots: [
        { radiusMm: 80, heightMm: 0, smooth: false },
        { radiusMm: 40, heightMm: 120, smooth: false },
      ],
    };
    const [level, straight] = (['level', 'straight'] as const).map((guide) =>
      laid(cone, laying('round', [0, 60, 300], { guide })),
    );
    const heights = [-70, 0, 70].map((x) => level.exact(x, 0, 0).at[1]);
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(0.1);
    expect(Math.abs(straight.exact(70, 0, 0).at[1] - straight.exact(0, 0, 0).at[1])).toBeGreaterThan(5);
  });

  test('along the nearest loop it keeps its lengths there, and stands square to it', () => {
    const vessel: FormShape = {
      kind: 'turned',
      wallMm: 0,
      knots: [
        { radiusMm: 40, heightMm: 0, smooth: false },
        { radiusMm: 80, heightMm: 60, smooth: true },
        { radiusMm: 40, heightMm: 120, smooth: false },
      ],
    };
    const map = laid(vessel, laying('round', [0, 70, 300], { guide: 'edge' }));
    const [left, middle, right] = [-70, 0, 70].map((x) => map.exact(x, 0, 0));
    expect([left.at[1], right.at[1]]).toEqual([expect.closeTo(middle.at[1], 1), expect.closeTo(middle.at[1], 1)]);
    const radius = Math.hypot(middle.at[0], middle.at[2]);
    const turned = Math.atan2(right.at[0], right.at[2]) - Math.atan2(left.at[0], left.at[2]);
    expect(turned * radius).toBeCloseTo(140, 0);
    const above = map.exact(0, 5, 0).at;
    expect(Math.abs(above[0] - middle.at[0])).toBeLessThan(0.05);
    expect(above[1]).toBeGreaterThan(middle.at[1] + 3);
  });

  test('at the edge of a block it goes on straight beside it, or round it', () => {
    const block: FormShape = {
      kind: 'block',
      widthMm: 100,
      heightMm: 60,
      depthMm: 60,
      edge: 'plain',
      edgeMm: 0,
      taperPercent: 0,
    };
    const beside = laid(block, laying('round', [0, 30, 200])).rough(70, 0, 0);
    expect(beside.off).toBeGreaterThan(0.9);
    expect(beside.at).toEqual([expect.closeTo(70, 3), expect.closeTo(30, 3), expect.closeTo(30, 3)]);
    const round = laid(block, laying('round', [0, 30, 200], { rounds: true })).exact(70, 0, 0);
    expect(round.at[0]).toBeCloseTo(50, 1);
    expect(round.at[2]).toBeCloseTo(10, -1);
  });
});

const SADDLE: FormShape = { kind: 'shell', widthMm: 260, heightMm: 200, thickMm: 6, acrossMm: 30, upMm: -40 };

/** By finer differences of another scheme, and through the singular values of a 3 x 2 matrix by its own invariants. */
function singularValues({ rough }: SurfaceMap, x: number, y: number): [number, number] {
  const h = 0.4;
  const at = (dx: number, dy: number): Vec3 => rough(x + dx, y + dy, 0).at;
  const slope = (dx: number, dy: number): Vec3 => {
    const [a, b, c, d] = [-2, -1, 1, 2].map((n) => at(n * dx, n * dy));
    return a.map((v, k) => (v - 8 * b[k] + 8 * c[k] - d[k]) / (12 * h)) as Vec3;
  };
  const [u, v] = [slope(h, 0), slope(0, h)];
  const [trace, det] = [dot(u, u) + dot(v, v), dot(u, u) * dot(v, v) - dot(u, v) * dot(u, v)];
  const root = Math.sqrt(Math.max(0, trace * trace - 4 * det));
  return [Math.sqrt((trace + root) / 2), Math.sqrt((trace - root) / 2)];
}

describe('from a direction', () => {
  test.each<FormShape>([{ kind: 'ball', radiusMm: 110 }, SADDLE, { kind: 'ring', radiusMm: 120, thickMm: 80 }])(
    'the front of a $kind looks exactly flat',
    (form) => {
      const y = form.kind === 'shell' ? 100 : form.kind === 'ring' ? 40 : 110;
      const map = laid(form, laying('direction', [0, y, 300]), { nodes: 400 });
      const onto = new OntoMap(map, { box: BOX, lift: 0, root: 0.1, rigid: false, rough: false, toleranceMm: 0.05 });
      eachPlace(BOX, (x, up) => {
        const at: Vec3 = [x, up, 4];
        onto.move(at, { foot: [0, 0, 0], letter: -1 });
        expect([at[0] - x, at[1] - y - up]).toEqual([expect.closeTo(0, 6), expect.closeTo(0, 6)]);
      });
    },
  );

  test('what lies beside the model is marked', () => {
    const map = laid({ kind: 'ball', radiusMm: 50 }, laying('direction', [0, 50, 300]), { nodes: 400 });
    expect(map.rough(0, 0, 0).off).toBe(0);
    expect(map.rough(75, 0, 0).off).toBeGreaterThan(0.9);
  });

  test('where nothing is met nothing is laid', () => {
    const how = laying('direction', [500, 50, 300]);
    expect(
      layOnto(targetOf(SADDLE), how, { box: BOX, front: 4, baselines: [], middle: 0, nodes: 200 }),
    ).toBeUndefined();
    expect(
      layOnto(
        targetOf(SADDLE),
        { ...how, method: 'round' },
        { box: BOX, front: 4, baselines: [], middle: 0, nodes: 200 },
      ),
    ).toBeUndefined();
  });
});

test('to the closest place, points come to lie where they are nearest', () => {
  const map = laid({ kind: 'ball', radiusMm: 100 }, laying('closest', [0, 100, 104]));
  eachPlace({ low: [-30, -10, 0], high: [30, 10, 0] }, (x, y) => {
    const { at } = map.exact(x, y, 0);
    const size = Math.hypot(x, y, 104);
    expect(at).toEqual([x, y, 104].map((v, k) => expect.closeTo((100 * v) / size + (k === 1 ? 100 : 0), 0)));
  });
});

test('the depth stays what it was over a crease, whichever way it bends', () => {
  // two walls of a trough, and the two of a roof
  for (const [acrossMm, least] of [
    [-60, 0.8],
    [60, 0.8],
  ]) {
    const form: FormShape = { kind: 'shell', widthMm: 120, heightMm: 100, thickMm: 5, acrossMm, upMm: 0 };
    const map = laid(form, laying('round', [0, 50, 300]), { box: { low: [-50, -8, 0], high: [50, 8, 5] }, front: 5 });
    const onto = new OntoMap(map, {
      box: { low: [-50, -8, 0], high: [50, 8, 5] },
      lift: 0,
      root: 0.1,
      rigid: false,
      rough: false,
      toleranceMm: 0.05,
    });
    for (let x = -45; x <= 45; x += 5) {
      const at: Vec3 = [x, 0, 5];
      onto.move(at, { foot: [0, 0, 0], letter: -1 });
      const high = targetOf(form).heightOf(at);
      expect(high / 5).toBeGreaterThan(least);
      expect(high / 5).toBeLessThan(1.05);
    }
  }
});

test('letters that keep their form are only placed and tilted', () => {
  const map = laid({ kind: 'ball', radiusMm: 60 }, laying('round', [0, 60, 300]));
  const onto = new OntoMap(map, { box: BOX, lift: 2, root: 0, rigid: true, rough: false, toleranceMm: 0.05 });
  const foot: Vec3 = [40, 0, 0];
  const flat: Vec3[] = [
    [40, 0, 0],
    [46, 0, 0],
    [40, 9, 0],
    [43, 5, 4],
  ];
  const moved = flat.map((p): Vec3 => {
    const at: Vec3 = [...p];
    onto.move(at, { foot, letter: -1 });
    return at;
  });
  flat.forEach((a, i) =>
    flat.forEach((b, j) => expect(sizeOf(minus(moved[i], moved[j]))).toBeCloseTo(sizeOf(minus(a, b)), 9)),
  );
});
