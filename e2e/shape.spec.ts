import { expect, test } from '@playwright/test';
import { checkMesh, readObj, unwrap } from '@fictile/core';
import { commandLine } from './testing/commandLine.ts';
import { choose, makeUndrawn, saveAs, settled, typeValue, words } from './testing/workshop.ts';

test('words are bent, typed anew, undone, and written as the command line writes them', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const steps = page.getByTestId('step');
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByRole('menuitem', { name: 'Twist', exact: true }).hover();
  await page.keyboard.press('Escape');
  await expect(steps).toHaveCount(0);
  await choose(page, /^Add a step$/, 'Bend');
  await expect(steps).toContainText(/Bend by/);
  await typeValue(page, 'Angle', '90');
  await choose(page, /^What stays: /, 'the point');
  await choose(page, /^What keeps its length: /, 'The layer of the centre');
  await words(page).fill('Kilns');
  await settled(page);
  await expect(steps).toContainText(/Bend by/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(words(page)).toHaveValue('Kiln');
  await settled(page);
  const bytes = await saveAs(page, 'OBJ');
  expect(checkMesh(unwrap(readObj(bytes)))).toMatchObject({
    closed: true,
    manifold: true,
    outward: true,
    crossingFaces: 0,
  });
  expect(bytes.equals(await commandLine(['--text', 'Kiln', '--bend', '90'], 'bent.obj'))).toBe(true);
});

test('faces that are too long for the shape are told and cured, and so is a fold', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await choose(page, /^Add a step$/, 'Bend');
  await expect(page.getByText(/Edges up to .* mm, as the shape needs/)).toBeVisible();
  await choose(page, /^Faces: /, 'Squares');
  await typeValue(page, 'Size of faces', '24');
  await page.getByRole('button', { name: 'Make them finer' }).click();
  await expect(page.getByText(/Edges up to .* mm, as the shape needs/)).toBeVisible();
  await choose(page, /^What keeps its length: /, 'The front');
  await typeValue(page, 'Angle', '900');
  const told = page.getByRole('region', { name: 'Steps' });
  await expect(told.getByText(/folds the letters/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Use \d/ })
    .first()
    .click();
  await expect(told.getByText(/folds the letters/)).toBeHidden();
});

test('steps are moved by their grips, with the mouse and by keyboard', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  for (const step of ['Bend', 'Twist', 'Waves']) await choose(page, /^Add a step$/, step);
  const steps = page.getByTestId('step');
  const order = async (...names: string[]): Promise<void> => {
    for (const [i, name] of names.entries()) await expect(steps.nth(i)).toContainText(name);
  };
  await order('Bend', 'Twist', 'Wave');
  const [grip, place] = await Promise.all([
    page.getByRole('button', { name: 'Waves: move' }).boundingBox(),
    steps.first().boundingBox(),
  ]);
  if (!grip || !place) throw new Error('nothing to pull');
  await page.mouse.move(grip.x + 5, grip.y + 5);
  await page.mouse.down();
  await page.mouse.move(grip.x + 5, place.y + 4, { steps: 8 });
  await page.mouse.up();
  await order('Wave', 'Bend', 'Twist');
  await page.getByRole('button', { name: 'Bend: move' }).focus();
  const told = page.locator('[id^=DndLiveRegion]').filter({ hasText: 'Bend' });
  await page.keyboard.press('Space');
  await expect(told).toContainText('would be 2 of 3');
  // a key that comes before the places of the rows are measured moves nothing
  await expect(async () => {
    await page.keyboard.press('ArrowDown');
    await expect(told).toContainText('would be 3 of 3', { timeout: 1000 });
  }).toPass();
  await page.keyboard.press('Space');
  await expect(told).toContainText('put down, 3 of 3');
  await order('Wave', 'Twist', 'Bend');
  await page.getByRole('button', { name: 'Undo' }).click();
  await order('Wave', 'Bend', 'Twist');
});
