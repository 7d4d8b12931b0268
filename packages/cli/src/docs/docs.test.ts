import { readFileSync } from 'node:fs';
import { DOCS, withParts } from './index.ts';

// `npm run docs` writes them.
test.each(DOCS)('what %s says of the code is what the code says', (file) => {
  const text = readFileSync(`docs/${file}`, 'utf8');
  expect(withParts(file, text)).toBe(text);
});

test('a page without the place is told', () => {
  expect(() => withParts(DOCS[0], '')).toThrow('has no place for');
});
