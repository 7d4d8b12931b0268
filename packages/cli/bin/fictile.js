#!/usr/bin/env node
import { existsSync } from 'node:fs';
import { setFlagsFromString } from 'node:v8';

const main = new URL('../bundle/main.js', import.meta.url);
if (!existsSync(main)) {
  process.stderr.write('fictile: NOT_BUILT: the command line is not built yet. Run `npm ci && npm run build` first.\n');
  process.exit(1);
}
// A call is over before most of what the engine compiles for speed has paid for itself: waiting longer before it does
// takes a quarter less of the processor (measured with Node 20; others have not been tried, and may not know the word).
if (process.version.startsWith('v20.')) setFlagsFromString('--interrupt-budget=300000');
await import(main.href);
