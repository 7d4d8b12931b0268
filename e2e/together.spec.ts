import { NodeIO, type Node } from '@gltf-transform/core';
import { expect, test, type Page } from '@playwright/test';
import {
  addForm,
  command,
  makeProject,
  makeUndrawn,
  pieces,
  saveAs,
  settled,
  typeValue,
  value,
  work,
} from './testing/workshop.ts';

const row = (page: Page, name: RegExp) => pieces(page).getByRole('treeitem', { name });

/** A word, a logo and a rule, brought together in a group. */
async function sign(page: Page): Promise<void> {
  await settled(page);
  await addForm(page, 'Star');
  await addForm(page, 'Slab');
  await work(page, /^Kiln/);
  await row(page, /^Slab/).click({ modifiers: ['Shift'] });
  await command(page, 'Bring together');
  await expect(row(page, /^Group, group of 3/)).toHaveAttribute('aria-selected', 'true');
  await settled(page);
}

/** Corners of all pieces in the file, in mm, by the names of their nodes. */
async function places(page: Page): Promise<Map<string, number[][]>> {
  await settled(page);
  const root = (await new NodeIO().readBinary(await saveAs(page, 'GLB'))).getRoot();
  await page.keyboard.press('Escape');
  const cornersOf = (node: Node): number[][] => {
    const m = node.getWorldMatrix();
    const positions =
      node
        .getMesh()
        ?.listPrimitives()
        .map((one) => one.getAttribute('POSITION')) ?? [];
    return positions.flatMap((row) =>
      Array.from({ length: row?.getCount() ?? 0 }, (_, i) => {
        const [x, y, z] = row?.getElement(i, [0, 0, 0]) ?? [0, 0, 0];
        return [0, 1, 2].map((k) => 1000 * (m[k] * x + m[4 + k] * y + m[8 + k] * z + m[12 + k]));
      }),
    );
  };
  const meshes = root.listNodes().filter((node) => node.getMesh());
  return new Map(meshes.map((node) => [node.getName(), cornersOf(node)]));
}

const apart = (a: readonly number[], b: readonly number[]): number => Math.hypot(...a.map((v, k) => v - b[k]));

/** Of the word: the corner at the left foot of its first letter, where it is turned about. */
const footOf = (corners: readonly number[][]): number =>
  corners.reduce(
    (least, at, i) => (at[0] + at[1] - at[2] < corners[least][0] + corners[least][1] - corners[least][2] ? i : least),
    0,
  );

/** The group has been turned about the corner of a letter: that stays, every piece has moved rigidly. */
async function expectTurned(page: Page, before: Map<string, number[][]>): Promise<void> {
  const after = await places(page);
  expect([...after.keys()]).toEqual([...before.keys()]);
  const was = before.get('Kiln') ?? [];
  const corner = footOf(was);
  expect(apart(after.get('Kiln')?.[corner] ?? [], was[corner])).toBeLessThan(1e-3);
  for (const [name, corners] of before) {
    const now = after.get(name) ?? [];
    expect(
      Math.max(...corners.map((at, i) => Math.abs(apart(at, was[corner]) - apart(now[i], was[corner])))),
    ).toBeLessThan(0.01);
    expect(Math.max(...corners.map((at, i) => apart(at, now[i])))).toBeGreaterThan(1);
  }
}

test('a sign of a word, a logo and a rule turns about a letter’s corner, by mouse', async ({ page }) => {
  await makeProject(page, 'Kiln');
  await sign(page);
  const before = await places(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: /^Turned about: / }).click();
  await page.getByRole('button', { name: 'Press it on the piece' }).click();
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await pressCorner(page, 'lower left front corner', '“K”');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Turned about: .*“K”/ })).toBeVisible();
  const turn = await value(page, 'Turned').boundingBox();
  if (!turn) throw new Error('no turn');
  await page.mouse.move(turn.x + 4, turn.y + 8);
  await page.mouse.down();
  await page.mouse.move(turn.x + 64, turn.y + 8, { steps: 4 });
  await page.mouse.up();
  await expect(value(page, 'Turned')).not.toHaveText('0°');
  await expectTurned(page, before);
});

/** Goes over a part of the view, by shares of it from some place, until a mark says its name. */
async function findMark(page: Page, label: string, over: { x: number; y: number; wide: number; tall: number }) {
  const view = await page.getByRole('img', { name: 'View of the solids' }).boundingBox();
  const words = page.locator('.handle-words', { hasText: label });
  if (!view) throw new Error('no view');
  for (let down = 0; down < over.tall; down += 0.012)
    for (let along = 0; along < over.wide; along += 0.012) {
      const at = { x: over.x + along, y: over.y + down };
      await page.mouse.move(view.x + at.x * view.width, view.y + at.y * view.height);
      if (await words.isVisible()) return at;
    }
  throw new Error(`no mark ${label}`);
}

/** A letter's corners come out as its middle is passed. */
async function pressCorner(page: Page, corner: string, letter: string): Promise<void> {
  const { x, y } = await findMark(page, `middle of the front of ${letter}`, { x: 0.04, y: 0.42, wide: 0.3, tall: 0.2 });
  await findMark(page, `${corner} of ${letter}`, { x: x - 0.06, y: y + 0.01, wide: 0.06, tall: 0.1 });
  await page.mouse.down();
  await page.mouse.up();
}

test('the same by keys alone', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await sign(page);
  const before = await places(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: /^Turned about: / }).press('Enter');
  const of = page.getByRole('combobox', { name: 'A place of' });
  await of.focus();
  await page.keyboard.type('the letter K');
  await page.getByRole('radio', { name: 'lower left front corner' }).press('Space');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Turned about: .*“K”/ })).toBeVisible();
  await typeValue(page, 'Turned', '35');
  await expectTurned(page, before);
});

test('a word hung on a ball goes along with it, and is taken off where it is', async ({ page }) => {
  await makeUndrawn(page, 'Row');
  await settled(page);
  await addForm(page, 'Ball');
  await pieces(page).getByRole('button', { name: 'More for Row' }).click();
  await page.getByRole('menuitem', { name: 'Hang on', exact: true }).hover();
  await page.getByRole('menuitem', { name: 'Ball', exact: true }).click();
  await expect(row(page, /^Row, .*goes with Ball/)).toBeVisible();
  const before = await places(page);
  await work(page, /^Ball/);
  await typeValue(page, 'Turned', '90');
  const turned = await places(page);
  const far = (a: Map<string, number[][]>, b: Map<string, number[][]>): number =>
    Math.max(...(a.get('Row') ?? []).map((at, i) => apart(at, b.get('Row')?.[i] ?? [])));
  expect(far(before, turned)).toBeGreaterThan(10);
  await pieces(page).getByRole('button', { name: 'More for Row' }).click();
  await page.getByRole('menuitem', { name: 'Take off' }).click();
  await expect(row(page, /^Row, words · [\d,]+ faces$/)).toBeVisible();
  expect(far(turned, await places(page))).toBeLessThan(1e-3);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(row(page, /goes with/)).toHaveCount(0);
});
