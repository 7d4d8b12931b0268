import { expect, test, type Page } from '@playwright/test';
import { makeProject, settled, typeValue } from './testing/workshop.ts';

/** How often the page has measured something, and when first and last. */
const measured = (page: Page, name: string): Promise<{ count: number; ends: number[] }> =>
  page.evaluate((wanted) => {
    const entries = performance.getEntriesByName(wanted);
    return { count: entries.length, ends: entries.map(({ startTime, duration }) => startTime + duration) };
  }, name);

test('a hand that never rests sees what it pulls; left and opened again, the project stands there at once', async ({
  page,
}) => {
  test.setTimeout(120_000);
  // drawn in software, a large view would take most of the time
  await page.setViewportSize({ width: 900, height: 500 });
  await makeProject(page, 'KILN OPENING');
  await settled(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add: bend');
  await page.keyboard.press('Enter');
  await typeValue(page, 'Curves within', '0.005');
  await settled(page);
  const before = await measured(page, 'edit to preview');

  const angle = await page.getByRole('spinbutton', { name: 'Angle', exact: true }).boundingBox();
  if (!angle) throw new Error('no angle');
  const [x, y] = [angle.x + angle.width / 2, angle.y + angle.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 24; i++) await page.mouse.move(x + i, y);
  const during = await measured(page, 'edit to preview');
  await page.mouse.up();
  expect(during.count - before.count).toBeGreaterThan(2);

  const size = await settled(page);
  // kept once nobody changes it for a while
  await page.waitForTimeout(3500);
  await page.reload();
  await expect(page.getByTestId('figures')).toHaveText(size);
  await settled(page);
  const [standing, exact] = [await measured(page, 'opened to standing'), await measured(page, 'edit to mesh')];
  expect(standing.count).toBe(1);
  expect(standing.ends[0]).toBeLessThan(exact.ends[0]);
});

test('how fast it is here is told stage by stage, with all threads', async ({ page }) => {
  await makeProject(page, 'KILN OPENING');
  await settled(page);
  // the first mesh may be made alone, while threads get going
  await typeValue(page, 'Curves within', '0.04');
  await settled(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('slow');
  await page.keyboard.press('Enter');
  const panel = page.getByRole('dialog', { name: 'How fast is it here' });
  await expect(panel).toContainText(/m?s to the exact mesh of [\d,]+ faces/);
  await expect(panel).toContainText(/Fronts and their faces\d+ made/);
  const cores = await page.evaluate(() => Math.min(8, navigator.hardwareConcurrency));
  await expect(panel).toContainText(`${cores} of `);
});
