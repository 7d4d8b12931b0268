import { seededRandom } from '../base/index.ts';
import { Spine, type Bend } from './spine.ts';

const RIGHT = Math.PI / 2;

test('without an angle everything stays where it is', () => {
  const spine = new Spine([{ from: -20, to: 30, angle: 0 }], 4);
  for (const [u, h] of [
    [-50, 3],
    [-20, 0],
    [0, -7],
    [29, 2],
    [400, 1],
  ])
    expect(spine.at(u, h)).toEqual({ along: u, off: h, turn: 0 });
});

test('a quarter turn over its own length is a quarter of a circle, straight beyond it', () => {
  const radius = 100 / RIGHT;
  const spine = new Spine([{ from: 0, to: 100, angle: RIGHT }], 0);
  const end = spine.at(100, 0);
  expect([end.along, end.off, end.turn]).toEqual([
    expect.closeTo(radius, 9),
    expect.closeTo(radius, 9),
    expect.closeTo(RIGHT, 12),
  ]);
  const beyond = spine.at(150, 10);
  expect([beyond.along, beyond.off]).toEqual([expect.closeTo(radius - 10, 9), expect.closeTo(radius + 50, 9)]);
  expect([spine.at(-30, 5).along, spine.at(-30, 5).off]).toEqual([-30, 5]);
  expect(spine.curvatureAt(50)).toBeCloseTo(1 / radius, 12);
});

test('a whole turn ends where it began', () => {
  const size = 300;
  const spine = new Spine([{ from: -150, to: 150, angle: 2 * Math.PI }], 0);
  const [a, b] = [spine.at(-150, 0), spine.at(150, 0)];
  expect(Math.hypot(a.along - b.along, a.off - b.off)).toBeLessThan(1e-9 * size);
});

/** Bends that follow one another, with gaps or overlaps. */
function someBends(random: () => number): Bend[] {
  return Array.from({ length: 1 + Math.floor(3 * random()) }, (_, i) => {
    const from = 60 * i - 100 + 30 * random();
    return { from, to: from + 20 + 50 * random(), angle: (random() - 0.5) * 2 };
  });
}

test('seeded: the layer keeps its length, a bend cut in two is the same, the way back leads back', () => {
  const random = seededRandom(7);
  for (let run = 0; run < 60; run++) {
    const bends = someBends(random);
    const fixed = (random() - 0.5) * 200;
    const spine = new Spine(bends, fixed);
    expect(spine.at(fixed, 0)).toEqual({ along: fixed, off: 0, turn: 0 });
    const [first, ...rest] = bends;
    const cut = first.from + (first.to - first.from) * (0.1 + 0.8 * random());
    const share = (cut - first.from) / (first.to - first.from);
    const split = new Spine(
      [
        ...rest,
        { from: first.from, to: cut, angle: first.angle * share },
        { from: cut, to: first.to, angle: first.angle * (1 - share) },
      ],
      fixed,
    );
    let length = 0;
    for (let k = 0; k < 4000; k++) {
      const [a, b] = [spine.at(-150 + k / 10, 0), spine.at(-150 + (k + 1) / 10, 0)];
      length += Math.hypot(b.along - a.along, b.off - a.off);
    }
    expect(length / 400).toBeCloseTo(1, 5);
    for (let k = 0; k < 40; k++) {
      const [u, h] = [(random() - 0.5) * 400, (random() - 0.5) * 10];
      const here = spine.at(u, h);
      const same = split.at(u, h);
      expect(Math.hypot(here.along - same.along, here.off - same.off)).toBeLessThan(1e-9 * 400);
      const back = spine.from(here.along, here.off);
      expect(Math.hypot(back.u - u, back.h - h)).toBeLessThan(1e-9 * 400);
    }
  }
});

test('an angle that goes to nothing does so without a jump', () => {
  const at = (angle: number): number => new Spine([{ from: 0, to: 100, angle }], 0).at(100, 5).off;
  for (const angle of [1e-3, 2.1e-6, 1.9e-6, 1e-9])
    expect(at(angle) - 5).toBeCloseTo(50 * angle - 2.5 * angle * angle, 6);
});
