import { AxeBuilder } from '@axe-core/playwright';
import { crc32, deflateSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { checkMesh, readBack, unwrap } from '@fictile/core';
import { choose, makeProject, makeUndrawn, saveAs, settled, typeValue, value } from './testing/workshop.ts';

/** A mark of a made-up pottery: a disc, a door and a line. */
const MARK = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="80mm" height="80mm">
<title>Kiln door</title>
<circle cx="50" cy="50" r="45" fill="#b45f3c"/><path d="M30 75V45a20 20 0 0 1 40 0v30z" fill="#2f2c2b"/>
<path d="M15 80H85" stroke="#f7e8c9" stroke-width="6" stroke-linecap="round"/></svg>`;
/** A page with one leaf on it, as plain as the format allows. */
const PDF = `%PDF-1.4
1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj
2 0 obj <</Type/Pages/Kids[3 0 R]/Count 1>> endobj
3 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 99 99]/Resources<<>>/Contents 4 0 R>> endobj
4 0 obj <</Length 50>> stream
0 .5 0 rg 10 10 m 10 60 60 90 90 90 c 90 60 60 10 10 10 c f
endstream endobj
trailer <</Root 1 0 R>>
%%EOF`;
const file = (name: string, text: string) => ({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });

async function addFile(page: Page, name: string, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('menuitem', { name: 'Drawing or picture from a file' }).click();
  await (await chooser).setFiles(file(name, text));
}

test('a drawing is brought in, its colours go into the file, and it is undone like anything', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await addFile(page, 'mark.svg', MARK);
  await expect(page.getByRole('treeitem', { name: /^Kiln door, drawing/ })).toBeVisible();
  await expect(page.getByText('A drawing of 3 colours')).toBeVisible();
  await page.getByRole('button', { name: '#2f2c2b' }).click();
  await typeValue(page, 'These letters, raised', '30');
  await settled(page);
  await expect(page.getByText('all well')).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id)).toEqual([]);
  const glb = unwrap(await readBack(await saveAs(page, 'GLB'), 'glb'));
  expect(glb.finishes).toEqual(expect.arrayContaining(['#b45f3c', '#2f2c2b', '#f7e8c9']));
  expect(checkMesh(glb.mesh)).toMatchObject({ closed: true, outward: true, crossingFaces: 0 });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('treeitem', { name: /^Kiln door/ })).toHaveCount(0);
});

test('drawings are pasted, and let go over the workshop; what is none is told', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data }));
  }, MARK);
  await expect(page.getByRole('treeitem', { name: /^Kiln door, drawing/ })).toBeVisible();
  const drop = (name: string, text: string) =>
    page.evaluate(
      ([n, t]) => {
        const data = new DataTransfer();
        data.items.add(new File([t], n, { type: 'image/svg+xml' }));
        const fire = (type: string, on: Element): boolean =>
          on.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }));
        fire('dragenter', document.body);
        setTimeout(() => fire('drop', document.querySelector('.mantine-Dropzone-root') ?? document.body), 500);
      },
      [name, text],
    );
  await addFile(page, 'leaf.pdf', PDF);
  await expect(page.getByRole('treeitem', { name: /^leaf, drawing/ })).toBeVisible();
  await addFile(page, 'notes.svg', 'no drawing at all');
  await expect(page.getByText(/That is no drawing/)).toBeVisible();
  await addFile(page, 'sign.svg', MARK.replace('</svg>', '<text x="9" y="9">Row</text></svg>'));
  await expect(page.getByText(/Text is no outline and was left out/)).toBeVisible();
  await drop('door.svg', MARK.replace('Kiln door', 'Dropped'));
  await expect(page.getByRole('treeitem', { name: /^Dropped, drawing/ })).toBeVisible();
});

/** A picture of a dark bar, 80 by 40 pixels, on light ground. */
function barPicture(): Buffer {
  const [width, height] = [120, 80];
  const rows = Array.from({ length: height }, (_, y) =>
    Buffer.from([0, ...Array.from({ length: width }, (__, x) => (x >= 20 && x < 100 && y >= 20 && y < 60 ? 30 : 240))]),
  );
  const chunk = (name: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
    const ends = Buffer.alloc(8);
    ends.writeUInt32BE(data.length, 0);
    ends.writeUInt32BE(crc32(body), 4);
    return Buffer.concat([ends.subarray(0, 4), body, ends.subarray(4)]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head[8] = 8; // bits of grey
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.concat(rows))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

test('the outline of a picture is looked for, seen over it, and brought in', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const bring = async (name: string, buffer: Buffer): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Drawing or picture from a file' }).click();
    await (await chooser).setFiles({ name, mimeType: 'image/png', buffer });
  };
  await bring('torn.png', Buffer.from('no picture'));
  await expect(page.getByText(/^torn.png is no picture/)).toBeVisible();
  await bring('bar.png', barPicture());
  await expect(page.getByTestId('traced')).toHaveText('1 outline of 4 lines and curves');
  await typeValue(page, 'Share of full light', '5');
  await expect(page.getByTestId('traced')).toContainText('Nothing of the picture is ink');
  await typeValue(page, 'Share of full light', '50');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('treeitem', { name: /^bar, drawing/ })).toBeVisible();
  // 80 pixels at 96 to the inch
  await expect(value(page, 'Size of the drawing')).toHaveText('21 mm');
  await settled(page);
  await expect(page.getByTestId('checks')).toContainText('all well');
});

test('shapes and wires, by keyboard', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder('What do you want to do?').fill('star');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^A star with/)).toBeVisible();
  await typeValue(page, 'points', '7');
  await choose(page, /^Drawn: full/, 'as a wire');
  await typeValue(page, 'Wire', '6');
  expect(await settled(page)).toMatch(/× 18 mm$/); // the words beside it are thicker
  // it was made where the words stand
  await expect(page.getByTestId('checks')).toContainText('It runs into');
  await page.getByRole('button', { name: 'Make room' }).click();
  await expect(page.getByText('all well')).toBeVisible();
});

test('words run along a curve whose knots are dragged in the view', async ({ page }) => {
  await makeProject(page, 'O'); // so that its knot lies in the middle of the view
  await settled(page);
  await choose(page, /^Set: /, 'along a curve');
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  const view = page.getByRole('group', { name: /^View/ });
  for (let i = 0; i < 4; i++) await view.press('-');
  await typeValue(page, 'Knot', '2');
  const before = Number(await value(page, 'Knot, up').getAttribute('aria-valuenow'));
  await settled(page);
  await page.waitForTimeout(1500); // until the view has turned
  const canvas = page.getByRole('img', { name: 'View of the solids' }).locator('canvas');
  const box = await canvas.boundingBox();
  if (!box) throw new Error('nothing is drawn');
  const x = box.x + box.width / 2;
  for (let y = box.y + 60; y < box.y + box.height - 90; y += 5) {
    await page.mouse.move(x, y);
    if ((await canvas.evaluate((c) => c.style.cursor)) !== 'grab') continue;
    await page.mouse.down();
    await page.mouse.move(x, y - 60, { steps: 4 });
    await page.mouse.up();
    break;
  }
  expect(Number(await value(page, 'Knot, up').getAttribute('aria-valuenow'))).toBeGreaterThan(before + 5);
  await page.keyboard.press('Control+z');
  await expect(value(page, 'Knot, up')).toHaveAttribute('aria-valuenow', String(before));
});
