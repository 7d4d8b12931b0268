import { build } from 'esbuild';
import { ROOT } from './steps.mjs';

// The command line in a few files instead of six hundred: opening those took a second of each call.
const cli = `${ROOT}/packages/cli`;
await build({
  absWorkingDir: cli,
  entryPoints: {
    main: 'dist/main.js',
    // started as threads, by their names beside the file that starts them
    caseWorker: 'dist/commands/caseWorker.js',
    crewWorker: 'dist/crew/crewWorker.js',
  },
  outdir: 'bundle',
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  // these look for files beside themselves, or are loaded when they are first needed
  external: ['@fictile/kernels', '@fictile/fonts', 'harfbuzzjs', 'manifold-3d', 'pdf-lib'],
  // packages of the older kind ask for Node's own modules
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
  logLevel: 'warning',
});
