import { linearFromSrgb } from './colour.ts';
import { isStill, STILL, transformPoints, turnOf } from './transform.ts';

const turned = (degrees: [number, number, number], point: number[]): number[] =>
  Array.from(transformPoints({ rows: turnOf(degrees), move: [0, 0, 0] }, Float64Array.from(point)), (v) => v + 0);

describe('turns', () => {
  test.each<[[number, number, number], number[], number[]]>([
    [
      [0, 0, 0],
      [1, 2, 3],
      [1, 2, 3],
    ],
    [
      [90, 0, 0],
      [1, 2, 3],
      [1, -3, 2],
    ],
    [
      [0, 90, 0],
      [1, 2, 3],
      [3, 2, -1],
    ],
    [
      [0, 0, 90],
      [1, 2, 3],
      [-2, 1, 3],
    ],
    [
      [0, 0, -270],
      [1, 2, 3],
      [-2, 1, 3],
    ],
    [
      [0, 450, 0],
      [1, 2, 3],
      [3, 2, -1],
    ],
  ])('%j of %j, exact', (degrees, point, wanted) => expect(turned(degrees, point)).toEqual(wanted));

  test('are worked in the order depth, across, upright', () => {
    expect(turned([90, 90, 90], [1, 0, 0])).toEqual(
      turned([0, 90, 0], turned([90, 0, 0], turned([0, 0, 90], [1, 0, 0]))),
    );
  });

  test('keep lengths and handedness', () => {
    const r = turnOf([12, -77, 301]);
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        const dot = r[3 * i] * r[3 * j] + r[3 * i + 1] * r[3 * j + 1] + r[3 * i + 2] * r[3 * j + 2];
        expect(dot).toBeCloseTo(i === j ? 1 : 0, 14);
      }
    const determinant =
      r[0] * (r[4] * r[8] - r[5] * r[7]) - r[1] * (r[3] * r[8] - r[5] * r[6]) + r[2] * (r[3] * r[7] - r[4] * r[6]);
    expect(determinant).toBeCloseTo(1, 14);
  });

  test('nothing moved is told', () => {
    expect([isStill(STILL), isStill({ rows: turnOf([360, 0, -720]), move: [0, 0, 0] })]).toEqual([true, true]);
    expect(isStill({ ...STILL, move: [0, 1, 0] })).toBe(false);
  });
});

test.each([0, 0.02, 0.04045, 0.2, 0.5, 0.735, 1])('sRGB %p to linear light', (c) => {
  const wanted = c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  expect(linearFromSrgb(c)).toBeCloseTo(wanted, 12);
});
