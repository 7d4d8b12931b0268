import { expect, test } from '@playwright/test';
import { makeUndrawn, saving, settled, typeValue, value, words } from './testing/workshop.ts';

test('a second tab follows what the first saves, and of two that typed at once each keeps its own', async ({
  page,
  context,
}) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const other = await context.newPage();
  await other.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await other.goto(page.url());
  await settled(other);
  await typeValue(page, 'Raise', '25');
  await expect(value(other, 'Raise')).toHaveAttribute('aria-valuenow', '25');

  await other.route('**/api/projects/**', (route) => route.abort());
  await words(other).fill('Row');
  await expect(saving(other)).toContainText('no connection');
  await words(page).fill('Kilns');
  await expect(saving(page)).toHaveText('saved');
  await expect(saving(other)).toContainText('newer version');
  await other.unroute('**/api/projects/**');
  await other.getByRole('button', { name: 'Keep mine as a new project' }).click();
  await expect(other).not.toHaveURL(page.url());
  await expect(words(other)).toHaveValue('Row');
  await expect(words(page)).toHaveValue('Kilns');
});

test('what a closed tab could not send is taken up by the next', async ({ page, context }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.route('**/api/projects/**', (route) => route.abort());
  await words(page).fill('Kiln by night');
  await expect(saving(page)).toContainText('no connection');
  const address = page.url();
  await page.close();
  const next = await context.newPage();
  await next.goto(address);
  await expect(words(next)).toHaveValue('Kiln by night');
  await expect(saving(next)).toHaveText('saved');
});

test('a version is kept by name and gone back to; that is undone too', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await typeValue(page, 'Raise', '31');
  await page.getByTitle('Versions').click();
  await page.getByLabel('Keep this version as').fill('Before the fair');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listitem').filter({ hasText: 'Before the fair' })).toBeVisible();
  await page.keyboard.press('Escape');
  await words(page).fill('Fair');
  await expect(saving(page)).toHaveText('saved');
  await page.getByTitle('Versions').click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Before the fair' })
    .getByRole('button', { name: 'Go back to it' })
    .click();
  await page.keyboard.press('Escape');
  await expect(words(page)).toHaveValue('Kiln');
  await expect(value(page, 'Raise')).toHaveAttribute('aria-valuenow', '31');
  await page.keyboard.press('Control+z');
  await expect(words(page)).toHaveValue('Fair');
});
