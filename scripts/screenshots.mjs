import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { chromiumPath, ensureChromium } from './chromium.mjs';
import { build, ensureInstalled, ROOT, run } from './steps.mjs';

// One current picture of each main view, from the sample projects in a database of their own, in docs/screenshots.
const PORT = 4392;
const FOLDER = `${ROOT}/docs/screenshots`;
const FLAGS = [
  '--no-sandbox',
  '--use-gl=angle',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--disable-background-networking',
  '--no-first-run',
];

ensureInstalled();
ensureChromium();
build();
const data = mkdtempSync(join(tmpdir(), 'fictile-pictures-'));
const env = { ...process.env, PORT: String(PORT), FICTILE_DATA: data, LOG_LEVEL: 'warn' };
run('node', ['packages/server/dist/seed/main.js'], { env });
const server = spawn('node', ['packages/server/dist/main.js'], {
  cwd: ROOT,
  env,
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.once('data', resolve));
const browser = await chromium.launch({ executablePath: chromiumPath(), args: FLAGS });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://localhost:${PORT}/`);
  await page.locator('img').nth(8).waitFor({ timeout: 120_000 });
  await take(page, 'rack');

  await page.getByRole('link', { name: 'Opening night' }).click();
  await stands(page);
  await take(page, 'workshop');

  await page.emulateMedia({ colorScheme: 'dark' });
  await page.getByRole('button', { name: 'Edges' }).click();
  await stands(page);
  await take(page, 'workshop-dark');

  await page.emulateMedia({ colorScheme: 'light' });
  await page.getByRole('button', { name: 'Edges' }).click();
  await stands(page);

  await page.goto(`http://localhost:${PORT}/`);
  await page.getByRole('link', { name: 'Opening night' }).click();
  await stands(page);
  await light(page, 'Daylight');
  await page.getByRole('button', { name: 'Hand over' }).click();
  await page
    .getByTestId('holds')
    .filter({ hasText: /points/ })
    .waitFor();
  await page.getByRole('button', { name: 'Read it back' }).click();
  await page.getByText('Closed, manifold').waitFor();
  await stands(page);
  await take(page, 'hand-over');

  await page.goto(`http://localhost:${PORT}/fonts`);
  await page.getByText(/of \d+ families/).waitFor();
  await page.getByRole('textbox', { name: 'Sample words' }).fill('Saltglaze Row');
  await page.waitForTimeout(2500);
  await take(page, 'type-case');

  await page.goto(`http://localhost:${PORT}/help/onto-floats`);
  await page.getByRole('img', { name: /^The same piece/ }).waitFor();
  await page.waitForTimeout(500);
  await take(page, 'help');

  await page.goto(`http://localhost:${PORT}/projects/row-shop-sign`);
  await stands(page);
  await page.getByRole('button', { name: 'more', exact: true }).first().click();
  await page.getByRole('button', { name: /^Touching letters/ }).click();
  await page.getByRole('menuitem', { name: 'stay apart' }).click();
  await page.getByTestId('checks').getByRole('button', { name: 'show' }).first().click();
  await page.getByTestId('checks').getByRole('button', { name: 'hide' }).waitFor();
  await page.waitForTimeout(2500);
  await take(page, 'checks-fault');
  await page.getByTestId('checks').getByRole('button', { name: 'hide' }).click();
  await page.getByRole('button', { name: 'Join them' }).click();
  await stands(page);

  await page.goto(`http://localhost:${PORT}/projects/row-opening-night`);
  await stands(page);
  await pick(page, /^Faces:/, 'Flowing quads');
  await pick(page, /^Meant for/, 'animation');
  await page.getByRole('button', { name: 'Charts' }).click();
  await page.getByRole('button', { name: 'Edges' }).click();
  await stands(page);
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await page.getByRole('menuitem', { name: 'With plain faces' }).click();
  await page.locator('[data-testid=compared][aria-busy=false]').waitFor();
  await page.waitForTimeout(4000);
  await take(page, 'side-by-side');

  await pick(page, /^Meant for/, 'printing');
  for (const id of ['row-jug', 'row-bowl', 'row-door']) {
    await page.goto(`http://localhost:${PORT}/projects/${id}`);
    await stands(page);
    if (id === 'row-jug') await onItsWay(page);
    await page.waitForTimeout(4000);
    await take(page, id === 'row-jug' ? 'put-on' : id.replace('row-', ''));
  }
  for (const id of ['row-tile', 'row-lantern', 'row-basin']) {
    await page.goto(`http://localhost:${PORT}/projects/${id}`);
    await stands(page);
    await page
      .getByRole('complementary', { name: 'Pieces' })
      .getByRole('treeitem')
      .filter({ hasText: 'form' })
      .first()
      .click();
    await page.waitForTimeout(4000);
    await take(page, id.replace('row-', ''));
  }
  await page.goto(`http://localhost:${PORT}/projects/row-mark`);
  await stands(page);
  await page.getByRole('treeitem', { name: /^Border/ }).click();
  await page.keyboard.press('6');
  await page.getByRole('button', { name: /^Turned about/ }).click();
  const owner = page.getByRole('combobox', { name: 'A place of' });
  await owner.selectOption('the letter K of Below');
  await page.getByRole('radio', { name: 'lower left front corner' }).check();
  await page.waitForTimeout(2000);
  await take(page, 'together');

  await linkedCopies(page);
  await take(page, 'copies');

  await page.goto(`http://localhost:${PORT}/projects/row-salt-wind`);
  await stands(page);
  await page.getByRole('button', { name: 'Edges' }).click();
  await page.waitForTimeout(4000);
  await take(page, 'salt-wind');

  await page.goto(`http://localhost:${PORT}/projects/row-opening-night`);
  await stands(page);
  await page.getByRole('button', { name: 'Edges' }).click();
  await pick(page, 'Add a step', 'Bend');
  await page.getByRole('spinbutton', { name: 'Angle' }).focus();
  await page.keyboard.type('110');
  await page.keyboard.press('Enter');
  await stands(page);
  await page.getByRole('button', { name: 'Fit' }).click();
  await page.waitForTimeout(4000);
  await take(page, 'bend');
  await page.goto(`http://localhost:${PORT}/projects/row-opening-night`);
  await stands(page);
  await page.keyboard.press('d');
  const card = page.getByRole('region', { name: 'The section' });
  await card.getByRole('button', { name: 'an ogee' }).click();
  await card.getByRole('button', { name: 'drawn', exact: true }).click();
  await drag(page, card.getByRole('button', { name: /^Where the edge meets the face/ }), 70, 0);
  await drag(page, card.getByRole('button', { name: /^Where the edge meets the side/ }), 0, 60);
  await drag(page, card.getByRole('button', { name: /^Point 2,/ }), -14, 8);
  for (const name of ['Kiln lip', 'Door frame']) {
    await card.getByRole('textbox', { name: 'Keep this one as' }).fill(name);
    await page.keyboard.press('Enter');
    await card.getByRole('button', { name, exact: true }).waitFor();
  }
  await nearer(page, 3);
  await take(page, 'section');
} finally {
  await browser.close();
  server.kill();
  rmSync(data, { recursive: true, force: true });
}

/** A word round a circle, its copies following it but for one that says something else and is deeper. */
async function linkedCopies(page) {
  await page.goto(`http://localhost:${PORT}/`);
  await page.getByRole('textbox', { name: /words/i }).first().fill('Row');
  await page.keyboard.press('Enter');
  await stands(page);
  await page.getByRole('button', { name: 'More for Row' }).click();
  await page.getByRole('menuitem', { name: 'Linked copies …' }).click();
  await page.getByRole('button', { name: 'How they stand: in a row' }).click();
  await page.getByRole('menuitem', { name: 'round a circle' }).click();
  const count = page.getByRole('spinbutton', { name: 'How many' });
  await count.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('7');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Make 7 copies' }).click();
  await stands(page);
  await page.getByRole('treeitem', { name: /^Row 2,/ }).click();
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill('Kiln');
  await page.getByRole('spinbutton', { name: 'Raise' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('60');
  await page.keyboard.press('Enter');
  await stands(page);
  await page.getByRole('button', { name: 'Fit' }).click();
  await page.getByRole('button', { name: /^What is its own/ }).click();
  await page.waitForTimeout(2000);
}

/** Words on their way over the body that they lie on. */
async function onItsWay(page) {
  await page.getByRole('button', { name: 'Move it over the body' }).click();
  await page.getByRole('group', { name: 'What it does' }).getByRole('button', { name: 'are engraved' }).click();
  const view = await page.getByRole('img', { name: 'View of the solids' }).boundingBox();
  for (const share of [0.5, 0.51, 0.52])
    await page.mouse.move(view.x + share * view.width, view.y + (share + 0.04) * view.height);
}

/** Until the solid is built and two frames are drawn. */
async function nearer(page, clicks) {
  await page.getByRole('img', { name: 'View of the solids' }).hover({ position: { x: 340, y: 200 } });
  for (let i = 0; i < clicks; i++) await page.mouse.wheel(0, -120);
  await page.waitForTimeout(2500);
}

async function drag(page, what, x, y) {
  const box = await what.boundingBox();
  const [fromX, fromY] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  await page.mouse.move(fromX + x, fromY + y, { steps: 6 });
  await page.mouse.up();
}

async function stands(page) {
  await page.getByTestId('figures').filter({ hasText: /\d mm/ }).waitFor();
  await page.getByText(/^(all well|some to mind)$/).waitFor({ timeout: 120_000 });
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await page.waitForTimeout(1500);
}

async function light(page, name) {
  await page.getByRole('button', { name: 'Light', exact: true }).click();
  await page.getByRole('menuitem', { name }).click();
}

async function pick(page, name, item) {
  await page.getByRole('button', { name }).click();
  await page.getByRole('menuitem', { name: item, exact: true }).click();
}

async function take(page, name) {
  await page.mouse.move(640, 795);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
  process.stdout.write(`docs/screenshots/${name}.png\n`);
}
