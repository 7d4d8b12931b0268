import { thinnedOut } from './thinning.ts';

const NOW = new Date('2026-11-25T12:00:00Z');
const minutes = (n: number): string => new Date(NOW.getTime() - n * 60_000).toISOString();

test('thins by age, keeps the newest, the first and the named', () => {
  const ages = [0, 1, 2, 59, 61, 62, 119, 121, 60 * 30, 60 * 31, 60 * 24 * 40, 60 * 24 * 41, 60 * 24 * 90];
  const revisions = ages.map((age, i) => ({
    number: ages.length - i,
    name: age === 62 ? 'good' : null,
    createdAt: minutes(age),
  }));
  const gone = thinnedOut(revisions, NOW).map((number) => ages[ages.length - number]);
  // within the hour all stay; 62 is named and 119 goes because 61 holds its hour; 31 h goes because 30 h holds its day;
  // 41 d because 40 d holds its month
  expect(gone).toEqual([119, 60 * 31, 60 * 24 * 41]);
  expect(thinnedOut([], NOW)).toEqual([]);
});
