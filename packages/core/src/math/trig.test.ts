import { seededRandom } from '../base/index.ts';
import { atan2, cos, PI, sin } from './index.ts';

describe('own trigonometry', () => {
  const random = seededRandom(7);
  const angles = Array.from({ length: 5000 }, () => (random() - 0.5) * 200);

  test('agrees with the built-in functions to a few units in the last place', () => {
    for (const a of angles) {
      expect(Math.abs(sin(a) - Math.sin(a))).toBeLessThan(3e-16 * 2);
      expect(Math.abs(cos(a) - Math.cos(a))).toBeLessThan(3e-16 * 2);
    }
    for (let i = 0; i < 5000; i++) {
      const [y, x] = [random() - 0.5, random() - 0.5];
      expect(Math.abs(atan2(y, x) - Math.atan2(y, x))).toBeLessThan(1e-15);
    }
  });

  test('exact places', () => {
    expect(sin(0)).toBe(0);
    expect(cos(0)).toBe(1);
    expect(sin(PI / 2)).toBe(1);
    expect(atan2(0, -1)).toBe(PI);
    expect(atan2(-1, 0)).toBe(-PI / 2);
    expect(atan2(0, 0)).toBe(0);
  });
});
