import { ByteCache, parseLength, parseQuantity, seededRandom } from './index.ts';

describe('parseLength', () => {
  test.each([
    ['18', 18],
    ['18mm', 18],
    ['1.8 cm', 18],
    ['.5in', 12.7],
    ['0.018m', 18],
    ['-3', -3],
    ['1e2', 100],
  ])('%s', (text, mm) => expect(parseLength(text)).toBeCloseTo(mm, 12));

  test.each(['', 'mm', '3 feet', 'NaN', '1,5', '1e999', '3mm4'])('%s is no length', (text) => {
    expect(parseLength(text)).toBeUndefined();
  });
});

describe('quantities as people type them', () => {
  test.each([
    ['18', 18],
    ['2in', 50.8],
    ['18/2', 9],
    ['2 * (3mm + 1 cm)', 26],
    ['-5,5', -5.5],
    ['1,5 + 0.5', undefined],
    ['10 - 3 - 2', 5],
    ['2+3*4', 14],
    ['--4', 4],
    ['\u22123 mm', -3],
    ['1"', 25.4],
    ['72pt', 25.4],
  ])('%s as a length', (text, mm) => {
    const value = parseQuantity(text, 'length');
    if (mm === undefined) expect(value).toBeUndefined();
    else expect(value).toBeCloseTo(mm, 12);
  });

  test.each([
    ['90°', 90],
    ['0.25 turn', 90],
    ['180deg/4', 45],
  ])('%s as an angle', (text, degrees) => expect(parseQuantity(text, 'angle')).toBeCloseTo(degrees, 12));

  test.each(['', 'tall', '1/0', '2(3)', '(3', '3)', '4 kg', '1..2', '3mm4', '+', '90°'])('%s is no length', (text) => {
    expect(parseQuantity(text, 'length')).toBeUndefined();
  });
});

test('a cache stays within its bytes and forgets what was used longest ago', () => {
  const cache = new ByteCache<string>(100);
  cache.set('a', 'A', 40);
  cache.set('b', 'B', 40);
  expect(cache.get('a')).toBe('A');
  cache.set('c', 'C', 40);
  expect([cache.get('a'), cache.get('b'), cache.get('c')]).toEqual(['A', undefined, 'C']);
  expect(cache.bytes).toBe(80);
  cache.set('huge', 'H', 101);
  expect(cache.get('huge')).toBeUndefined();
  cache.set('a', 'A2', 10);
  expect([cache.bytes, cache.size]).toEqual([50, 2]);
});

test('seeded random numbers repeat and fill the unit interval', () => {
  const rows = [1, 1, 2].map((seed) => Array.from({ length: 1000 }, seededRandom(seed)));
  expect(rows[0]).toEqual(rows[1]);
  expect(rows[0]).not.toEqual(rows[2]);
  expect(rows[0].every((v) => v >= 0 && v < 1)).toBe(true);
  expect(rows[0].reduce((sum, v) => sum + v, 0) / 1000).toBeCloseTo(0.5, 1);
});
