import { readFile } from 'node:fs/promises';
import { checkMesh, readObj, unwrap } from '@fictile/core';
import { expect, test } from '@playwright/test';
import { validateBytes } from 'gltf-validator';
import { commandLine } from './testing/commandLine.ts';
import {
  choose,
  makeProject,
  makeUndrawn,
  saveAs,
  saving,
  settled,
  typeValue,
  value,
  words,
} from './testing/workshop.ts';

test('type, change, undo, reload, download', async ({ page }) => {
  await makeProject(page, 'KILN OPENING');
  await settled(page);
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);

  await typeValue(page, 'Raise', '2 * 15mm');
  await choose(page, /^Front edge: /, 'chamfered');
  await words(page).fill('KILNS OPENING');
  await words(page).press('Control+z');
  await expect(words(page)).toHaveValue('KILN OPENING');
  await page.keyboard.press('Control+Shift+z');
  await expect(words(page)).toHaveValue('KILNS OPENING');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(saving(page)).toHaveText('saved');

  await page.reload();
  expect(await settled(page)).toMatch(/× 30 mm$/);
  await expect(words(page)).toHaveValue('KILN OPENING');
  await expect(value(page, 'Raise')).toHaveAttribute('aria-valuenow', '30');
  await expect(page.getByRole('button', { name: 'Front edge: chamfered' })).toBeVisible();

  const bytes = await saveAs(page, 'OBJ');
  expect(checkMesh(unwrap(readObj(bytes)))).toMatchObject({
    closed: true,
    manifold: true,
    outward: true,
    crossingFaces: 0,
    degenerate: 0,
  });
  const asked = ['--text', 'KILN OPENING', '--depth', '30mm', '--edge', 'chamfer'];
  expect(bytes.equals(await commandLine(asked, 'kiln.obj'))).toBe(true);
});

test('a GLB of two pieces is without fault for the standard’s own validator', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Words', exact: true }).click();
  await expect(page.getByRole('treeitem')).toHaveCount(2);
  await typeValue(page, 'Turned', '30');
  await choose(page, /^Stands: /, 'on the table');
  const report = await validateBytes(new Uint8Array(await saveAs(page, 'GLB')));
  expect(report.issues.messages).toEqual([]);
  expect(report.info).toMatchObject({ drawCallCount: 9, materialCount: 3 });
  expect(report.info.totalTriangleCount).toBeGreaterThan(1000);
});

test('the checks tell what the mesh is', async ({ page }) => {
  await makeUndrawn(page, 'Glaze');
  await settled(page);
  const checks = page.getByTestId('checks');
  await expect(checks).toContainText('all well');
  await expect(checks).toContainText(/Closed\s*yes/);
  await expect(checks).toContainText(/Crossing faces\s*none/);
});

test('a fault is told where it lies, shown, and mended by one press', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await choose(page, /^Font/, 'Pacifico Regular');
  await page.getByRole('button', { name: 'more', exact: true }).first().click();
  await choose(page, /^Touching letters/, 'stay apart');
  const checks = page.getByTestId('checks');
  await expect(checks).toContainText(/Crossing faces\s*show\s*\d+/);
  await checks.getByRole('button', { name: 'show' }).first().click();
  await expect(checks.getByRole('button', { name: 'hide' })).toBeVisible();
  await page.getByRole('button', { name: 'Join them' }).click();
  await expect(checks).toContainText('all well');
  await expect(checks.getByRole('button', { name: 'hide' })).toHaveCount(0);
});

test('pieces are hidden, duplicated, removed and brought back', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const menu = async (item: string): Promise<void> => {
    await page
      .getByRole('button', { name: /^More for Kiln/ })
      .first()
      .click();
    await page.getByRole('menuitem', { name: item, exact: true }).click();
  };
  await menu('Duplicate');
  await expect(page.getByRole('treeitem')).toHaveCount(2);
  await words(page).fill('Row');
  await menu('Hide');
  await expect(page.getByText('hidden')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('hidden')).toHaveCount(0);
  await menu('Remove');
  await expect(page.getByRole('treeitem')).toHaveCount(1);
  await expect(words(page)).toHaveValue('Row');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('treeitem')).toHaveCount(2);
});

test('a command is found by its words and run by keyboard', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('What do you want to do?').fill('duplicate');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('treeitem')).toHaveCount(2);
});

test('words are typed on the letters themselves', async ({ page }) => {
  await makeProject(page, 'Kiln');
  await settled(page);
  await page.getByRole('img', { name: 'View of the solids' }).dblclick();
  await expect(page.getByRole('textbox', { name: 'Words on the letters' })).toBeFocused();
  await page.keyboard.press('Home');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('o');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.type('h');
  await expect(words(page)).toHaveValue('Kohn');
  await page.keyboard.press('Escape');
  // one step of undo where both letters came in one go, two on a machine that took its time
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(words(page)).toHaveValue('Kiln');
});

test('the view is saved as a picture of the wished size', async ({ page }) => {
  await makeProject(page, 'I');
  await settled(page);
  await page.getByRole('button', { name: 'Hand over' }).click();
  await page.getByRole('textbox', { name: 'Width' }).fill('320');
  await page.getByRole('textbox', { name: 'Height' }).fill('200');
  await page.getByLabel('Clear ground').check();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the picture' }).click();
  const png = await readFile(await (await download).path());
  expect([png.toString('latin1', 1, 4), png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual(['PNG', 320, 200]);
});
