import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The page needs cross-origin isolation for shared memory, in development as behind our own server. */
const headers = { 'Cross-Origin-Opener-Policy': 'same-origin', 'Cross-Origin-Embedder-Policy': 'require-corp' };

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 1200 },
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  server: { port: 5173, headers, proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4173}` } },
});
