import { chromium } from '@playwright/test';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
});
const page = await (await b.newContext({ viewport: { width: 390, height: 844 } })).newPage();
page.on('console', (m) => console.log('console', m.text()));
page.on('pageerror', (e) => console.log('err', e.message));
await page.goto('http://localhost:4188/water/pantry-cube/bench');
await page.waitForTimeout(1500);
const t0 = Date.now();
await page.goto('http://localhost:4188/water/pantry-cube/cycle/forecast');
await page.getByRole('button', { name: /^Both read zero/ }).waitFor();
console.log('first', Date.now() - t0);
await page.getByText(/^Narrowing/).waitFor({ state: 'detached' });
console.log('last', Date.now() - t0);
await page.getByText(/Half the water changed now/).waitFor();
console.log('courses', Date.now() - t0);
await page.screenshot({ path: '/tmp/f1.png', fullPage: true });
await page.waitForTimeout(1000);
const t1 = Date.now();
await page.reload();
await page.getByRole('button', { name: /^Both read zero/ }).waitFor();
console.log('reload', Date.now() - t1);
await page.getByText(/Half the water changed now/).waitFor();
console.log('courses', Date.now() - t1);
await b.close();
