import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import swcJest from '@swc/jest';

/**
 * Tests run in a context of their own, where every look at a global goes through an interceptor: `Math.abs` in a loop
 * takes seventy times as long as it does in the application. So each module takes those that loops use once, on its
 * first line. Clocks and timers are not among them, since tests put others in their place.
 */
const NAMES = [
  'Math',
  'Number',
  'Infinity',
  'NaN',
  'Array',
  'Object',
  'Map',
  'Set',
  'BigInt',
  'String',
  'Float64Array',
  'Float32Array',
  'Int32Array',
  'Uint32Array',
  'Uint16Array',
  'Uint8Array',
  'BigInt64Array',
  'DataView',
  'ArrayBuffer',
];

const OWN = createHash('sha256')
  .update(readFileSync(fileURLToPath(import.meta.url)))
  .digest('hex');

const swc = swcJest.createTransformer({
  jsc: {
    parser: { syntax: 'typescript', tsx: true },
    target: 'es2022',
    transform: { react: { runtime: 'automatic' } },
  },
  module: { type: 'es6' },
});

/** On the line that is there, so that places in errors stay true; a module's own name comes before the global. */
function withLocals(code) {
  const used = NAMES.filter((name) => new RegExp(`\\b${name}\\b`).test(code) && !declares(code, name));
  const strict = /^['"]use strict['"];/.test(code) ? '"use strict";' : '';
  return used.length === 0 ? code : `${strict}const { ${used.join(', ')} } = globalThis; ${code}`;
}

const declares = (code, name) =>
  new RegExp(`\\b(?:const|let|var|function|class|as|import)\\s+${name}\\b|[{,]\\s*${name}\\s*[,}]`).test(code);

export default {
  ...swc,
  process(source, path, options) {
    const made = swc.process(source, path, options);
    return { ...made, code: withLocals(made.code) };
  },
  async processAsync(source, path, options) {
    const made = await swc.processAsync(source, path, options);
    return { ...made, code: withLocals(made.code) };
  },
  // what was made is kept until this file changes too
  getCacheKey: (...asked) => `${swc.getCacheKey(...asked)} ${OWN}`,
};
