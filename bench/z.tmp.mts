import { chromium } from '@playwright/test';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run'],
});
const page = await (
  await b.newContext({ viewport: { width: 390, height: 844 }, deviceScaleFactor: 1.5 })
).newPage();
await page.goto('http://localhost:4188/water/pantry-cube/cycle/forecast');
await page.getByText(/Half the water changed now/).waitFor();
await page.waitForTimeout(500);
await page.screenshot({ path: '/tmp/f1.png' });
await page.getByText(/^The next test$/).scrollIntoViewIfNeeded();
await page.mouse.move(200, 400);
await page.mouse.wheel(0, 500);
await page.waitForTimeout(400);
await page.screenshot({ path: '/tmp/f2.png' });
await b.close();
