export { createApp } from './app.ts';
export { openDatabase } from './db/open.ts';
export { allSamples, seed } from './seed/seed.ts';
