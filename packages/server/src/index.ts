export { createApp } from './app.ts';
export { openDatabase } from './db/open.ts';
export { seed } from './seed/seed.ts';
