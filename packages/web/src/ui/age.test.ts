import { ageText } from './index.ts';

const now = new Date('2026-11-25T12:00:00Z');
const ago = (seconds: number): string => ageText(new Date(now.getTime() - seconds * 1000), now);

test.each([
  [5, 'just now'],
  [100, '2 minutes ago'],
  [3 * 3600, '3 hours ago'],
  [26 * 3600, 'yesterday'],
  [9 * 86_400, 'last week'],
  [800 * 86_400, '2 years ago'],
])('%p seconds: %s', (seconds, text) => expect(ago(seconds)).toBe(text));
