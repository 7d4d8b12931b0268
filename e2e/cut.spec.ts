import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { checkMesh, faceCount, readObj, unwrap } from '@fictile/core';
import {
  addForm as add,
  choose,
  command,
  makeUndrawn,
  moreOf,
  onItsWay,
  putOn,
  saveAs,
  settled,
  typeValue,
  words,
  work,
} from './testing/workshop.ts';

const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, shells: 1 };

test('the long walk: bent, laid round, engraved, a letter of its own; then retyped, another font and body', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await makeUndrawn(page, 'IL');
  await settled(page);
  await add(page, 'Jug');
  await work(page, /^IL/);
  await typeValue(page, 'Size', '20');
  await choose(page, /^Add a step$/, 'Bend');
  await typeValue(page, 'Angle', '12');
  await putOn(page, 'IL');
  await page.keyboard.press('Enter');
  const lies = page.getByTestId('step').last();
  await expect(lies).toContainText('These words are engraved 2 mm deep into Jug');
  await moreOf(lies);
  await typeValue(page, 'Radius of the rim', '0.4');
  await command(page, 'Type on the letters');
  await expect(page.getByRole('textbox', { name: 'Words on the letters' })).toBeFocused();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Escape');
  await typeValue(page, 'These letters, turned', '15');

  await words(page).fill('ILT');
  await page.getByRole('button', { name: /^Font: / }).click();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await settled(page);
  await add(page, 'Ball');
  await work(page, /^IL/);
  await choose(page, /^Piece that it is laid onto: /, 'Ball');
  await settled(page);

  // all of it is still there, in the other body
  await expect(lies).toContainText('into Ball');
  await expect(lies).toContainText('0.4 mm');
  await expect(page.getByTestId('step')).toHaveCount(2);
  await work(page, /^Jug/);
  await expect(page.getByTestId('step')).toHaveCount(0);
  await page.getByRole('button', { name: 'Hand over' }).click();
  await page.getByRole('radio', { name: /OBJ/ }).check();
  await page.getByRole('checkbox', { name: 'Jug' }).uncheck();
  await expect(page.getByTestId('holds')).toContainText(/points/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).click();
  const bytes = await readFile(await (await download).path());
  const report = checkMesh(unwrap(readObj(bytes)));
  expect(report).toMatchObject(SOUND);
});

test('a slab is cut through from its own side, each way shown, and whole again when the step is off', async ({
  page,
}) => {
  await makeUndrawn(page, 'IL');
  await settled(page);
  await typeValue(page, 'Size', '30');
  await add(page, 'Slab');
  await putOn(page, 'Slab', 'Put words on it');
  await onItsWay(page).getByRole('button', { name: 'Put it here' }).click();
  await work(page, /^Slab/);
  await expect(page.getByTestId('step')).toContainText('IL is engraved 2 mm deep into this piece');
  await choose(page, /^What it does: /, 'cuts right through');
  await moreOf(page.getByTestId('step'));
  await typeValue(page, 'Width of a ring of quads beside the cut', '1');
  await settled(page);
  const through = unwrap(readObj(await saveAs(page, 'OBJ')));
  expect(checkMesh(through)).toMatchObject(SOUND);
  // an I and an L, in front and behind: a quad beside each of their edges
  expect(checkMesh(through).quads).toBeGreaterThan(2 * (4 + 6));
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'With another body: more' }).click();
  await page.getByRole('menuitem', { name: 'Switch off' }).click();
  await settled(page);
  const whole = unwrap(readObj(await saveAs(page, 'OBJ')));
  expect(faceCount(whole)).toBeLessThan(faceCount(through));
  expect(checkMesh(whole)).toMatchObject(SOUND);
});
