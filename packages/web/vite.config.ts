import react from '@vitejs/plugin-react';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig, type Rolldown } from 'vite';
import wasm from 'vite-plugin-wasm';

/** The page needs cross-origin isolation for shared memory, in development as behind our own server. */
const headers = { 'Cross-Origin-Opener-Policy': 'same-origin', 'Cross-Origin-Embedder-Policy': 'require-corp' };

/**
 * Packages that also run in Node ask there for its modules; in a browser they never get that far, so it is no warning.
 */
const rolldownOptions: Rolldown.RolldownOptions = {
  onLog: (level, log, handler) => {
    if (!log.message.includes('has been externalized for browser compatibility')) handler(level, log);
  },
};

/** Names what computes meshes: all source files of the packages that do. */
function coreBuild(): string {
  const hash = createHash('sha256');
  for (const folder of ['core/src', 'kernels/src'].map((path) => join(import.meta.dirname, '..', path)))
    for (const file of readdirSync(folder, { recursive: true, encoding: 'utf8' }).sort())
      if (/(?<!\.test)\.ts$/.test(file)) hash.update(file).update(readFileSync(join(folder, file)));
  return hash.digest('hex').slice(0, 16);
}

export default defineConfig({
  define: { 'import.meta.env.VITE_CORE_BUILD': JSON.stringify(coreBuild()) },
  plugins: [react(), wasm()],
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  worker: { format: 'es', plugins: () => [wasm()], rolldownOptions },
  build: { target: 'es2022', chunkSizeWarningLimit: 1400, rolldownOptions },
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  server: { port: 5173, headers, proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4173}` } },
});
