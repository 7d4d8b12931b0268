import { expect, test, type Page } from '@playwright/test';
import { choose, makeProject, makeUndrawn, settled, typeValue, value } from './testing/workshop.ts';

const canvas = (page: Page) => page.getByRole('img', { name: 'View of the solids' }).locator('canvas');

/** The middle of the view on the page. */
async function middle(page: Page): Promise<[number, number]> {
  const box = await canvas(page).first().boundingBox();
  if (!box) throw new Error('nothing is drawn');
  return [box.x + box.width / 2, box.y + box.height / 2];
}

/** Walks up from the foot of the view to what can be taken hold of. */
async function takeHold(page: Page, { x, from, to }: { x: number; from: number; to: number }): Promise<void> {
  for (let y = from; y > to; y -= 6) {
    await page.mouse.move(x, y);
    if ((await canvas(page).evaluate((c) => c.style.cursor)) === 'grab') return page.mouse.down();
  }
  throw new Error('no handle was found');
}

test('a piece is moved and turned by hand, each drag one step of undo', async ({ page }) => {
  await makeProject(page, 'I');
  await settled(page);
  await page.getByRole('button', { name: 'Top' }).click();
  const view = page.getByRole('group', { name: /^View/ });
  for (let i = 0; i < 4; i++) await view.press('-');
  await page.keyboard.press('6');
  const [x, y] = await middle(page);
  await takeHold(page, { x, from: y + 320, to: y + 20 });
  await page.mouse.move(x + 300, y, { steps: 4 });
  await expect(page.getByText(/^turned \+\d+°$/)).toBeVisible();
  await page.mouse.up();
  await expect(value(page, 'Turned')).not.toHaveText('0°');
  await page.keyboard.press('Control+z');
  await expect(value(page, 'Turned')).toHaveText('0°');

  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 100, y - 50, { steps: 4 });
  await page.mouse.up();
  for (const way of ['Across', 'Up'])
    expect(Number(await value(page, way).getAttribute('aria-valuenow'))).toBeGreaterThan(5);
  await page.keyboard.press('Control+z');
  for (const way of ['Across', 'Up']) await expect(value(page, way)).toHaveText(/^0/);
});

test('views are kept by name, shown side by side, and lit by another light', async ({ page }) => {
  await makeProject(page, 'I');
  await settled(page);
  await page.getByRole('button', { name: 'Side' }).click();
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByRole('textbox', { name: 'Keep this view as' }).fill('From the door');
  await page.keyboard.press('Enter');
  await page.getByRole('switch', { name: 'Second view' }).press('Space');
  await expect(canvas(page)).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Kiln at night' }).click();
  await expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');
  await page.reload();
  await settled(page);
  expect(await page.getByRole('main').evaluate((view) => view.style.background)).toContain('gradient');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('What do you want to do?').fill('door');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Views' }).click();
  await expect(page.getByRole('button', { name: 'From the door', exact: true })).toBeVisible();
});

test('a recipe goes to several pieces at once, and the file is read back', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Words', exact: true }).click();
  await page.keyboard.press('Control+d');
  await page.getByRole('treeitem', { name: /^Kiln, words/ }).click();
  await choose(page, /^Front edge/, 'chamfered');
  await page.keyboard.press('Control+c');
  await page.getByRole('treeitem', { name: /^Words, words/ }).click();
  await page.getByRole('treeitem', { name: /^Words again, words/ }).click({ modifiers: ['Shift'] });
  await page.keyboard.press('Control+v');
  await expect(page.getByText('2 pieces are chosen')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Front edge: chamfered' })).toBeVisible();
  await page.getByRole('treeitem', { name: /^Words, words/ }).click();
  await typeValue(page, 'Across', '400');
  await page.getByRole('treeitem', { name: /^Words again, words/ }).click();
  await typeValue(page, 'Across', '800');
  await settled(page);
  await expect(page.getByTestId('told')).toContainText('Words');
  await page.keyboard.press('h');
  await expect(page.getByTestId('holds')).toContainText('points');
  await page.getByRole('button', { name: 'Read it back' }).click();
  const back = page.getByTestId('read-back');
  await expect(back).toContainText('Named: Kiln, Words, Words again');
  await expect(back).toContainText('Closed, manifold, outward, no crossing faces');
});
