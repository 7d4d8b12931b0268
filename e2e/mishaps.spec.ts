import { expect, test } from '@playwright/test';
import { makeUndrawn, saving, settled, typeValue, value, words } from './testing/workshop.ts';

test('words that build nothing say so and stay', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await words(page).fill('');
  await expect(page.getByText('No words yet')).toBeVisible();
  await words(page).fill('   ');
  await expect(page.getByText('No words yet')).toBeVisible();
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.getByRole('button', { name: 'Save the file' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await words(page).fill('K陶\u16a0');
  await expect(page.getByText(/stands in for 陶/)).toBeVisible();
  await expect(page.getByText(/has no shape for \u16a0/)).toBeVisible();
  const long = 'pot '.repeat(2500);
  await words(page).fill(long);
  await expect(page.getByText(/held back/)).toBeVisible();
  await expect(saving(page)).toHaveText('saved');
  await page.reload();
  await expect(words(page)).toHaveValue(long);
});

test('a value that does not fit changes nothing', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  const label = await settled(page);
  for (const [name, typed] of [
    ['Size', '0'],
    ['Size', 'tall'],
    ['Raise', '-5'],
    ['Front edge, in', '99999999'],
    ['Tracking', '1/0'],
  ]) {
    const before = await value(page, name).getAttribute('aria-valuenow');
    await typeValue(page, name, typed);
    await expect(value(page, name)).toHaveAttribute('aria-valuenow', String(before));
  }
  expect(await settled(page)).toBe(label);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a reload while typing loses nothing', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await words(page).click();
  await page.keyboard.press('End');
  await page.keyboard.type(' opening');
  await page.reload();
  await expect(words(page)).toHaveValue('Kiln opening');
  await expect(saving(page)).toHaveText('saved');
});

test('with the server gone, words are kept in the browser and sent when it is back', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.route('**/api/**', (route) => route.abort());
  await words(page).fill('Kiln day');
  await expect(saving(page)).toContainText('no connection');
  await settled(page);
  await page.goto('/');
  await expect(page.getByRole('alert')).toContainText('Is the server running');
  await page.unroute('**/api/**');
  await page.getByText('Try again').click();
  await page.getByRole('link', { name: /Kiln/ }).first().click();
  await expect(words(page)).toHaveValue('Kiln day');
  await expect(saving(page)).toHaveText('saved');
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/projects/nobody');
  await expect(page.getByRole('alert')).toContainText('no such project');
  await page.goto('/somewhere/else');
  await expect(page.getByText('nothing at this address')).toBeVisible();
});
