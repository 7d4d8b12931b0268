import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { strokeCrossings, thicknessAt } from './index.ts';

const reversed = <T>(ring: readonly T[]): T[] => [...ring].reverse();

test('a bar is as thick as its sides are apart, measured from all four', () => {
  const crossings = strokeCrossings(outlineOfRings(rectangle(0, 0, 1000, 40)));
  expect(crossings.map((c) => [c.thickness, c.length])).toEqual([
    [40, 1000],
    [1000, 40],
    [40, 1000],
    [1000, 40],
  ]);
  expect(thicknessAt(crossings, 0.05)).toBe(40);
  expect(thicknessAt(crossings, 0.99)).toBe(1000);
});

test('a frame is as thick as its wall, not as its hole', () => {
  const crossings = strokeCrossings(
    outlineOfRings(rectangle(0, 0, 1000, 1000), reversed(rectangle(100, 100, 800, 800))),
  );
  expect(new Set(crossings.map((c) => c.thickness))).toEqual(new Set([100]));
});

test('nothing has no thickness', () => expect(thicknessAt(strokeCrossings(outlineOfRings()), 0.5)).toBeUndefined());
