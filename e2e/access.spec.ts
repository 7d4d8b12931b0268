import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { makeUndrawn, settled } from './testing/workshop.ts';

/** What the checker calls serious or worse, by rule and place. In the dark only colours are other than in the light. */
async function faults(page: Page, colorScheme: 'light' | 'dark'): Promise<string[]> {
  await page.waitForTimeout(400); // colours that are still fading in are no fault
  const checker = new AxeBuilder({ page });
  if (colorScheme === 'dark') checker.withRules(['color-contrast']);
  const { violations } = await checker.analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`nothing serious stands in anybody's way, ${colorScheme}`, () => {
    test.beforeEach(({ page }) => page.emulateMedia({ colorScheme }));
    const nothing = async (page: Page): Promise<void> => expect(await faults(page, colorScheme)).toEqual([]);

    test('rack and bin', async ({ page }) => {
      await page.goto('/');
      await expect(page.getByRole('listitem').first()).toBeVisible();
      await nothing(page);
      await page.goto('/?bin');
      await nothing(page);
    });

    test('type case', async ({ page }) => {
      await page.goto('/fonts');
      await expect(page.getByText('48 families')).toBeVisible();
      await nothing(page);
    });

    test('help', async ({ page }) => {
      await page.goto('/help');
      await expect(page.getByRole('link', { name: 'Loose parts' })).toBeVisible();
      await nothing(page);
      await page.goto('/help/onto-floats');
      await expect(page.getByRole('img', { name: /^The same piece/ })).toBeVisible();
      await nothing(page);
    });

    test('workshop', async ({ page }) => {
      await makeUndrawn(page, 'Kiln');
      await settled(page);
      await expect(page.getByText('all well')).toBeVisible();
      const more = page.getByRole('button', { name: 'more', exact: true });
      while ((await more.count()) > 0) await more.first().click();
      await nothing(page);
      await page.keyboard.press('Control+d');
      await page
        .getByRole('button', { name: /^More for Kiln/ })
        .first()
        .click();
      await page.getByRole('menuitem', { name: 'Lock' }).click();
      await page.getByRole('treeitem', { name: /^Kiln, words/ }).click();
      await expect(page.getByText('This piece is locked.')).toBeVisible();
      await nothing(page);
    });

    test('what opens over it', async ({ page }) => {
      await makeUndrawn(page, 'Kiln');
      await settled(page);
      await page.getByRole('button', { name: 'Hand over' }).click();
      await expect(page.getByTestId('holds')).toContainText('points');
      await nothing(page);
      await page.keyboard.press('Escape');
      await page.getByTitle('Versions').click();
      await expect(page.getByText('version 1')).toBeVisible();
      await nothing(page);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Views' }).click();
      await nothing(page);
      await page.keyboard.press('Escape');
      await page.keyboard.press('Control+k');
      await nothing(page);
    });
  });
}

test('from rack to file by keyboard alone', async ({ page }) => {
  await page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await page.goto('/');
  await expect(page.getByLabel('Type words')).toBeFocused();
  await page.keyboard.type('Ash');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.keyboard.press('1');
  await page.keyboard.press('End');
  await page.keyboard.type(' glaze');
  for (
    let i = 0;
    i < 60 && !(await page.evaluate(() => document.activeElement?.getAttribute('aria-label') === 'Raise'));
    i++
  )
    await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByTestId('figures')).toContainText('× 29 mm');
  await page.keyboard.press('Control+k');
  await expect(page.getByPlaceholder('What do you want to do?')).toBeFocused();
  await page.keyboard.type('hand over');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('holds')).toContainText('points');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).focus();
  await page.keyboard.press('Enter');
  expect((await download).suggestedFilename()).toBe('Ash.glb');
});
