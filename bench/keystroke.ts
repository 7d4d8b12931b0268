import type { Say } from './figures.ts';
import { atShare, editsToMesh, openWords, withPage } from './page.ts';

const WARM_UP = 15;
const KEYS = 'Saltglaze Row kiln opening, pots by the lane, glazes, salt and ash, mugs and jugs, bread at noon';

/** Types into the words field of a real page and reads the page's own measures from edit to mesh. */
export const benchKeystrokes = (say: Say): Promise<string> =>
  withPage(async (page) => {
    await openWords(page, 'Kiln');
    await page.getByRole('textbox', { name: 'Words', exact: true }).click();
    await page.keyboard.press('End');
    for (const key of KEYS) {
      await page.keyboard.type(key);
      await page.waitForTimeout(60);
    }
    await page.waitForTimeout(500);
    const all = await editsToMesh(page);
    const times = all.slice(Math.min(WARM_UP, all.length - 10));
    const at = (share: number): string => `${atShare(times, share).toFixed(1)} ms`;
    say.put('keystroke to mesh, p95', atShare(times, 0.95), 'ms', { n: times.length });
    return `${times.length} keystrokes: p50 ${at(0.5)}, p95 ${at(0.95)}`;
  });
