import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkMesh, readObj, unwrap } from '@fictile/core';
import { expect, test, type Page } from '@playwright/test';
import { validateBytes } from 'gltf-validator';
import { makeProject, makeUndrawn, saveAs, settled } from './testing/workshop.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

const value = (page: Page, label: string) => page.getByLabel(label, { exact: true });

test('type, change, undo, reload, download', async ({ page }) => {
  await makeProject(page, 'KILN OPENING');
  const first = await settled(page);
  expect(await page.evaluate(() => crossOriginIsolated)).toBe(true);

  await value(page, 'Raise').fill('30');
  await value(page, 'Front edge').selectOption('chamfer');
  await value(page, 'Words').fill('KILNS OPENING');
  await expect(page.getByTestId('figures')).not.toHaveText(first);
  await value(page, 'Words').blur();
  await page.keyboard.press('Control+z');
  await expect(value(page, 'Words')).toHaveValue('KILN OPENING');
  await page.keyboard.press('Control+Shift+z');
  await expect(value(page, 'Words')).toHaveValue('KILNS OPENING');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('status').first()).toHaveText('saved');

  await page.reload();
  await settled(page);
  await expect(value(page, 'Words')).toHaveValue('KILN OPENING');
  await expect(value(page, 'Raise')).toHaveValue('30 mm');
  await expect(value(page, 'Front edge')).toHaveValue('chamfer');

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

test('a GLB is without fault for the standard’s own validator', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const report = await validateBytes(new Uint8Array(await saveAs(page, 'GLB')));
  expect(report.issues.messages).toEqual([]);
  expect(report.info.totalTriangleCount).toBeGreaterThan(500);
});

test('the checks tell what the mesh is', async ({ page }) => {
  await makeUndrawn(page, 'Glaze');
  await settled(page);
  await page.getByRole('button', { name: 'Check the mesh' }).click();
  const checks = page.getByTestId('checks');
  await expect(checks.getByRole('row', { name: /Closed/ })).toContainText('yes');
  await expect(checks.getByRole('row', { name: /Crossing faces/ })).toContainText('none');
});

/** The file that the same values give without a browser. */
async function commandLine(flags: readonly string[], name: string): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'fictile-make-'));
  try {
    const out = join(folder, name);
    execFileSync('node', ['packages/cli/bin/fictile.js', 'make', ...flags, '--out', out, '--quiet'], { cwd: ROOT });
    return await readFile(out);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
