import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { checkMesh, readBack, unwrap } from '@fictile/core';
import { choose, makeUndrawn, saveAs, settled, typeValue, value } from './testing/workshop.ts';

const isFor = (page: Page, name: string): Promise<string | null> =>
  page.getByRole('button', { name: new RegExp(`^${name}: `) }).textContent();

async function drag(page: Page, what: Locator, { x, y }: { x: number; y: number }): Promise<void> {
  const box = await what.boundingBox();
  if (!box) throw new Error('nothing to drag');
  const [fromX, fromY] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  await page.mouse.move(fromX + x, fromY + y, { steps: 5 });
  await page.mouse.up();
}

test('kinds of edges are shown as the pointer reaches them, and taken back by Escape', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.getByRole('button', { name: /^Front edge: / }).click();
  await page.getByRole('menuitem', { name: 'an ogee', exact: true }).hover();
  await expect.poll(() => isFor(page, 'Front edge')).toBe('an ogee');
  await page.keyboard.press('Escape');
  await expect.poll(() => isFor(page, 'Front edge')).toBe('rounded');
});

test('a section is drawn with the mouse, kept by name and handed over', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  await page.keyboard.press('d');
  const card = page.getByRole('region', { name: 'The section' });
  await card.getByRole('button', { name: 'drawn', exact: true }).click();
  await drag(page, card.getByRole('button', { name: /^Where the edge meets the face/ }), { x: 40, y: 0 });
  await drag(page, card.getByRole('button', { name: /^Point 2,/ }), { x: -60, y: 20 });
  await expect(card.getByText(/^Point 2 of 3/)).toBeVisible();
  await expect(card.getByText('R, cut across')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id)).toEqual([]);
  await card.getByRole('textbox', { name: 'Keep this one as' }).fill('Kiln lip');
  await page.keyboard.press('Enter');
  await card.getByRole('button', { name: 'plain', exact: true }).click();
  await card.getByRole('button', { name: 'Kiln lip', exact: true }).click();
  await expect.poll(() => isFor(page, 'Front edge')).toBe('drawn');
  await page.keyboard.press('Escape');
  await expect(card).toHaveCount(0);
  await choose(page, /^Back edge: /, 'the same as the front');
  await settled(page);
  const obj = unwrap(await readBack(await saveAs(page, 'OBJ'), 'obj'));
  expect(checkMesh(obj.mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
});

test('a body that is turned and swells is told of where letters run into each other', async ({ page }) => {
  await makeUndrawn(page, 'HIH');
  await settled(page);
  await page.locator('[data-chapter="solid"]').getByRole('button', { name: 'more' }).last().click();
  await typeValue(page, 'Front swells', '4');
  await typeValue(page, 'Turned from front to back', '20');
  await choose(page, /^What turns and narrows: /, 'each letter about its own middle');
  expect(await settled(page)).toContain('22 mm');
  await expect(page.getByText(/walls run into each other/)).toHaveCount(0);
  await typeValue(page, 'Turned from front to back', '90');
  await expect(page.getByText(/walls run into each other/)).toBeVisible();
  await expect(value(page, 'Front swells')).toHaveText('4 mm');
});
