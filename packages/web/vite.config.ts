import react from '@vitejs/plugin-react';
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

export default defineConfig({
  plugins: [react(), wasm()],
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  worker: { format: 'es', plugins: () => [wasm()], rolldownOptions },
  build: { target: 'es2022', chunkSizeWarningLimit: 1400, rolldownOptions },
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  server: { port: 5173, headers, proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4173}` } },
});
