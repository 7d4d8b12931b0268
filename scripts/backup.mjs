import { existsSync } from 'node:fs';
import { build, ensureInstalled, ROOT, run } from './steps.mjs';

// A copy of the database, also while the server runs; what was built for that server is used as it is.
const main = `${ROOT}/packages/server/dist/backup/main.js`;
if (!existsSync(main)) {
  ensureInstalled();
  build();
}
run('node', [main, ...process.argv.slice(2)]);
