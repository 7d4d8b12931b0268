import { parseBoundedJson } from './index.ts';

const parsed = (text: string, bounds = { depth: 3, values: 6 }) =>
  parseBoundedJson(new TextEncoder().encode(text), 'document', bounds);

test.each([
  ['{"a":[1,{"b":"[[[[,,,,,,,"}]}', { a: [1, { b: '[[[[,,,,,,,' }] }],
  [String.raw`"\"[[[[[["`, '"[[[[[['],
  ['"\\\\"', '\\'],
])('%s is within', (text, value) => expect(parsed(text)).toEqual({ ok: true, value }));

test.each([
  ['[[[[]]]]', 'TOO_LARGE'],
  ['[1,2,3,4,5,6,7]', 'TOO_LARGE'],
  ['[[],[],[],[]]', 'TOO_LARGE'],
  ['{"a":', 'PROJECT_BROKEN'],
  ['', 'PROJECT_BROKEN'],
])('%s is refused', (text, code) => expect(parsed(text)).toMatchObject({ ok: false, error: { code } }));
