import { expect, test } from '@playwright/test';
import { makeUndrawn, settled, typeValue } from './testing/workshop.ts';

test('what is told says why, with pictures of it before and after its cure', async ({ page, context }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await typeValue(page, 'Raise', '0');
  const opened = context.waitForEvent('page');
  await page.getByRole('link', { name: 'Why: A flat sheet' }).click();
  const help = await opened;
  await expect(help.getByRole('heading', { name: 'A flat sheet' })).toBeVisible();
  await expect(help.getByText('Raised 0 mm: a flat sheet, open at its rim.')).toBeVisible();
  await expect(help.getByRole('img', { name: 'A piece of which is told: A flat sheet' })).toBeVisible();
  await help.close();

  await page.keyboard.press('Control+k');
  await page.keyboard.type('why floating');
  const found = context.waitForEvent('page');
  await page.keyboard.press('Enter');
  const floating = await found;
  await expect(floating.getByRole('img', { name: /^The same piece after “Lay round”/ })).toBeVisible();
  await floating.getByRole('link', { name: 'All help' }).click();
  await floating.getByLabel('Find').fill('hangs on nothing');
  await floating.getByRole('link', { name: 'Loose parts' }).click();
  await floating.getByRole('button', { name: 'Open it as a project' }).click();
  await expect(floating).toHaveURL(/projects/);
  await expect(floating.getByLabel('Name of the project')).toHaveValue('Loose parts');
});
