import { ByteCache, keyOf, Memo, spelled } from './index.ts';

const times: number[] = [];
const doubled = new Memo(
  {
    name: 'double',
    make: ({ of, by }: { of: { key: string; of: number }; by: number }) => (times.push(by), of.of * by),
    bytesOf: () => 8,
  },
  new ByteCache<number>(1000),
);

test('a stage works once for the same inputs, and anew for any other', async () => {
  const four = { key: 'four', of: 4 };
  const made = [
    await doubled.get({ of: four, by: 2 }, {}),
    await doubled.get({ of: four, by: 2 }, {}),
    await doubled.get({ of: four, by: 3 }, {}),
  ];
  expect(made.map((one) => one?.of)).toEqual([8, 8, 12]);
  expect(times).toEqual([2, 3]);
  expect(made[0]?.key).toBe(made[1]?.key);
  expect(made[0]?.key).not.toBe(made[2]?.key);
});

test('what is named stands by its key, everything else by its value', () => {
  const big = new Float64Array(4);
  expect(spelled({ mesh: { key: 'k', of: big }, mm: [1, { x: 2 }] })).toBe('{"mesh":"k","mm":[1,{"x":2}]}');
  expect(keyOf('a', { mm: 1 })).not.toBe(keyOf('b', { mm: 1 }));
  expect(keyOf('a', { mm: 1 })).toHaveLength(32);
});

test('what has no value of its own is refused instead of forgotten', () => {
  for (const odd of [new Map(), new Set(), new Float64Array(1), () => 1, new (class Own {})()])
    expect(() => spelled({ odd })).toThrow('no key can hold it');
});
