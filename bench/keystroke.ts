import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';

const PORT = 4391;
const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const WARM_UP = 15;
const KEYS = 'Saltglaze Row kiln opening, pots by the lane, glazes, salt and ash, mugs and jugs, bread at noon';

/** Types into the words field of a real page and reads the page's own measures from edit to mesh. */
export async function benchKeystrokes(): Promise<string> {
  const data = await mkdtemp(join(tmpdir(), 'fictile-bench-'));
  const server = await startServer(data);
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  try {
    const page = await browser.newPage();
    const times = await typeWords(page);
    const at = (share: number): string => `${times[Math.floor(share * (times.length - 1))].toFixed(1)} ms`;
    return `${times.length} keystrokes: p50 ${at(0.5)}, p95 ${at(0.95)}`;
  } finally {
    await browser.close();
    server.kill();
    await rm(data, { recursive: true, force: true });
  }
}

async function startServer(data: string): Promise<ChildProcess> {
  const server = spawn('node', ['packages/server/dist/main.js'], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(PORT), FICTILE_DATA: data, LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => server.stdout?.once('data', resolve));
  return server;
}

async function typeWords(page: Page): Promise<number[]> {
  await page.goto(`http://localhost:${PORT}/`);
  await page.getByLabel('Type words').fill('Kiln');
  await page.keyboard.press('Enter');
  await page.waitForURL(/projects/);
  await page.goto(`${page.url()}?view=off`);
  const field = page.getByRole('textbox', { name: 'Words', exact: true });
  await field.click();
  await page.keyboard.press('End');
  for (const key of KEYS) {
    await page.keyboard.type(key);
    await page.waitForTimeout(60);
  }
  await page.waitForTimeout(500);
  const all = await page.evaluate(() => performance.getEntriesByName('edit to mesh').map((entry) => entry.duration));
  return all.slice(Math.min(WARM_UP, all.length - 10)).sort((a, b) => a - b);
}
