import { expect, type Locator, type Page } from '@playwright/test';
import { addForm, choose, command, onItsWay, pieces, putOn, settled, typeValue, value, work } from './workshop.ts';

/** How a person works: by mouse, or by keys alone. */
export interface Hand {
  name: 'mouse' | 'keys';
  press(target: Locator): Promise<void>;
  add(form: string): Promise<void>;
  work(piece: string): Promise<void>;
  /** begins to put a piece on a body */
  begin(piece: string): Promise<void>;
  /** puts down what is on its way */
  take(): Promise<void>;
  choose(button: RegExp, item: string): Promise<void>;
  type(name: string, text: string): Promise<void>;
  bringIn(name: string, text: string): Promise<void>;
}

export const HANDS: Readonly<Record<Hand['name'], (page: Page) => Hand>> = { mouse: mouseOf, keys: keysOf };

function mouseOf(page: Page): Hand {
  const press = (target: Locator): Promise<void> => target.click();
  return {
    name: 'mouse',
    press,
    add: (form) => addForm(page, form),
    work: (piece) => work(page, new RegExp(`^${piece}`)),
    begin: (piece) => putOn(page, piece),
    take: () => press(onItsWay(page).getByRole('button', { name: 'Put it here' })),
    choose: (button, item) => choose(page, button, item, { press }),
    type: async (name, text) => {
      await value(page, name).click();
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
    },
    bringIn: (name, text) =>
      brought(page, { name, text }, async () => {
        await press(pieces(page).getByRole('button', { name: 'Add', exact: true }));
        await press(page.getByRole('menuitem', { name: 'Model from a file' }));
      }),
  };
}

function keysOf(page: Page): Hand {
  const press = async (target: Locator): Promise<void> => {
    await target.focus();
    await page.keyboard.press('Enter');
  };
  return {
    name: 'keys',
    press,
    add: async (form) => {
      await command(page, `Add a form: ${form}`);
      await expect(page.getByRole('region', { name: 'Form' })).toBeVisible();
      await settled(page);
    },
    work: (piece) =>
      press(
        pieces(page)
          .getByRole('treeitem', { name: new RegExp(`^${piece}`) })
          .first(),
      ),
    begin: async (piece) => {
      await press(
        pieces(page)
          .getByRole('treeitem', { name: new RegExp(`^${piece}`) })
          .first(),
      );
      await command(page, 'Engrave into a body');
      await expect(onItsWay(page)).toBeVisible();
      await settled(page);
    },
    take: () => page.keyboard.press('Enter'),
    choose: (button, item) => choose(page, button, item, { press }),
    type: (name, text) => typeValue(page, name, text),
    bringIn: (name, text) => brought(page, { name, text }, () => command(page, 'Bring in a model')),
  };
}

async function brought(page: Page, file: { name: string; text: string }, ask: () => Promise<void>): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await ask();
  await (await chooser).setFiles({ name: file.name, mimeType: 'text/plain', buffer: Buffer.from(file.text) });
  await expect(page.getByRole('region', { name: 'Model' })).toBeVisible();
  await settled(page);
}
