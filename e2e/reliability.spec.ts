import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ATTACKS } from '@fictile/core/attacks';
import { expect, test, type Page } from '@playwright/test';
import { startServer } from './testing/server.ts';
import { makeUndrawn, saving, settled, typeValue, value, words } from './testing/workshop.ts';

/** Two tabs on a bad line: more by hand (RUNS=20 npm run browser -- reliability). */
const RUNS = Number(process.env.RUNS ?? 3);

test('files that ask for too much are refused, and the server goes on', async () => {
  const data = await mkdtemp(join(tmpdir(), 'fictile-attacks-'));
  const server = await startServer(data);
  try {
    const models = ATTACKS.filter(
      ({ format, becomes }) => ['glb', 'ply', 'stl', 'obj'].includes(format) && becomes === 'refused',
    );
    for (const { name, format, bytes } of models.filter((_, i) => i % 4 === 0)) {
      const body = bytes();
      const hash = createHash('sha256').update(body).digest('hex');
      const answer = await fetch(`${server.address}/api/assets/${hash}?kind=${format}`, {
        method: 'PUT',
        body: new Uint8Array(body),
      });
      expect([name, answer.status >= 400 && answer.status < 500]).toEqual([name, true]);
    }
    const project = ATTACKS.find(({ name }) => name.startsWith('1.35 million'))?.bytes() ?? new Uint8Array(0);
    const headers = { 'content-type': 'application/json', 'idempotency-key': 'an-attack-key' };
    const body = `{"project":${Buffer.from(project).toString()}}`;
    expect((await fetch(`${server.address}/api/projects`, { method: 'POST', headers, body })).status).toBe(413);
    expect((await fetch(`${server.address}/api/projects`)).ok).toBe(true);
  } finally {
    await server.kill();
    await rm(data, { recursive: true, force: true });
  }
});

test(`two tabs on a bad line, ${RUNS} times: whoever looks at the newer finds his own again`, async ({
  page,
  context,
}) => {
  test.setTimeout(60_000 + RUNS * 30_000);
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const other = await context.newPage();
  await withoutDrawing(other);
  await other.goto(page.url());
  await settled(other);
  for (let run = 1; run <= RUNS; run++) {
    const [here, there] = [`Here ${run}`, `There ${run}`];
    // every second answer is lost, so that a save that was taken is asked for again
    let asked = 0;
    await other.route('**/api/projects/**', async (route) => {
      if (route.request().method() !== 'PUT') return route.continue();
      if (asked++ % 2 === 0) return route.abort();
      await route.fetch().catch(() => undefined);
      return route.abort();
    });
    await words(other).fill(there);
    await expect(saving(other)).toContainText('no connection');
    await words(page).fill(here);
    await expect(saving(page)).toHaveText(/^saved$|newer version/);
    await other.unroute('**/api/projects/**');
    await expect(async () => {
      for (const tab of [page, other])
        if ((await saving(tab).innerText()).includes('newer version'))
          await tab.getByRole('button', { name: 'Show the newer' }).click();
      await expect(saving(page)).toHaveText('saved', { timeout: 1500 });
      await expect(saving(other)).toHaveText('saved', { timeout: 1500 });
    }).toPass();
    const kept = await wordsOfVersions(page);
    expect(kept).toEqual(expect.arrayContaining([here, there]));
  }
});

test('closing asks where nothing is kept, and leaving for the rack asks too', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await page.route('**/api/projects/**', (route) => route.abort());
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await words(page).fill('Kiln by night');
  await expect(saving(page)).toContainText('no room left');
  await page.getByRole('link', { name: /To the rack/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Not everything is kept');
  await page.getByRole('button', { name: 'Stay' }).click();
  await expect(words(page)).toHaveValue('Kiln by night');
  const asks = page.waitForEvent('dialog');
  await page.close({ runBeforeUnload: true });
  const dialog = await asks;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.accept();
});

test('a project that is put in the bin meanwhile says so, and comes back with what was typed', async ({
  page,
  request,
}) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  const id = page.url().split('/').at(-1);
  await request.delete(`/api/projects/${id}`);
  await words(page).fill('Kiln by night');
  await expect(saving(page)).toContainText('in the bin');
  await page.getByRole('button', { name: 'Put it back on the rack' }).click();
  await expect(saving(page)).toHaveText('saved');
  expect((await (await request.get(`/api/projects/${id}`)).json()).project.pieces.title.source.graphemes).toHaveLength(
    13,
  );
});

test('a part of the application that is missing is said, and what was built stays', async ({ page }) => {
  await page.route('**/*harfbuzz*.wasm', (route) => route.abort());
  await makeUndrawn(page, 'Kiln');
  const notice = page.getByTestId('building');
  await expect(notice).toContainText('could not be loaded');
  await page.unroute('**/*harfbuzz*.wasm');
  await notice.getByRole('button', { name: 'Build it again' }).click();
  await settled(page);
  await expect(notice).toHaveCount(0);
});

test('what takes long can be stopped; a page that ended while it built opens without building', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  // a worker that is asked and never answers
  await page.evaluate(() => {
    Worker.prototype.postMessage = () => undefined;
  });
  await typeValue(page, 'Raise', '25');
  const notice = page.getByTestId('building');
  await expect(notice).toContainText('takes long');
  await notice.getByRole('button', { name: 'Stop building' }).click();
  await expect(notice).toContainText('Stopped');
  await expect(value(page, 'Raise')).toHaveAttribute('aria-valuenow', '25');
  await expect(saving(page)).toHaveText('saved');
  // the mark of a build that never came to its end, as a tab leaves it that the browser has killed
  const id = page.url().split('/').at(-1);
  await page.addInitScript((name) => {
    if (!sessionStorage.getItem('once')) localStorage.setItem(`fictile builds ${name} gone`, 'then');
    sessionStorage.setItem('once', 'yes');
  }, id);
  await page.reload();
  await expect(notice).toContainText('nothing is built yet');
  await words(page).fill('Row');
  await notice.getByRole('button', { name: 'Build it now' }).click();
  await settled(page);
  await page.reload();
  await settled(page);
  await expect(notice).toHaveCount(0);
});

test('a newest version that can not be read is passed over for an older one', async ({ page }) => {
  await makeUndrawn(page, 'Kiln');
  await settled(page);
  await words(page).fill('Kiln by night');
  await expect(saving(page)).toHaveText('saved');
  const address = page.url();
  const id = address.split('/').at(-1) ?? '';
  await page.route(`**/api/projects/${id}`, (route) =>
    route.request().method() === 'GET'
      ? route.fulfill({
          status: 422,
          json: { error: { code: 'REVISION_UNREADABLE', params: { id, revision: 2, why: 'it is no JSON' } } },
        })
      : route.continue(),
  );
  await page.goto('/');
  await page.goto(address);
  await page.getByRole('button', { name: /version 1|Version 1|^1/ }).click();
  await expect(words(page)).toHaveValue('Kiln');
  await words(page).fill('Kiln by day');
  await expect(saving(page)).toHaveText('saved');
  expect(await wordsOfVersions(page)).toEqual(expect.arrayContaining(['Kiln', 'Kiln by night', 'Kiln by day']));
});

const withoutDrawing = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });

/** The words of every version that the server holds of the page's project. */
async function wordsOfVersions(page: Page): Promise<string[]> {
  const address = `/api/projects/${page.url().split('/').at(-1)}/revisions`;
  const { revisions } = (await (await page.request.get(address)).json()) as { revisions: { number: number }[] };
  return Promise.all(
    revisions.map(async ({ number }) => {
      const { project } = await (await page.request.get(`${address}/${number}`)).json();
      return project.pieces.title.source.graphemes.map((g: { text: string }) => g.text).join('');
    }),
  );
}
