import { chromium } from '@playwright/test';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--use-gl=angle','--use-angle=swiftshader','--enable-unsafe-swiftshader'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(120000);
page.on('pageerror', (e) => console.log('ERR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('LOG', m.text()));
await page.addInitScript(() => { HTMLCanvasElement.prototype.getContext = () => null; });
await page.goto('http://localhost:4599/projects/row-jug');
await page.getByTestId('step').first().waitFor();
const chooser = page.waitForEvent('filechooser');
await page.getByRole('complementary', { name: 'Pieces' }).getByRole('button', { name: 'Add', exact: true }).click();
await page.getByRole('menuitem', { name: 'Model from a file' }).click();
const t = Date.now();
await (await chooser).setFiles('/tmp/big.stl');
for (let i = 0; i < 60; i++) { await page.waitForTimeout(1000); const text = (await page.getByRole('complementary', { name: 'Pieces' }).innerText()).replaceAll('\n', ' '); console.log(Date.now() - t, await page.getByRole('main').getAttribute('aria-busy'), text.slice(0, 160), (await page.getByRole('alert').allInnerTexts()).join('|')); if (/big model · 1/.test(text)) break; if (i === 4) await page.screenshot({ path: '/tmp/big.png' }); }
await browser.close();
