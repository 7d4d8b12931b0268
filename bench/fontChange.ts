import type { Page } from '@playwright/test';
import type { Say } from './figures.ts';
import { addressOf, atShare, editsToMesh, openWords, withPage } from './page.ts';

/** 40 letters. */
const WORDS = 'Kiln opening weekend at Saltglaze Row pots cups';
/** Styles that are gone through in the menu. */
const STYLES = 40;
const REST_MS = 700;

/**
 * Arrow keys in the font menu of a real page: from the choice of a font to its mesh, the second time through, when
 * every font is loaded.
 */
export const benchFontChange = (yardstickMs: number, say: Say): Promise<string> =>
  withPage(async (page) => {
    await openWords(page, WORDS);
    await page.getByRole('button', { name: /^Font: / }).click();
    await page.getByRole('menuitem').first().waitFor();
    await walk(page, 'ArrowDown');
    const before = (await editsToMesh(page)).length;
    await walk(page, 'ArrowUp');
    const times = (await editsToMesh(page)).slice(before);
    const at = (share: number): string =>
      `${atShare(times, share).toFixed(0)} ms (${(atShare(times, share) / yardstickMs).toFixed(1)} yardsticks)`;
    say.put('fonts: from choice to mesh, p95', atShare(times, 0.95), 'ms', { n: times.length });
    return `${times.length} changes of font, 40 letters: p50 ${at(0.5)}, p95 ${at(0.95)}`;
  });

async function walk(page: Page, key: string): Promise<void> {
  for (let i = 0; i < STYLES; i++) {
    await page.keyboard.press(key);
    await page.waitForTimeout(REST_MS);
  }
}

const WHEELS = 60;
/** A task longer than this is felt. */
const LONG_MS = 50;

/**
 * Scrolls through all families of the type case and back; tasks of the page that are longer than 50 ms are counted by
 * the browser itself.
 */
export const benchScrolling = (yardstickMs: number, say: Say): Promise<string> =>
  withPage(async (page) => {
    await page.goto(addressOf('/fonts'));
    await page.getByRole('button', { name: /Work Sans/ }).waitFor();
    await page.waitForTimeout(2500);
    await page.evaluate(() => {
      const seen: number[] = [];
      Object.assign(window, { longTasks: seen });
      new PerformanceObserver((list) => list.getEntries().forEach((entry) => seen.push(entry.duration))).observe({
        type: 'longtask',
      });
    });
    for (let i = 0; i < WHEELS; i++) {
      await page.mouse.wheel(0, i < WHEELS / 2 ? 120 : -120);
      await page.waitForTimeout(80);
    }
    await page.waitForTimeout(500);
    const tasks = await page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks);
    const longest = Math.max(0, ...tasks);
    say.put('fonts: longest task while scrolling', longest, 'ms', { n: WHEELS });
    return (
      `${WHEELS} turns of the wheel: ${tasks.length} tasks over ${LONG_MS} ms` +
      (tasks.length > 0
        ? `, the longest ${longest.toFixed(0)} ms (${(longest / yardstickMs).toFixed(1)} yardsticks)`
        : '')
    );
  });
