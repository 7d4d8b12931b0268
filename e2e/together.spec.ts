import { NodeIO, type Node } from '@gltf-transform/core';
import { expect, test, type Page } from '@playwright/test';
import { validateBytes } from 'gltf-validator';
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

interface Places {
  /** corners of pieces in the file, in mm, by the names of their nodes */
  corners: Map<string, number[][]>;
  /** of the group's node */
  origin: number[];
}

async function places(page: Page): Promise<Places> {
  await settled(page);
  const root = (await new NodeIO().readBinary(await saveAs(page, 'GLB'))).getRoot();
  await page.keyboard.press('Escape');
  const inScene = (node: Node, [x, y, z]: readonly number[]): number[] => {
    const m = node.getWorldMatrix();
    return [0, 1, 2].map((k) => 1000 * (m[k] * x + m[4 + k] * y + m[8 + k] * z + m[12 + k]));
  };
  const cornersOf = (node: Node): number[][] => {
    const rows =
      node
        .getMesh()
        ?.listPrimitives()
        .map((one) => one.getAttribute('POSITION')) ?? [];
    return rows.flatMap((row) =>
      Array.from({ length: row?.getCount() ?? 0 }, (_, i) => inScene(node, row?.getElement(i, [0, 0, 0]) ?? [])),
    );
  };
  const group = root.listNodes().find((node) => node.getName() === 'Group');
  return {
    corners: new Map(
      root
        .listNodes()
        .filter((node) => node.getMesh())
        .map((node) => [node.getName(), cornersOf(node)]),
    ),
    origin: group ? inScene(group, [0, 0, 0]) : [],
  };
}

const apart = (a: readonly number[], b: readonly number[]): number => Math.hypot(...a.map((v, k) => v - b[k]));

/** How far the corners of a piece are from where they were, at most and at least. */
function moved(name: string, before: Places, after: Places): { most: number; least: number } {
  const ways = (before.corners.get(name) ?? []).map((at, i) => apart(at, after.corners.get(name)?.[i] ?? []));
  return { most: Math.max(...ways), least: Math.min(...ways) };
}

/** Nothing moves as the pivot does. */
function expectStill(before: Places, pivoted: Places): void {
  expect(apart(before.origin, pivoted.origin)).toBeGreaterThan(1);
  for (const name of before.corners.keys()) expect(moved(name, before, pivoted).most).toBeLessThan(1e-3);
}

/** All has turned about the pivot, as one. */
function expectTurned(before: Places, after: Places): void {
  const pivot = before.origin;
  expect(apart(after.origin, pivot)).toBeLessThan(1e-3);
  for (const [name, corners] of before.corners) {
    expect(moved(name, before, after).most).toBeGreaterThan(1);
    const now = after.corners.get(name) ?? [];
    expect(Math.max(...corners.map((at, i) => Math.abs(apart(at, pivot) - apart(now[i], pivot))))).toBeLessThan(0.01);
  }
}

test('a sign of a word, a logo and a rule turns about a letter’s corner, by mouse', async ({ page }) => {
  test.setTimeout(180_000);
  await makeProject(page, 'Kiln');
  await sign(page);
  const before = await places(page);
  await page.keyboard.press('6');
  await page.getByRole('button', { name: /^Turned about: / }).click();
  await page.getByRole('button', { name: 'Press it on the piece' }).click();
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await pressCorner(page, '“K”');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Turned about: .*“K”/ })).toBeVisible();
  const pivoted = await places(page);
  expectStill(before, pivoted);
  // a corner of an outline is a corner of the mesh
  const word = pivoted.corners.get('Kiln') ?? [];
  expect(Math.min(...word.map((at) => apart(at, pivoted.origin)))).toBeLessThan(0.01);
  const turn = await value(page, 'Turned').boundingBox();
  if (!turn) throw new Error('no turn');
  await page.mouse.move(turn.x + 4, turn.y + 8);
  await page.mouse.down();
  await page.mouse.move(turn.x + 64, turn.y + 8, { steps: 4 });
  await page.mouse.up();
  await expect(value(page, 'Turned')).not.toHaveText('0°');
  expectTurned(pivoted, await places(page));
});

/** Goes over a part of the view, by shares of it from some place, until a mark says its name. */
async function findMark(
  page: Page,
  label: string,
  over: { x: number; y: number; wide: number; tall: number },
): Promise<void> {
  const view = await page.getByRole('img', { name: 'View of the solids' }).boundingBox();
  const words = page.locator('.handle-words', { hasText: label });
  if (!view) throw new Error('no view');
  for (let down = 0; down < over.tall; down += 0.006)
    for (let along = 0; along < over.wide; along += 0.006) {
      const at = { x: over.x + along, y: over.y + down };
      await page.mouse.move(view.x + at.x * view.width, view.y + at.y * view.height);
      // what is under the pointer says its name with the next frame
      if (
        await words.waitFor({ timeout: 250 }).then(
          () => true,
          () => false,
        )
      )
        return;
    }
  throw new Error(`no mark ${label}`);
}

/** Presses a corner of a letter's outline; those come out as its middle is passed. */
async function pressCorner(page: Page, letter: string): Promise<void> {
  const around = { x: 0.1, y: 0.52, wide: 0.03, tall: 0.03 };
  // the view comes to rest first
  await expect(() => findMark(page, letter, around)).toPass();
  // and its corners come with the next answer of the worker
  await expect(() => findMark(page, `corner of the outline of ${letter}`, around)).toPass();
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
  while ((await of.locator('option:checked').textContent()) !== 'the letter K') await page.keyboard.press('ArrowDown');
  await page.getByRole('radio', { name: 'lower right front corner' }).press('Space');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^Turned about: .*“K”/ })).toBeVisible();
  const pivoted = await places(page);
  expectStill(before, pivoted);
  const word = pivoted.corners.get('Kiln') ?? [];
  const [x, y, z] = pivoted.origin;
  expect(y).toBeCloseTo(Math.min(...word.map((at) => at[1])), 2);
  expect(z).toBeCloseTo(Math.max(...word.map((at) => at[2])), 2);
  expect(x).toBeGreaterThan(Math.min(...word.map((at) => at[0])) + 1);
  await typeValue(page, 'Turned', '35');
  expectTurned(pivoted, await places(page));
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
  expect(moved('Row', before, turned).least).toBeGreaterThan(1);
  await pieces(page).getByRole('button', { name: 'More for Row' }).click();
  await page.getByRole('menuitem', { name: 'Take off' }).click();
  await expect(row(page, /^Row, words · [\d,]+ faces$/)).toBeVisible();
  expect(moved('Row', turned, await places(page)).most).toBeLessThan(1e-3);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(row(page, /goes with/)).toHaveCount(0);
});

test('ten linked copies: one is changed, then the source is retyped; the file shares their mesh', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await pieces(page).getByRole('button', { name: 'More for Kiln' }).click();
  await page.getByRole('menuitem', { name: 'Linked copies …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Linked copies of Kiln' });
  await typeValue(page, 'How many', '10');
  await dialog.getByRole('button', { name: 'Make 10 copies' }).click();
  await settled(page);
  await expect(row(page, /^Copies of Kiln, group of 10 pieces/)).toHaveAttribute('aria-selected', 'true');
  const own = row(page, /^Kiln 4,/);
  await work(page, /^Kiln 4,/);
  await typeValue(page, 'Raise', '31');
  await expect(own).toHaveAccessibleName(/changed, follows Kiln/);
  await page.getByRole('button', { name: 'Work on what it follows: Kiln' }).click();
  await expect(page.getByRole('button', { name: 'Choose its linked copies: 10 linked copies' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill('Row');
  await settled(page);
  await expect(pieces(page).getByRole('treeitem', { name: /^Row \d+, (changed, )?follows Row$/ })).toHaveCount(10);
  const bytes = new Uint8Array(await saveAs(page, 'GLB'));
  await page.keyboard.press('Escape');
  expect((await validateBytes(bytes)).issues.messages).toEqual([]);
  const root = (await new NodeIO().readBinary(bytes)).getRoot();
  const shared = root.listMeshes().map((mesh) => root.listNodes().filter((node) => node.getMesh() === mesh).length);
  expect(shared.sort()).toEqual([1, 10]);
  await work(page, /^Row 4,/);
  await page.getByRole('button', { name: 'What is its own: 1 thing' }).click();
  await page.getByRole('button', { name: 'Follow again: Solid: depth' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'What is its own: nothing yet' })).toBeVisible();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(pieces(page).getByRole('treeitem', { name: /follows Kiln$/ })).toHaveCount(10);
});
