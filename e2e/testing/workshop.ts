import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page } from '@playwright/test';

/** From the rack, as a person does it. */
export async function makeProject(page: Page, words: string): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Type words').fill(words);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/projects\//);
}

/** The same in a browser that cannot draw in 3D (drawing in software is slow); for what is not about the view. */
export async function makeUndrawn(page: Page, words: string): Promise<void> {
  await withoutDrawing(page);
  await makeProject(page, words);
  await expect(page.getByText('can’t draw in 3D')).toBeVisible();
}

export async function withoutDrawing(page: Page): Promise<void> {
  await page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
}

/** Waits until the solids stand; gives their label: name and size. */
export async function settled(page: Page): Promise<string> {
  const label = page.getByTestId('figures');
  await expect(label).toContainText(/\d mm/);
  await expect(page.getByRole('main')).toHaveAttribute('aria-busy', 'false');
  return label.innerText();
}

export const words = (page: Page): Locator => page.getByRole('textbox', { name: 'Words', exact: true });
export const saving = (page: Page): Locator => page.getByRole('banner').getByRole('status');
/** A number in a sentence. */
export const value = (page: Page, name: string): Locator => page.getByRole('spinbutton', { name, exact: true });

/** Types a value into a sentence by keyboard alone. */
export async function typeValue(page: Page, name: string, text: string): Promise<void> {
  await value(page, name).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

/** Takes another word from a sentence's menu. */
export async function choose(
  page: Page,
  name: RegExp,
  item: string,
  {
    press = (target: Locator): Promise<void> => target.click({ timeout: 5_000 }),
  }: { press?: (target: Locator) => Promise<void> } = {},
): Promise<void> {
  const choice = page.getByRole('menuitem', { name: item, exact: true });
  // a menu that was just closing, or moved by what the last choice built, is opened once more, as a person would
  await expect(async () => {
    if (!(await choice.isVisible())) await press(page.getByRole('button', { name }));
    await choice.waitFor({ timeout: 5_000 });
    await press(choice);
    await choice.waitFor({ state: 'hidden', timeout: 5_000 });
  }).toPass();
}

export async function saveAs(page: Page, format: 'OBJ' | 'STL' | 'PLY' | 'GLB'): Promise<Buffer> {
  await page.getByRole('button', { name: 'Hand over' }).click();
  await page.getByRole('radio', { name: new RegExp(format) }).check();
  await expect(page.getByTestId('holds')).toContainText(/points/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).click();
  return readFile(await (await download).path());
}

export const pieces = (page: Page): Locator => page.getByRole('complementary', { name: 'Pieces' });

/** Brings a piece to work by its row. */
export const work = (page: Page, name: RegExp): Promise<void> =>
  pieces(page).getByRole('treeitem', { name }).first().click();

/** Adds a form, and waits until it stands. */
export async function addForm(page: Page, form: string): Promise<void> {
  await pieces(page).getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('menuitem', { name: form, exact: true }).click();
  await settled(page);
}

/** From the menu of a piece. */
export async function putOn(
  page: Page,
  piece: string,
  item: 'Put on a body' | 'Put words on it' = 'Put on a body',
): Promise<void> {
  await pieces(page)
    .getByRole('button', { name: `More for ${piece}` })
    .click();
  await page.getByRole('menuitem', { name: item }).click();
  await expect(onItsWay(page)).toBeVisible();
  await settled(page);
}

export const onItsWay = (page: Page): Locator => page.getByTestId('on its way');

/** Opens what is folded away below a step's sentence. */
export const moreOf = (step: Locator): Promise<void> => step.getByRole('button', { name: 'more', exact: true }).click();

/** Finds a command by its words. */
export async function command(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
}
