import { chainOf, usualStep, type ShapeStep } from '../steps/index.ts';
import { seededRandom } from '../base/index.ts';
import { plainPoint, type ShapeChain } from './chain.ts';
import { courseOf } from './course.ts';
import { foldsOf } from './folds.ts';
import { needOf } from './need.ts';
import type { Box3, Vec3 } from '../math/index.ts';
import { shapeMesh } from './shapeMesh.ts';
import { bytesFromBase64 } from './base64.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm } from '../testing/solids.ts';

type ShapeKind = ShapeStep['kind'];
const usualWhere = () => usualStep('wave', '').where;
const BOX: Box3 = { low: [-100, 0, 0], high: [100, 40, 10] };
const chain = (...steps: ShapeStep[]): ShapeChain => chainOf(steps, { box: BOX });
const step = <K extends ShapeKind>(kind: K, values: Partial<Extract<ShapeStep, { kind: K }>> = {}): ShapeStep =>
  ({ ...usualStep(kind, kind), ...values }) as ShapeStep;
const at = (c: ShapeChain, rest: Vec3, normal?: Vec3): Vec3 => c.at(plainPoint(rest, normal));
const close = ([x, y, z]: Vec3) => [expect.closeTo(x, 9), expect.closeTo(y, 9), expect.closeTo(z, 9)];
const distance = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

function somePlaces(count: number): Vec3[] {
  const random = seededRandom(3);
  return Array.from(
    { length: count },
    () => [0, 1, 2].map((k) => BOX.low[k] + random() * (BOX.high[k] - BOX.low[k])) as Vec3,
  );
}

test('steps of no strength leave everything where it is', () => {
  const still = [
    step('bend', { angleDegrees: 0 }),
    step('bend', { angleDegrees: 0, axis: 'x', towardDegrees: 40 }),
    step('twist', { angleDegrees: 0 }),
    step('taper', { percent: 0 }),
    step('shear', { byMm: [0, 0] }),
    step('stretch', { percent: 0 }),
    step('pinch', { percent: 0 }),
    step('bulge', { heightMm: 0 }),
    step('wave', { heightMm: 0 }),
    step('noise', { heightMm: 0, moves: 'outward' }),
    step('relief', { heightMm: 0 }),
    step('scatter', { moveMm: [0, 0, 0], turnDegrees: [0, 0, 0] }),
  ];
  for (const place of somePlaces(40)) expect(distance(at(chain(...still), place), place)).toBeLessThan(1e-10);
});

test('no chord strays farther than its map says, and some nearly as far', () => {
  const random = seededRandom(11);
  const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)];
  const axis = (): 'x' | 'y' | 'z' => one(['x', 'y', 'z']);
  const steps = [
    ...Array.from({ length: 30 }, () =>
      step('bend', {
        ...{ axis: axis(), angleDegrees: 700 * (random() - 0.5), towardDegrees: 90 * random() },
        keeps: one(['front', 'middle', 'back', 'centre']),
      }),
    ),
    ...Array.from({ length: 30 }, () =>
      step('twist', {
        ...{ axis: axis(), angleDegrees: 700 * (random() - 0.5), middle: random() < 0.5, centreMm: [9, -8, 7] },
        ease: one(['even', 'soft', 'early', 'late']),
      }),
    ),
  ];
  const shares = steps.map((only) => {
    const bent = chain(only);
    const bends = bent.bends ?? NaN;
    let most = 0;
    for (let i = 0; i < 300; i++) {
      const [a, way] = somePlaces(2 + i).slice(-2);
      const b = a.map((v, k) => Math.min(BOX.high[k], Math.max(BOX.low[k], v + (way[k] - v) * 0.05))) as Vec3;
      const middle = a.map((v, k) => (v + b[k]) / 2) as Vec3;
      const [from, to] = [at(bent, a), at(bent, b)];
      const off = distance(at(bent, middle), from.map((v, k) => (v + to[k]) / 2) as Vec3);
      most = Math.max(most, off / ((bends * distance(a, b) ** 2) / 8));
    }
    return most;
  });
  expect(Math.max(...shares)).toBeLessThanOrEqual(1.0001);
  expect(Math.max(...shares)).toBeGreaterThan(0.8);
  // neither kinks nor what nobody has reckoned have a bound
  expect(chain(step('bend', { whole: false, fromMm: -20, toMm: 20 })).bends).toBeUndefined();
  expect(chain(step('twist', { whole: false, fromMm: -20, toMm: 20 })).bends).toBeUndefined();
  expect(chain(step('bend'), step('twist')).bends).toBeUndefined();
});

test('each does what it says at places that can be reckoned', () => {
  // a quarter turn of the whole, the middle layer keeping its length: ends to the back
  const quarter = chain(step('bend', { angleDegrees: 90 }));
  const radius = 200 / (Math.PI / 2);
  expect(at(quarter, [0, 20, 5])).toEqual(close([0, 20, 5]));
  const half = Math.PI / 4;
  expect(at(quarter, [100, 20, 5])).toEqual(close([radius * Math.sin(half), 20, 5 - radius * (1 - Math.cos(half))]));
  // downward in the plane of the front
  expect(at(chain(step('bend', { angleDegrees: 90, axis: 'z' })), [100, 20, 5])[1]).toBeCloseTo(
    20 - radius * (1 - Math.cos(half)),
    9,
  );
  expect(at(chain(step('twist', { angleDegrees: 90 })), [100, 40, 5])).toEqual(close([100, 20, 25]));
  expect(at(chain(step('taper', { percent: 50 })), [100, 40, 5])).toEqual(close([100, 30, 5]));
  expect(at(chain(step('shear', { byMm: [7, 2] })), [0, 20, 5])).toEqual(close([0, 23.5, 6]));
  expect(at(chain(step('stretch', { percent: 50 })), [0, 20, 5])).toEqual(close([50, 20, 5]));
  expect(at(chain(step('pinch', { percent: 50 })), [0, 40, 5])).toEqual(close([0, 30, 5]));
  expect(at(chain(step('bulge', { heightMm: 8 })), [0, 20, 5])).toEqual(close([0, 20, 13]));
  expect(at(chain(step('wave', { heightMm: 4, lengthMm: 80 })), [20, 0, 0])).toEqual(close([20, 0, 4]));
});

test('every step goes smoothly as any of its values changes', () => {
  const kinds: ShapeKind[] = [
    'bend',
    'twist',
    'taper',
    'shear',
    'stretch',
    'pinch',
    'bulge',
    'wave',
    'noise',
    'run',
    'scatter',
  ];
  const whole = ['detail', 'seed', 'columns', 'rows', 'count'];
  for (const kind of kinds) {
    const usual = { ...step(kind), whole: false };
    const fields = Object.entries(usual).filter(([name, value]) => typeof value === 'number' && !whole.includes(name));
    for (const [name, value] of fields) {
      const changed = { ...usual, [name]: (value as number) + 1e-7 } as ShapeStep;
      const apart = somePlaces(30).map((place) =>
        distance(at(chain(usual as ShapeStep), place), at(chain(changed), place)),
      );
      expect([kind, name, Math.max(...apart) < 1e-4]).toEqual([kind, name, true]);
    }
  }
});

test('limits hold in the flat layout whatever earlier steps have made of it', () => {
  const longer = step('stretch', { percent: 100 });
  const bend = step('bend', {
    whole: false,
    fromMm: 0,
    toMm: 50,
    angleDegrees: 60,
    middle: false,
    centreMm: [0, 0, 0],
    keeps: 'back',
  });
  const both = chain(longer, bend);
  // the stretched piece lies at 100 to 200 before it is bent: its first half stays straight
  expect(at(both, [-10, 20, 0])[2]).toBeCloseTo(0, 9);
  expect(at(both, [10, 20, 0])[2]).toBeLessThan(-1);
  const twist = step('twist', { whole: false, fromMm: 0, toMm: 10 });
  expect(at(chain(longer, twist), [-1, 40, 5])).toEqual(close([98, 40, 5]));
});

test('bends in one plane are one spine, and two halves are the whole', () => {
  const span = (fromMm: number, toMm: number, angleDegrees: number): ShapeStep =>
    ({ ...step('bend', { whole: false, fromMm, toMm, angleDegrees }), id: `${fromMm} ${toMm}` }) as ShapeStep;
  const whole = chain(span(-80, 80, 120));
  const halves = chain(span(-80, 10, 67.5), span(10, 80, 52.5));
  expect(halves.links.length).toBe(1);
  for (const place of somePlaces(40)) expect(distance(at(whole, place), at(halves, place))).toBeLessThan(2e-7);
});

test('a step acts within its place alone, on its letters and parts', () => {
  const where = {
    ...usualWhere(),
    kind: 'ball' as const,
    centreMm: [0, 20, 5] as Vec3,
    sizeMm: [40, 0, 0] as Vec3,
    softMm: 10,
  };
  const lifted = chain(step('wave', { lengthMm: 1e5, phaseDegrees: 90, heightMm: 2, where }));
  const lift = (x: number): number => at(lifted, [x, 20, 5])[2] - 5;
  expect(lift(0)).toBeCloseTo(2, 5);
  expect(lift(25)).toBeCloseTo(1, 5);
  expect(lift(31)).toBe(0);
  const only = chain(
    step('wave', { lengthMm: 1e5, phaseDegrees: 90, heightMm: 2, where: { ...usualWhere(), letters: [4] } }),
  );
  expect(only.at({ ...plainPoint([0, 0, 0]), letter: 4 })[2]).toBeCloseTo(2, 9);
  expect(only.at({ ...plainPoint([0, 0, 0]), letter: 5 })[2]).toBe(0);
});

test('noise is the same for the same seed, smooth, bounded, and only outward where it is asked to be', () => {
  for (const character of ['soft', 'creased', 'lumpy', 'pebbled'] as const) {
    const noise = chain(step('noise', { character, outwardOnly: true, heightMm: 4, sizeMm: 15 }));
    const heights = somePlaces(400).map((place) => at(noise, place)[2] - place[2]);
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(-0.35);
    expect(Math.max(...heights)).toBeLessThanOrEqual(4.35);
    expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(1);
    expect(distance(at(noise, [3, 4, 5]), at(noise, [3 + 1e-6, 4, 5]))).toBeLessThan(1e-5);
  }
  expect(at(chain(step('noise')), [3, 4, 5])).toEqual(at(chain(step('noise')), [3, 4, 5]));
  expect(at(chain(step('noise')), [3, 4, 5])).not.toEqual(at(chain(step('noise', { seed: 2 })), [3, 4, 5]));
  // along the normal, which a bend before has turned
  const turned = chain(step('bend', { angleDegrees: 180 }), step('noise', { moves: 'outward', heightMm: 3 }));
  const [plain, moved] = [at(chain(step('bend', { angleDegrees: 180 })), [100, 20, 10]), at(turned, [100, 20, 10])];
  expect(Math.abs(moved[2] - plain[2])).toBeLessThan(1e-3);
  expect(Math.abs(moved[0] - plain[0])).toBeGreaterThan(1e-3);
});

test('a picture is as high as it is light', () => {
  expect(Array.from(bytesFromBase64('AP+A'))).toEqual([0, 255, 128]);
  const relief = chain(
    step('relief', { columns: 2, rows: 1, heights: 'AP8=', widthMm: 200, heightMm: 6, atMm: [0, 20] }),
  );
  expect(at(relief, [-90, 20, 0])[2]).toBeLessThan(0.1);
  expect(at(relief, [0, 20, 0])[2]).toBeCloseTo(3, 6);
  expect(at(relief, [90, 20, 0])[2]).toBeGreaterThan(5.9);
  expect(at(relief, [150, 20, 0])[2]).toBe(0);
});

test('a course passes its points and never overshoots them', () => {
  const course = courseOf([
    { at: 0.2, value: 1 },
    { at: 0.5, value: 3 },
    { at: 0.6, value: 3 },
    { at: 1, value: -2 },
  ]);
  expect([0, 0.2, 0.5, 0.55, 0.6, 1].map(course)).toEqual([1, 1, 3, 3, 3, -2]);
  for (let k = 0; k <= 100; k++) expect(Math.abs(course(k / 100) - 0.5)).toBeLessThanOrEqual(2.5 + 1e-12);
});

describe('what faces need', () => {
  const options = { toleranceMm: 0.05, leastMm: 0.05, letter: -1, foot: [0, 0, 0] as Vec3 };
  const bend = (id: string, axis: 'x' | 'y' = 'y'): ShapeStep =>
    ({ ...step('bend', { angleDegrees: 90, axis }), id }) as ShapeStep;

  test('one bend needs short edges across it alone, as long as its curvature allows', () => {
    const { x, y, z } = needOf(chain(bend('a')), BOX, options);
    const exact = Math.sqrt((8 * options.toleranceMm * 200) / (Math.PI / 2));
    expect(x).toBeLessThanOrEqual(exact * 1.05);
    expect(x).toBeGreaterThan(exact / 2.2);
    expect([y, z]).toEqual([Infinity, Infinity]);
  });

  test('two equal bends in one place need what one of twice the angle needs', () => {
    const once = chain({ ...bend('a'), angleDegrees: 180 } as ShapeStep);
    expect(needOf(chain(bend('a'), bend('b')), BOX, options)).toEqual(needOf(once, BOX, options));
  });

  test('what twists needs both ways, what only moves needs nothing', () => {
    expect(needOf(chain(step('twist', { angleDegrees: 180 })), BOX, options).x).toBeLessThan(20);
    expect(needOf(chain(step('shear')), BOX, options)).toEqual({ x: Infinity, y: Infinity, z: Infinity });
  });
});

describe('folds', () => {
  const slab = formed(outlineOfRings(rectangle(mm(-100), 0, mm(200), mm(40))), { depthMm: 60 }, mm(40));
  const shaped = { mesh: slab, letters: [], feet: [] };
  const box: Box3 = { low: [-100, 0, 0], high: [100, 40, 60] };
  /** Looked for on faces that are as fine as they need. */
  const folds = (...steps: ShapeStep[]) => {
    const chain = chainOf(steps, { box });
    const { mesh } = shapeMesh(shaped, chain, { toleranceMm: 1, mostFaces: 20_000 });
    return foldsOf([{ ...shaped, mesh, rest: mesh.rest }], steps, chain);
  };

  test('a bend tighter than the piece is deep is told, with the angle that avoids it', () => {
    const bend = (angleDegrees: number): ShapeStep => step('bend', { angleDegrees, keeps: 'front' });
    // the back, 60 mm inside, is used up where the radius is 60
    const limit = (200 / 60) * (180 / Math.PI);
    const [fold] = folds(bend(300));
    expect(fold).toMatchObject({ stepId: 'bend', kind: 'bend', touches: false });
    expect(fold.place[2]).toBeCloseTo(0, 6);
    expect(fold.limit).toBeGreaterThan(limit * 0.99);
    expect(fold.limit).toBeLessThanOrEqual(limit);
    expect(folds(bend(limit * 0.99))).toEqual([]);
  });

  test('so is a front pressed in behind the back, and a stretch that turns back', () => {
    expect(folds(step('bulge', { solid: false, heightMm: -80 }))[0]).toMatchObject({ kind: 'bulge' });
    expect(folds(step('bulge', { solid: false, heightMm: -50 }))).toEqual([]);
    expect(folds(step('stretch', { percent: -90, ease: 'late' }))[0]).toMatchObject({ kind: 'stretch' });
  });

  test('a whole turn brings the ends together', () => {
    const steps = [step('bend', { angleDegrees: 360, keeps: 'back' })];
    expect(folds(...steps)).toEqual([expect.objectContaining({ touches: true, limit: 359 })]);
    const round = chainOf(steps, { box });
    expect(distance(at(round, [-100, 20, 0]), at(round, [100, 20, 0]))).toBeLessThan(1e-9 * 200);
  });
});
