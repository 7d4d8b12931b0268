import { expect, test, type Page } from '@playwright/test';
import { makeUndrawn, settled } from './testing/workshop.ts';

const words = (page: Page) => page.getByLabel('Words', { exact: true });
const saving = (page: Page) => page.getByRole('banner').getByRole('status');

test('words that build nothing say so and stay', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await words(page).fill('');
  await expect(page.getByText('0 faces')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save as' })).toBeDisabled();
  await words(page).fill('   ');
  await expect(page.getByText('0 faces')).toBeVisible();
  await words(page).fill('K陶');
  await expect(page.getByText(/陶/).last()).toBeVisible();
  const long = 'pot '.repeat(2500);
  await words(page).fill(long);
  await expect(page.getByText(/held back/)).toBeVisible();
  await expect(saving(page)).toHaveText('saved');
  await page.reload();
  await expect(words(page)).toHaveValue(long);
});

test('values outside their range stay in the field, the document keeps the last good one', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  const figures = await settled(page);
  for (const [label, typed] of [
    ['Capitals', '0'],
    ['Capitals', ''],
    ['Raise', '-5'],
    ['In', '99999999'],
  ]) {
    const field = page.getByLabel(label, { exact: true });
    const before = await field.inputValue();
    await field.fill(typed);
    await field.blur();
    if (typed !== '-5') await expect(field).toHaveValue(before);
  }
  expect((await settled(page)).split(' faces')[0]).toBe(figures.split(' faces')[0]);
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
