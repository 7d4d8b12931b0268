import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';

const PORT = 4391;
const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** The real page on a server and data of its own, without a graphics card. */
export async function withPage<T>(work: (page: Page) => Promise<T>): Promise<T> {
  const data = await mkdtemp(join(tmpdir(), 'fictile-bench-'));
  const server = await startServer(data);
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  try {
    return await work(await browser.newPage());
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

/** A new project of words, its view not drawn. */
export async function openWords(page: Page, words: string): Promise<void> {
  await page.goto(addressOf('/'));
  await page.getByLabel('Type words').fill(words);
  await page.keyboard.press('Enter');
  await page.waitForURL(/projects/);
  await page.goto(`${page.url()}?view=off`);
}

export const addressOf = (path: string): string => `http://localhost:${PORT}${path}`;

/** What the page itself measured from edit to mesh so far, ms. */
export const editsToMesh = (page: Page): Promise<number[]> =>
  page.evaluate(() => performance.getEntriesByName('edit to mesh').map((entry) => entry.duration));

/** The value that a share of all lies below. */
export function atShare(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(share * (sorted.length - 1))];
}
