import { stepRange, type FieldRange } from './fieldRange.ts';

test.each<[Parameters<typeof stepRange>, FieldRange]>([
  [['subdivide', 'times'], { min: 1, max: 4, isWhole: true }],
  [['bend', 'angleDegrees'], { min: -3600, max: 3600, isWhole: false }],
  [['scatter', 'turnDegrees', 2], { min: -3600, max: 3600, isWhole: false }],
  [['noise', 'where', 'softMm'], { min: 0, max: 100_000, isWhole: false }],
  [['run', 'path', 'ripple', 'waves'], { min: 0.25, max: 200, isWhole: false }],
  [['run', 'path', 'places', 'placesMm', 0, 1], { min: -100_000, max: 100_000, isWhole: false }],
  [['onto', 'place', 'side', 'acrossMm'], { min: -100_000, max: 100_000, isWhole: false }],
])('the schema says what %j may be', (path, range) => expect(stepRange(...path)).toEqual(range));

test('what is no number has no range', () => {
  expect(() => stepRange('bend', 'axis')).toThrow('no number');
  expect(() => stepRange('bend', 'softMm')).toThrow('no number');
  expect(() => stepRange('run', 'path', 'nowhere', 'turns')).toThrow('no number');
});
