import { expect, test } from '@playwright/test';
import { checkMesh, readObj, unwrap } from '@fictile/core';
import {
  addForm,
  choose,
  makeUndrawn,
  onItsWay,
  pieces,
  putOn,
  saveAs,
  settled,
  typeValue,
  value,
  words,
} from './testing/workshop.ts';

test('words are laid round a jug, typed anew, and laid another way', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  await addForm(page, 'Jug');
  await expect(page.getByRole('region', { name: 'Form' })).toContainText('turned round');
  await pieces(page).getByRole('treeitem', { name: /^Row/ }).first().click();
  await typeValue(page, 'Size', '20');
  await putOn(page, 'Row');
  await onItsWay(page).getByRole('button', { name: 'lie on' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('step')).toHaveCount(0);
  await putOn(page, 'Row');
  await onItsWay(page).getByRole('button', { name: 'lie on' }).click();
  await onItsWay(page).getByRole('button', { name: 'Put it here' }).click();
  await expect(page.getByText(/^True to the flat letters within/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('region', { name: 'Place' })).toContainText('Lies on Jug');
  await words(page).fill('Rows');
  await settled(page);
  await expect(page.getByText(/^True to the flat letters within/)).toBeVisible({ timeout: 30_000 });
  await choose(page, /^How it is laid: /, 'from one direction');
  await settled(page);
  const bytes = await saveAs(page, 'OBJ');
  expect(checkMesh(unwrap(readObj(bytes)))).toMatchObject({ closed: true, manifold: true, outward: true });
});

test('a model comes in, a broken one is refused, words are put on it; when it is gone that is told', async ({
  page,
}) => {
  await makeUndrawn(page, 'IL');
  await settled(page);
  await typeValue(page, 'Size', '20');
  const cube = [
    'v -50 0 -50',
    'v 50 0 -50',
    'v 50 100 -50',
    'v -50 100 -50',
    'v -50 0 50',
    'v 50 0 50',
    'v 50 100 50',
    'v -50 100 50',
    'f 1 4 3 2',
    'f 5 6 7 8',
    'f 1 2 6 5',
    'f 4 8 7 3',
    'f 1 5 8 4',
    'f 2 3 7 6',
  ];
  const bring = async (name: string, text: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('complementary', { name: 'Pieces' }).getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Model from a file' }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  };
  await bring('broken.obj', 'v 1 2\nf 1 2 9');
  await expect(page.getByText(/^broken.obj can’t be read as a mesh/)).toBeVisible();
  await bring('crate.obj', cube.join('\n'));
  await expect(page.getByRole('region', { name: 'Model' })).toContainText('millimetres');
  await settled(page);
  await putOn(page, 'IL');
  await expect(onItsWay(page)).toContainText('Laid flat, because the surface is flat here.');
  await onItsWay(page).getByRole('button', { name: 'lie on' }).click();
  await onItsWay(page).getByRole('button', { name: 'Put it here' }).click();
  await choose(page, /^How it is laid: /, 'laid round');
  await expect(page.getByText(/Beside the model or over its edge|True to the flat letters/).first()).toBeVisible({
    timeout: 30_000,
  });
  await page.getByRole('button', { name: 'Fit into the flat place' }).click();
  await settled(page);
  // nine tenths of the side of the crate
  const size = async (): Promise<number> => Number.parseFloat(await value(page, 'Size').innerText());
  await expect.poll(size).toBeGreaterThan(60);
  await typeValue(page, 'Size', '20');
  await choose(page, /^Its line: /, 'along a line drawn on it');
  await page.getByRole('button', { name: 'Places of the line' }).click();
  await page.getByRole('textbox', { name: 'Places of the line' }).fill('-40, 20, 50\n0, 50, 50\n40, 80, 50');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('step')).toContainText('3 places');
  await settled(page);
  const bytes = await saveAs(page, 'OBJ');
  // letters are rooted in the crate, so their faces and the crate's cross
  expect(checkMesh(unwrap(readObj(bytes)))).toMatchObject({ closed: true, manifold: true, outward: true, shells: 3 });
});
