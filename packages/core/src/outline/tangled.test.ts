import { isTangled } from './index.ts';

const round = (count: number, step: number, radius: number): { x: number; y: number }[] =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * ((i * step) % count)) / count;
    return { x: Math.round(radius * Math.cos(angle)), y: Math.round(radius * Math.sin(angle)) };
  });

test('a star that runs over itself 100,000 times is, a smooth ring and crossed strokes are not', () => {
  expect(isTangled([round(601, 300, 1e6)])).toBe(true);
  expect(isTangled([round(121, 60, 1e6)])).toBe(false);
  expect(isTangled([round(20_000, 1, 1e6)])).toBe(false);
  const squares = Array.from({ length: 4000 }, (_, i) =>
    [0, 1, 2, 3].map((k) => ({ x: 700 * i + (k === 1 || k === 2 ? 1000 : 0), y: (i % 3) * 90 + (k > 1 ? 1000 : 0) })),
  );
  expect(isTangled(squares)).toBe(false);
});
