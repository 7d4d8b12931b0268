export { bake } from './bake.ts';
export { batch } from './batch.ts';
export { check } from './check.ts';
export { make } from './make.ts';
export { schema } from './schema.ts';
