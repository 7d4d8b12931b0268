#!/usr/bin/env node
import { existsSync } from 'node:fs';

const main = new URL('../bundle/main.js', import.meta.url);
if (!existsSync(main)) {
  process.stderr.write('fictile: NOT_BUILT: the command line is not built yet. Run `npm ci && npm run build` first.\n');
  process.exit(1);
}
await import(main.href);
