import { test } from '@playwright/test';
import { makeProject, settled } from './testing/workshop.ts';
test('look', async ({ page }) => {
  test.setTimeout(240_000);
  page.on('pageerror', (e) => console.log('ERR', e.stack));
  page.on('console', (m) => m.type() === 'error' && console.log('CON', m.text()));
  await page.setViewportSize({ width: 1280, height: 800 });
  await makeProject(page, 'SALTGLAZE ROW');
  await settled(page);
  const pieces = page.getByRole('complementary', { name: 'Pieces' });
  await pieces.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Jug', exact: true }).click();
  await settled(page);
  await pieces.getByRole('button', { name: /^More for SALT/ }).click();
  await page.getByRole('menuitem', { name: 'Put on a body' }).click();
  await page.waitForTimeout(4000);
  await settled(page);
  const box = (await page.locator('canvas').first().boundingBox())!;
  for (const [x, y] of [
    [0.5, 0.5],
    [0.52, 0.52],
    [0.54, 0.55],
  ]) {
    await page.mouse.move(box.x + box.width * x, box.y + box.height * y);
    await page.waitForTimeout(500);
  }
  await page.mouse.wheel(0, -100);
  await page.waitForTimeout(100);
  await page.mouse.wheel(0, -100);
  await page.waitForTimeout(100);
  await page.mouse.wheel(0, -100);
  await page.waitForTimeout(4000);
  await page.screenshot({ path: '/tmp/zz2.png' });
  await page.mouse.down();
  await page.mouse.up();
  await page.waitForTimeout(8000);
  await settled(page);
  await page.screenshot({ path: '/tmp/zz3.png' });
  await pieces.getByRole('button', { name: /^Jug/ }).first().click();
  await page.getByRole('region', { name: 'Steps' }).scrollIntoViewIfNeeded();
  await page.waitForTimeout(3000);
  await page.screenshot({ path: '/tmp/zz4.png' });
});
