import { readFileSync, writeFileSync } from 'node:fs';
import { ROOT, run } from './steps.mjs';

// Writes the parts of docs/ that follow from the code.
run('npx', ['tsc', '-b', 'packages/cli']);
const { DOCS, withParts } = await import(`${ROOT}/packages/cli/dist/docs/index.js`);
for (const file of DOCS) {
  const path = `${ROOT}/docs/${file}`;
  writeFileSync(path, withParts(file, readFileSync(path, 'utf8')));
}
