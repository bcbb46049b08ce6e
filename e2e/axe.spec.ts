import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { openDemo } from './app';

const ROUTES = [
  '/tanks',
  '/tank/new',
  '/tank/pantry-cube',
  '/tank/north-window',
  '/tank/pantry-cube/edit',
  '/tank/pantry-cube/school',
  '/tank/pantry-cube/log',
  '/tank/pantry-cube/log/event?kind=ammoniaDose',
  '/tank/pantry-cube/log/event?kind=film',
  '/tank/north-window/log/history',
  '/tank/pantry-cube/cycle',
  '/tank/pantry-cube/cycle/dose',
  '/tank/north-window/stock',
  '/tank/north-window/stock/species',
  '/tank/north-window/stock/add?species=yellow-tang',
  '/tank/north-window/stock/north-cardinals',
  '/tank/north-window/quarantine/new',
  '/tank/north-window/quarantine/north-qt?look=sign',
  '/tank/north-window/drip/new',
  '/tank/north-window/drip/gone',
  '/tank/north-window/bench',
  '/tank/north-window/bench/volume',
  '/tank/north-window/bench/change',
  '/tank/north-window/bench/nitrogen',
  '/tank/north-window/bench/light',
  '/bench',
  '/bench/salinity',
  '/tank/pantry-cube/cycle/forecast',
  '/tank/north-window/cycle/after',
  '/tank/north-window/setup',
  '/tank/north-window/equipment',
  '/tank/north-window/equipment/north-skimmer',
  '/tank/north-window/equipment/new',
  '/tank/north-window/log/readings',
  '/tank/north-window/log/readings/alkalinity',
  '/tank/pantry-cube/log/event?kind=observation',
  '/kits/kit-salinity',
  '/kits',
  '/kits/new',
  '/kits/kit-ammonia',
  '/files',
  '/settings',
  '/keys',
  '/gallery',
  '/nowhere',
];

/** Contrast follows the theme, not the width: light is checked wide, dark on the phone. In halves, for the sake of two cores. */
for (const [half, routes] of [
  ['first', ROUTES.slice(0, 15)],
  ['second', ROUTES.slice(15)],
] as const) {
  test(`no ${half}-half route has an accessibility violation`, async ({ page }, info) => {
    test.slow();
    const scheme = info.project.name === 'phone' ? 'dark' : 'light';
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await openDemo(page);
    const found: string[] = [];
    for (const route of routes) {
      await page.goto(route);
      await page.getByRole('main').waitFor();
      const { violations } = await new AxeBuilder({ page }).analyze();
      for (const v of violations)
        found.push(
          `${route}: ${v.id}: ${v.nodes
            .map((n) => n.html.slice(0, 160))
            .slice(0, 2)
            .join(' | ')}`,
        );
    }
    expect(found).toEqual([]);
  });
}

test('nothing is wider than the screen', async ({ page }) => {
  test.slow();
  await openDemo(page);
  const wide: string[] = [];
  for (const route of ROUTES) {
    await page.goto(route);
    await page.getByRole('main').waitFor();
    const over = await page.evaluate(() => {
      const width = document.documentElement.clientWidth;
      return Array.from(document.querySelectorAll('[role=main] *')).filter(
        (e) => e.getBoundingClientRect().right > width + 1 && !e.closest('svg'),
      ).length;
    });
    if (over > 0) wide.push(`${route}: ${over}`);
  }
  expect(wide).toEqual([]);
});
