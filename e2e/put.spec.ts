import { expect, test, type Page } from '@playwright/test';
import { checkMesh, formMesh, readObj, unwrap, usualForms } from '@fictile/core';
import { HANDS, type Hand } from './testing/hands.ts';
import {
  addForm,
  command,
  makeProject,
  makeUndrawn,
  onItsWay,
  pieces,
  saveAs,
  settled,
  words,
  work,
} from './testing/workshop.ts';

const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0 };

const steps = (page: Page) => page.getByTestId('step');

/** What would be handed over of some pieces: closed, and nothing crosses. */
async function sound(page: Page): Promise<ReturnType<typeof checkMesh>> {
  await settled(page);
  const report = checkMesh(unwrap(readObj(await saveAs(page, 'OBJ'))));
  await page.keyboard.press('Escape');
  return report;
}

/** Presses where the body is seen; a press beside it does nothing. */
async function pressInView(page: Page): Promise<void> {
  const view = await page.getByRole('img', { name: 'View of the solids' }).boundingBox();
  for (let share = 0.5; view && share < 0.95 && (await onItsWay(page).isVisible()); share += 0.06) {
    await page.mouse.click(view.x + share * view.width, view.y + 0.5 * view.height);
    await onItsWay(page)
      .waitFor({ state: 'hidden', timeout: 1000 })
      .catch(() => undefined);
  }
}

/** Begins the act from the search. */
async function begin(page: Page, words: string): Promise<void> {
  await command(page, words);
  await expect(onItsWay(page)).toBeVisible();
}

test('a word is engraved in a slab in three presses; then by keys alone; Escape leaves all as it was', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await makeProject(page, 'IL');
  await settled(page);
  await addForm(page, 'Slab');
  const place = page.getByRole('region', { name: 'Place' });
  const stands = await place.innerText();

  await pieces(page).getByRole('button', { name: 'More for IL' }).click();
  await page.getByRole('menuitem', { name: 'Put on a body' }).click();
  await expect(onItsWay(page)).toContainText(
    /^not put yetThese words are engraved 2 mm deep into Slab, laid flat\u2060?, held by their middle at the middle/,
  );
  await expect(onItsWay(page)).toContainText('because the surface is flat here');
  await settled(page);
  await pressInView(page);
  await expect(steps(page)).toContainText('These words are engraved 2 mm deep into Slab');
  // at a place of its front that has a name
  await expect(steps(page)).toContainText('its front');
  await work(page, /^Slab/);
  await expect(steps(page)).toContainText('IL is engraved 2 mm deep into this piece, laid flat');
  // nothing else is moved
  expect(await place.innerText()).toBe(stands);

  await page.keyboard.press('Control+z');
  await expect(steps(page)).toHaveCount(0);
  await begin(page, 'Draw into a body');
  await expect(onItsWay(page)).toContainText('are drawn into the faces of Slab');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(onItsWay(page)).toContainText('turned 5°');
  await expect(onItsWay(page)).toContainText('2 mm right of its middle');
  await page.keyboard.press('Escape');
  await expect(onItsWay(page)).toBeHidden();
  await expect(steps(page)).toHaveCount(0);
  await begin(page, 'Emboss');
  await page.keyboard.press('Enter');
  await expect(steps(page)).toContainText('These words stand raised on Slab');
});

test('a piece is put on another by pulling its row onto it', async ({ page }) => {
  await makeUndrawn(page, 'IL');
  await settled(page);
  await addForm(page, 'Slab');
  const row = (name: RegExp) => pieces(page).getByRole('treeitem', { name }).first();
  await row(/^Slab/).hover();
  await page.mouse.down();
  const onto = await row(/^IL/).boundingBox();
  await page.mouse.move((onto?.x ?? 0) + 30, (onto?.y ?? 0) + 26, { steps: 6 });
  await page.mouse.up();
  await expect(onItsWay(page)).toContainText('These words are engraved 2 mm deep into Slab');
  await onItsWay(page).getByRole('button', { name: 'cut right through' }).click();
  await onItsWay(page).getByRole('button', { name: 'Put it here' }).click();
  await expect(steps(page)).toContainText('These words cut right through Slab');
});

/** An open project, and the hand that works on it. */
type Walk = (page: Page, hand: Hand) => Promise<void>;

/** Each as one would do it by mouse, then by keys. */
const WALKS: Readonly<Record<string, Walk>> = {
  'words are let into a panel that is made round them, and typed anew at the end': async (page, hand) => {
    await hand.type('Size', '30');
    await hand.add('Panel');
    await hand.begin('IL');
    await hand.take();
    await expect(steps(page)).toContainText('into Panel');
    const before = await sound(page);
    expect(before).toMatchObject({ ...SOUND, shells: 1 });
    await words(page).fill('ILLI');
    const after = await sound(page);
    expect(after).toMatchObject({ ...SOUND, shells: 1 });
    expect(after.sizeMm[0]).toBeGreaterThan(before.sizeMm[0] + 20);
    await expect(page.getByText('in a circle')).toBeHidden();
  },
  'a plate that is cut through is bent, and its words typed anew': async (page, hand) => {
    await hand.add('Slab');
    await hand.begin('IL');
    await hand.press(onItsWay(page).getByRole('button', { name: 'cut right through' }));
    await hand.press(onItsWay(page).getByRole('button', { name: 'Put it here' }));
    await hand.work('Slab');
    await hand.choose(/^Add a step$/, 'Bend');
    await hand.type('Angle', '40');
    await hand.work('IL');
    await words(page).fill('LI');
    expect(await sound(page)).toMatchObject({ ...SOUND, shells: 1 });
    await hand.work('Slab');
    await expect(steps(page)).toHaveCount(2);
    await expect(steps(page).first()).toContainText('cuts right through this piece');
  },
  'words go round a jug from a file, are moved over it, and onto another body': async (page, hand) => {
    await hand.bringIn('lane jug.obj', jugFile());
    await hand.begin('IL');
    await expect(onItsWay(page)).toContainText('Laid round, because the body bends');
    await hand.press(onItsWay(page).getByRole('button', { name: 'lie on' }));
    await hand.press(onItsWay(page).getByRole('button', { name: 'Put it here' }));
    await expect(steps(page)).toContainText('These words lie on lane jug, laid round');
    await hand.press(page.getByRole('button', { name: 'Move it over the body' }));
    await expect(onItsWay(page)).toContainText('not put yet');
    if (hand.name === 'keys') {
      for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
      await page.keyboard.press('Enter');
      await expect(steps(page)).toContainText('10 mm above its middle');
    } else {
      await pressInView(page);
      await expect(steps(page)).not.toContainText('at the middle of its front');
    }
    await hand.add('Ball');
    await hand.work('IL');
    await hand.choose(/^Piece that it is laid onto: /, 'Ball');
    await expect(steps(page)).toContainText('These words lie on Ball, laid round');
    await hand.choose(/^What it does: /, 'stand raised');
    await hand.work('Ball');
    await expect(steps(page)).toContainText('IL stands raised on this piece');
  },
  'one body is taken out of another, and neither moves': async (page, hand) => {
    await hand.add('Cylinder');
    await hand.type('Width', '90');
    await hand.add('Cylinder');
    await hand.type('Width', '140');
    const place = page.getByRole('region', { name: 'Place' });
    await hand.type('Across', '591');
    const stands = await place.innerText();
    await hand.choose(/^Add a step$/, 'With another body');
    await expect(steps(page)).toContainText(/Cylinder is taken out of this piece, where it stands/);
    await settled(page);
    expect(await place.innerText()).toBe(stands);
    await hand.work('Cylinder');
    await expect(page.getByTestId('put')).toContainText(/This body is taken out of Cylinder 2, where it stands/);
  },
  'a sheet that is hollow towards the viewer takes letters on the side that one looks at': async (page, hand) => {
    await hand.bringIn('sheet.obj', sheetFile());
    const model = page.getByRole('region', { name: 'Model' });
    await expect(model).toContainText('as it came');
    await hand.begin('IL');
    await hand.press(onItsWay(page).getByRole('button', { name: 'lie on' }));
    await hand.press(onItsWay(page).getByRole('button', { name: 'Put it here' }));
    await settled(page);
    await expect(page.getByText('Beside the model')).toBeHidden();
    await expect(page.getByText(/^Letters sink/)).toBeHidden();
    await hand.work('sheet');
    await hand.choose(/^Which way it faces: /, 'turned over');
    await settled(page);
    await hand.work('IL');
    await expect(page.getByText('Beside the model')).toBeHidden();
  },
};
/** What is moved by mouse has to be seen. */
const isDrawn = (walk: string, by: Hand['name']): boolean => by === 'mouse' && walk.includes('moved over it');

for (const [walk, go] of Object.entries(WALKS))
  for (const by of ['mouse', 'keys'] as const)
    test(`${walk}: by ${by}`, async ({ page }) => {
      test.setTimeout(120_000);
      await (isDrawn(walk, by) ? makeProject : makeUndrawn)(page, 'IL');
      await settled(page);
      await go(page, HANDS[by](page));
    });

function jugFile(): string {
  const { positions: p, faceStart, faceVertices } = formMesh(usualForms().jug, 0.3);
  const rows = Array.from({ length: p.length / 3 }, (_, v) => `v ${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`);
  const faces = Array.from(
    { length: faceStart.length - 1 },
    (_, f) => `f ${[...faceVertices.subarray(faceStart[f], faceStart[f + 1])].map((v) => v + 1).join(' ')}`,
  );
  return [...rows, ...faces].join('\n');
}

function sheetFile(): string {
  const columns = 12;
  const places = Array.from({ length: columns + 1 }, (_, i) => (Math.PI * (i / columns - 0.5)) / 1.5).map((angle) => [
    100 * Math.sin(angle),
    100 - 100 * Math.cos(angle),
  ]);
  const rows = [0, 120].flatMap((y) => places.map(([x, z]) => `v ${x} ${y} ${z}`));
  const faces = Array.from(
    { length: columns },
    (_, i) => `f ${[i + 1, i + columns + 2, i + columns + 3, i + 2].join(' ')}`,
  );
  return [...rows, ...faces].join('\n');
}
