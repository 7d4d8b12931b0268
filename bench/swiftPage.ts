import type { Page } from '@playwright/test';
import { allSamples } from '@fictile/server';
import type { Say } from './figures.ts';
import { addressOf, openWords, withPage } from './page.ts';

/** The engraved vessel among the samples with the most to work out. */
const PROJECT = 'row-basin';
const PULLS = 500;
/** Kept once nobody has changed it for a while. */
const REST_MS = 4000;

/** The page: a project opened for the first and the second time, and five hundred pulls in a row. */
export async function benchSwiftPage(say: Say): Promise<void> {
  await withPage(async (page) => {
    const project = allSamples().find(({ id }) => id === PROJECT);
    await page.goto(addressOf('/'));
    await page.evaluate(
      ([body]) =>
        fetch('/api/projects', {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'idempotency-key': 'bench-opening' },
          body,
        }),
      [JSON.stringify({ project })],
    );
    const first = await opened(page, 'edit to mesh');
    await page.waitForTimeout(REST_MS);
    const second = await opened(page, 'opened to standing');
    say.put('swift: an engraved vessel opened, first visit', first, 'ms', { bar: 4000, aim: 2000 });
    say.put('swift: an engraved vessel opened, second visit', second, 'ms', { bar: 1200, aim: 700 });
    say(`  an engraved vessel opened: first visit ${first.toFixed(0)} ms, second ${second.toFixed(0)} ms`);
    await pulls(page, say);
  });
}

/** From navigation to solids at the renderer, ms. */
async function opened(page: Page, measure: string): Promise<number> {
  await page.goto(addressOf(`/projects/${PROJECT}?view=off`));
  await page.waitForFunction((name) => performance.getEntriesByName(name).length > 0, measure, { timeout: 60_000 });
  return page.evaluate((name) => {
    const [entry] = performance.getEntriesByName(name);
    return entry.startTime + entry.duration;
  }, measure);
}

/** A bend pulled to and fro: how often the page's thread could not answer, and what memory became of it. */
async function pulls(page: Page, say: Say): Promise<void> {
  await openWords(page, 'Kiln opening weekend');
  await page.waitForFunction(() => performance.getEntriesByName('edit to mesh').length > 0);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add: bend');
  await page.keyboard.press('Enter');
  const box = await page.getByRole('spinbutton', { name: 'Angle', exact: true }).boundingBox();
  if (!box) throw new Error('no angle to pull');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const used = (): Promise<number> =>
    page.evaluate(async () => {
      (globalThis as { gc?: () => void }).gc?.();
      return (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize;
    });
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(globalThis, { tasks });
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
      type: 'longtask',
    });
  });
  const pull = async (count: number): Promise<void> => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 0; i < count; i++) await page.mouse.move(x + (i % 40 < 20 ? i % 20 : 20 - (i % 20)), y);
    await page.mouse.up();
    await page.waitForTimeout(1500);
  };
  await pull(PULLS / 5);
  const before = await used();
  await page.evaluate(() => void (globalThis as unknown as { tasks: number[] }).tasks.splice(0));
  await pull(PULLS);
  const after = await used();
  const tasks = await page.evaluate(() => (globalThis as unknown as { tasks: number[] }).tasks);
  say.put('swift: memory of the page after 500 pulls', after / before, 'times', { bar: 1.5 });
  say.put('swift: times the page could not answer for 50 ms', tasks.length, '', { bar: 0, n: PULLS });
  const shown = await page.evaluate(() => performance.getEntriesByName('edit to preview').length);
  if (shown === 0) throw new Error('no pull was shown');
  const longest = Math.max(0, ...tasks);
  say(
    `  ${PULLS} pulls, ${shown} of all shown: ${tasks.length} over 50 ms, the longest ${longest.toFixed(0)} ms, ` +
      `memory of the page ${(before / 1e6).toFixed(0)} then ${(after / 1e6).toFixed(0)} MB`,
  );
}
