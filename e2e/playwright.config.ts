import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { chromiumPath } from '../scripts/chromium.mjs';

const PORT = Number(process.env.E2E_PORT ?? 4317);
/** A fresh database for every run. */
const data = process.env.E2E_DATA ?? (process.env.E2E_DATA = mkdtempSync(join(tmpdir(), 'fictile-e2e-')));

export default defineConfig({
  testDir: '.',
  outputDir: './results',
  timeout: 90_000,
  expect: { timeout: 30_000 },
  workers: 1,
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : 'list',
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--use-gl=angle',
        '--use-angle=swiftshader',
        '--enable-unsafe-swiftshader',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        // only the view itself is drawn by what stands in for a graphics card, not the page about it
        '--disable-gpu-compositing',
      ],
    },
  },
  webServer: {
    command: 'node packages/server/dist/seed/main.js && node packages/server/dist/main.js',
    cwd: '..',
    url: `http://localhost:${PORT}/api/projects`,
    env: { PORT: String(PORT), FICTILE_DATA: data, LOG_LEVEL: 'warn' },
    reuseExistingServer: false,
    timeout: 60_000,
  },
});
