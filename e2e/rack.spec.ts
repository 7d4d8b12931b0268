import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { makeUndrawn, saving, settled, typeValue, value, words } from './testing/workshop.ts';

test('the sample projects hang on the rack with their pictures', async ({ page }) => {
  // pictures are made one after the other, by software: on a busy machine this takes its time
  test.setTimeout(300_000);
  await page.goto('/');
  // the first few show that they come; all of them are in the screenshots
  await expect(page.getByRole('listitem').locator('img').nth(5)).toBeVisible({ timeout: 270_000 });
});

test('a project goes out as a file and comes back as a new project; the first goes into the bin', async ({ page }) => {
  await makeUndrawn(page, 'Crate of mugs');
  await settled(page);
  await typeValue(page, 'Raise', '33');
  await expect(saving(page)).toHaveText('saved');
  await page.goto('/');
  const cards = page.getByRole('listitem').filter({ hasText: 'Crate of mugs' });
  const pick = async (item: string): Promise<void> => {
    await cards
      .first()
      .getByRole('button', { name: /^More for/ })
      .click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  const download = page.waitForEvent('download');
  await pick('Save as a file');
  const saved = await download;
  expect(saved.suggestedFilename()).toBe('Crate of mugs.fictile');
  const bytes = await readFile(await saved.path());
  await pick('Put into the bin');
  await expect(cards).toHaveCount(0);
  await page
    .locator('input[type=file][accept=".fictile"]')
    .setInputFiles({ name: 'mugs.fictile', mimeType: 'application/zip', buffer: bytes });
  await expect(words(page)).toHaveValue('Crate of mugs');
  await expect(value(page, 'Raise')).toHaveAttribute('aria-valuenow', '33');
  await page.goto('/?bin');
  await cards
    .first()
    .getByRole('button', { name: /^More for/ })
    .click();
  await page.getByRole('menuitem', { name: 'Back to the rack' }).click();
  await page.goto('/');
  await expect(cards).toHaveCount(2);
});
