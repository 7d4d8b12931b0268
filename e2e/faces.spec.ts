import { writeFile } from 'node:fs/promises';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { checkMesh, readBack, unwrap } from '@fictile/core';
import { choose, makeUndrawn, saveAs, settled } from './testing/workshop.ts';

const serious = async (page: Page): Promise<string[]> => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id);
};

test('faces flow, a step rounds them, and the file holds quads alone', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  await choose(page, /^Faces: /, 'Flowing quads');
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByRole('menuitem', { name: 'Subdivide', exact: true }).click();
  await choose(page, /^Subdivide: (flat|rounded)/, 'rounded');
  await settled(page);
  await expect(page.getByTestId('step')).toContainText('faces');
  const bytes = await saveAs(page, 'OBJ');
  const report = checkMesh(unwrap(await readBack(bytes, 'obj')).mesh);
  expect(report).toMatchObject({ closed: true, manifold: true, crossingFaces: 0 });
  expect(report.quadAreaShare).toBeGreaterThan(0.999);
});

test('checks know what the mesh is meant for, cure it, and draw their charts', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  const checks = page.getByTestId('checks');
  await choose(page, /^Meant for: /, 'animation');
  await expect(checks.getByRole('status')).toHaveText('some to mind');
  await checks.getByRole('button', { name: 'Use flowing quads' }).click();
  await expect(checks.getByRole('status')).toHaveText('all well');
  await checks.getByRole('button', { name: 'Charts' }).click();
  await expect(checks.getByRole('figure', { name: /^Edge lengths/ })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Faces: Plain faces' })).toBeVisible();
});

test('another state is held against the one at work', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  await choose(page, /^Faces: /, 'Squares');
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await page.getByRole('menuitem', { name: 'With plain faces' }).click();
  await expect(page.getByText('Compared with: with plain faces')).toBeVisible();
  await expect(page.getByTestId('compared')).toHaveAttribute('aria-busy', 'false');
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Laid over as lines' }).click();
  await expect(page.getByTestId('compared')).toHaveCount(0);
  await page.getByRole('button', { name: 'Stop comparing' }).click();
  await expect(page.getByText(/^Compared with/)).toHaveCount(0);
});

test('meshes of others are judged on the rack; what is none is told', async ({ page }, info) => {
  const open = info.outputPath('open.obj');
  await writeFile(open, 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n');
  await page.goto('/');
  const give = async (path: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Check a mesh' }).click();
    await (await chooser).setFiles(path);
  };
  await give(open);
  const checked = page.getByTestId('checked');
  await expect(checked).toContainText('open.obj');
  await expect(checked).toContainText(/Closedno/);
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Escape');
  const broken = info.outputPath('broken.stl');
  await writeFile(broken, 'not a mesh at all');
  await give(broken);
  await expect(page.getByRole('dialog')).toContainText(/can.t be read/);
});
