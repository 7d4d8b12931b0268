import { Ray, Vector3 } from 'three';
import { moved, nearer, turned, type Pose } from './cameraMoves.ts';
import { bearing, facing, onLine, onPlane, onUpright, toStep, turnBetween } from './drags.ts';
import { gridStep } from './gridStep.ts';

const v = (x: number, y: number, z: number): Vector3 => new Vector3(x, y, z);
const near = (a: Vector3 | Pose['from'] | undefined, b: Vector3): void => {
  const at = a instanceof Vector3 ? a : a && new Vector3(...a);
  expect(at?.distanceTo(b)).toBeCloseTo(0, 9);
};
const pose: Pose = { from: [10, 0, 100], to: [10, 0, 0] };

describe('the camera by keys', () => {
  test('turns about what it looks at', () => {
    near(turned(pose, 90, 0).from, v(110, 0, 0));
    expect(turned(turned(pose, 30, 40), -30, 0).to).toEqual(pose.to);
  });

  test('never over the pole', () => {
    const [, height] = turned(pose, 0, 500).from;
    expect(height).toBeLessThan(100);
    expect(height).toBeGreaterThan(99.9);
  });

  test('moves in the picture by shares of the distance, and comes nearer', () => {
    near(moved(pose, 0.1, 0.2).to, v(20, 20, 0));
    near(nearer(pose, 2).from, v(10, 0, 50));
  });
});

describe('drags', () => {
  const down = new Ray(v(5, 100, 5), v(0, -1, 0));
  const ahead = new Ray(v(0, 3, 50), v(0, 0, -1));

  test('meet planes, or nothing when they look past them', () => {
    near(onPlane(down, v(0, 2, 0), v(0, 1, 0)), v(5, 2, 5));
    expect(onPlane(ahead, v(0, 2, 0), v(0, 1, 0))).toBeUndefined();
  });

  test('lift along an upright line, which can’t be judged from straight above', () => {
    near(onUpright(ahead, v(1, 0, 0)), v(1, 3, 0));
    expect(onUpright(down, v(0, 0, 0))).toBeUndefined();
  });

  test('follow a line, unless it is seen from its end', () => {
    const across = v(1, 0, 0);
    expect(onLine(down, v(1, 0, 0), across)).toBeCloseTo(4, 9);
    // past the line: the nearest place counts
    expect(onLine(new Ray(v(7, 9, 50), v(0, 0, -1)), v(1, 0, 0), across)).toBeCloseTo(6, 9);
    const slanted = new Ray(v(0, 0, 10), v(0.6, 0, -0.8));
    expect(onLine(slanted, v(0, 0, 0), across)).toBeCloseTo(7.5, 9);
    expect(onLine(ahead, v(0, 0, 0), v(0, 0, 1))).toBeUndefined();
  });

  test('go over the table when seen from above, else along the wall behind', () => {
    near(facing(v(0, -0.9, -0.4)), v(0, 1, 0));
    near(facing(v(0.2, -0.2, -0.9)), v(0, 0, 1));
    near(facing(v(-0.9, 0, 0.1)), v(1, 0, 0));
  });

  test('turns count from the front to the right, the short way round', () => {
    expect([bearing(v(0, 0, 1), v(0, 0, 0)), bearing(v(1, 0, 0), v(0, 0, 0))]).toEqual([0, 90]);
    expect([turnBetween(170, -170), turnBetween(-170, 170), turnBetween(10, 40)]).toEqual([20, -20, 30]);
  });

  test('are rounded to clean numbers', () => expect([toStep(12.34, 0.1), toStep(-0.04, 0.1)]).toEqual([12.3, 0]));
});

test.each([
  [500, 50],
  [490, 50],
  [72, 10],
  [1, 0.1],
  [0.03, 0.005],
])('a grid for %d mm has lines every %d mm', (reach, step) => expect(gridStep(reach)).toBeCloseTo(step, 12));
