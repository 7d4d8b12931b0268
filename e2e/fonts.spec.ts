import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { fontPath, SHIPPED_FONTS } from '@fictile/fonts';
import { settled, withoutDrawing } from './testing/workshop.ts';

const rye = SHIPPED_FONTS.find((f) => f.family === 'Rye')?.styles[0].hash ?? '';

test('a font is brought in, words are set in it, and the project takes it along in its file', async ({ page }) => {
  await withoutDrawing(page);
  await page.goto('/fonts');
  await page.getByRole('button', { name: /^Kiln Opening Work Sans/ }).waitFor();
  await page.locator('#root input[type=file][multiple]').setInputFiles([
    {
      name: 'Broken.woff2',
      mimeType: 'font/woff2',
      buffer: Buffer.from('wOF2 but nothing more than that, which is no font at all'),
    },
    { name: 'Sign.ttf', mimeType: 'font/ttf', buffer: await readFile(fontPath(rye) ?? '') },
  ]);
  await expect(page.getByText(/^Broken.woff2 can’t be read/)).toBeVisible();
  const facts = page.getByRole('complementary', { name: 'Rye (brought in)' });
  await expect(facts.getByText(/edges up to [\d.]+ mm leave a flat front/)).toBeVisible();
  await facts.getByRole('button', { name: 'Make a project in it' }).click();
  await page.waitForURL(/projects/);
  await settled(page);
  await expect(page.getByRole('button', { name: 'Font: Rye (brought in) Regular' })).toBeVisible();
  await expect(page.getByText('all well')).toBeVisible();

  await page.goto('/');
  await page
    .getByRole('button', { name: /^More for Kiln Opening/ })
    .first()
    .click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a file' }).click();
  const path = await (await download).path();
  expect((await readFile(path)).toString('latin1')).toContain(rye); // named by its hash inside

  await page.goto('/fonts');
  await page.getByRole('button', { name: /Rye \(brought in\)/ }).click();
  await page.getByRole('button', { name: 'Take out of the case' }).click();
  await expect(page.getByText(/is out of the case/)).toBeVisible();
  await page.goto('/');
  await page
    .locator('input[type=file][accept=".fictile"]')
    .setInputFiles({ name: 'a.fictile', mimeType: 'application/zip', buffer: await readFile(path) });
  await page.waitForURL(/projects/);
  await settled(page);
  await expect(page.getByRole('button', { name: 'Font: Rye (brought in) Regular' })).toBeVisible();
});
