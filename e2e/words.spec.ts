import { expect, test } from '@playwright/test';
import { choose, makeProject, makeUndrawn, settled, typeValue, value, words } from './testing/workshop.ts';

test('words go round a circle, and the cure makes it wide enough', async ({ page }) => {
  await makeUndrawn(page, 'Saltglaze Row kiln opening weekend');
  await settled(page);
  await choose(page, /^Set: /, 'round a circle');
  await expect(page.getByText(/longer than their circle/)).toBeVisible();
  await page.getByRole('button', { name: /^Use \d+ mm$/ }).click();
  await expect(page.getByText(/longer than their circle/)).toHaveCount(0);
  const label = await settled(page);
  const [width, height] = (/(\d+) × (\d+)/.exec(label) ?? []).slice(1).map(Number);
  expect(width / height).toBeGreaterThan(0.9);
  expect(width / height).toBeLessThan(1.1);
});

test('arrow keys try fonts on the solid, Escape gives the old one back', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  const before = await settled(page);
  await page.getByRole('button', { name: /^Font: / }).click();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByTestId('figures')).not.toHaveText(before);
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('figures')).toHaveText(before);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('other fonts stand in for what one lacks', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await words(page).fill('Kiln كوز 窯');
  await expect(page.getByText(/Noto Sans Arabic Bold stands in for/)).toBeVisible();
  await expect(page.getByText(/Noto Sans JP Bold stands in for 窯/)).toBeVisible();
  await expect(page.getByText('all well')).toBeVisible();
});

test('letters picked on the solid keep what is said of them when the words change', async ({ page }) => {
  await makeProject(page, 'Kiln');
  await settled(page);
  await page.getByRole('img', { name: 'View of the solids' }).dblclick();
  await page.getByRole('textbox', { name: 'Words on the letters' }).press('Home');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Escape');
  await typeValue(page, 'These letters, turned', '30');
  await words(page).fill('The Kiln');
  await expect(value(page, 'These letters, turned')).toHaveText('30°');
  await page.keyboard.press('Escape'); // out of the field, then out of the chapter
  await page.keyboard.press('Escape');
  await expect(page.getByText('1 letter has something of its own.')).toBeVisible();
  await page.getByRole('button', { name: 'Make all alike' }).click();
  await expect(page.getByText('something of its own')).toHaveCount(0);
});
