import { expect, test, type Page } from '@playwright/test';
import { addForm, makeUndrawn, putOn, work } from './testing/workshop.ts';

const STEPS = [
  'bend',
  'twist',
  'taper',
  'bulge',
  'noise',
  'waves',
  'along a path',
  'place letters',
  'repeat',
  'remesh',
];

/** Marks that begin a line, with what stands before them, in the chapters as they are laid out now. */
const strayMarks = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const stray: string[] = [];
    for (const chapter of document.querySelectorAll('[data-chapter]')) {
      const walker = document.createTreeWalker(chapter, NodeFilter.SHOW_TEXT);
      let before: DOMRect | undefined;
      let read = '';
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const text = node.textContent ?? '';
        for (let i = 0; i < text.length; i++) {
          if (/[\s\u2060]/.test(text[i])) continue;
          const range = document.createRange();
          range.setStart(node, i);
          range.setEnd(node, i + 1);
          const rect = range.getBoundingClientRect();
          if (rect.width === 0) continue;
          if (/[.,;:)]/.test(text[i]) && before && rect.top > before.bottom - 4)
            stray.push(`${read.slice(-24)}${text[i]}`);
          before = rect;
          read += text[i];
        }
      }
    }
    return stray;
  });

/** With everything folded out, as wide as the recipe may be. */
async function straysAtWidths(page: Page): Promise<string[]> {
  const more = page.getByRole('button', { name: 'more', exact: true });
  while ((await more.count()) > 0) await more.first().click();
  const found: string[] = [];
  for (let width = 320; width <= 420; width += 10) {
    await page.addStyleTag({ content: `aside[aria-label="Recipe"] { width: ${width}px; }` });
    found.push(...(await strayMarks(page)).map((stray) => `${width}: ${stray}`));
  }
  return found;
}

test('no line of a recipe begins with a mark, as wide as the recipe may be', async ({ page }) => {
  await makeUndrawn(page, 'KILN NIGHT');
  for (const step of STEPS) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(`add: ${step}`);
    await expect(page.locator('[data-action]').first()).toContainText(new RegExp(step, 'i'));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await expect(page.getByTestId('step')).toHaveCount(STEPS.length);
  expect(await straysAtWidths(page)).toEqual([]);
});

test('nor does one of what comes of words on a body, on either recipe', async ({ page }) => {
  await makeUndrawn(page, 'IL');
  await addForm(page, 'Slab');
  await putOn(page, 'IL');
  expect(await straysAtWidths(page)).toEqual([]);
  await page.getByRole('button', { name: 'Put it here' }).click();
  await expect(page.getByTestId('step')).toContainText('These words are engraved');
  expect(await straysAtWidths(page)).toEqual([]);
  await work(page, /^Slab/);
  await expect(page.getByTestId('step')).toContainText('IL is engraved');
  expect(await straysAtWidths(page)).toEqual([]);
});
