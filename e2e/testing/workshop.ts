import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';

/** From the rack, as a person does it. */
export async function makeProject(page: Page, words: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Type words').fill(words);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/projects\//);
}

/** The same in a browser that cannot draw in 3D (drawing in software is slow); for what is not about the view. */
export async function makeUndrawn(page: Page, words: string): Promise<void> {
  await page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await makeProject(page, words);
  await expect(page.getByText('can’t draw in 3D')).toBeVisible();
}

/** Waits until the solid stands; gives the line of figures. */
export async function settled(page: Page): Promise<string> {
  const figures = page.getByTestId('figures');
  await expect(figures).toContainText(/\d faces/);
  await expect(page.getByRole('main')).toHaveAttribute('aria-busy', 'false');
  return figures.innerText();
}

export async function saveAs(page: Page, format: 'OBJ' | 'STL' | 'GLB'): Promise<Buffer> {
  await page.getByRole('button', { name: 'Save as' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: format }).click();
  return readFile(await (await download).path());
}
