import { lineAround, splitGraphemes, wordAround } from './index.ts';

const text = splitGraphemes('Kiln row\nat noon').map((t) => ({ text: t }));

test.each([
  [0, [0, 4]],
  [2, [0, 4]],
  [4, [0, 4]],
  [5, [5, 8]],
  [8, [5, 8]],
  [9, [9, 11]],
  [16, [12, 16]],
])('the word around place %i', (at, word) => expect(wordAround(text, at)).toEqual(word));

test.each([
  [0, [0, 8]],
  [8, [0, 8]],
  [9, [9, 16]],
  [16, [9, 16]],
])('the line around place %i', (at, line) => expect(lineAround(text, at)).toEqual(line));

test('nothing around nothing', () =>
  expect([wordAround([], 0), lineAround([], 0)]).toEqual([
    [0, 0],
    [0, 0],
  ]));
