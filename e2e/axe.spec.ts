import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import type axe from 'axe-core';
import { follow, openDemo, widerThanTheScreen } from './app';

const ROUTES = [
  '/waters',
  '/water/new',
  '/water/pantry-cube',
  '/water/north-window',
  '/water/pantry-cube/edit',
  '/water/pantry-cube/school',
  '/water/pantry-cube/log',
  '/water/pantry-cube/log/event?kind=ammoniaDose',
  '/water/pantry-cube/log/event?kind=film',
  '/water/north-window/log/history',
  '/water/pantry-cube/cycle',
  '/water/pantry-cube/cycle/dose',
  '/water/north-window/stock',
  '/water/north-window/stock/species',
  '/water/north-window/stock/buy',
  '/water/north-window/stock/plan',
  '/water/north-window/stock/company',
  '/water/north-window/stock/money',
  '/water/north-window/stock/board',
  '/agenda',
  '/water/north-window/report',
  '/water/north-window/photos',
  '/water/north-window/carer',
  '/water/north-window/stock/upgrade',
  '/water/north-window/stock/kind?name=thing',
  '/water/north-window/drip/new?animals=north-cardinals',
  '/water/north-window/stock/add?species=yellow-tang',
  '/water/north-window/stock/north-cardinals',
  '/water/new?kind=quarantine&serves=north-window',
  '/water/new?kind=mixing',
  '/water/north-qt?look=sign',
  '/water/north-qt/stock',
  '/water/north-bin',
  '/water/north-window/drip/new',
  '/water/north-window/drip/gone',
  '/water/north-window/bench',
  '/water/north-window/bench/volume',
  '/water/north-window/bench/change',
  '/water/north-window/bench/nitrogen',
  '/water/north-window/bench/light',
  '/bench',
  '/bench/salinity',
  '/water/pantry-cube/cycle/forecast',
  '/water/north-window/cycle/after',
  '/water/north-window/setup',
  '/water/north-window/equipment',
  '/water/north-window/equipment/north-skimmer',
  '/water/north-window/equipment/new',
  '/water/north-window/log/readings',
  '/water/north-window/log/readings/alkalinity',
  '/water/pantry-cube/log/event?kind=observation',
  '/kits/kit-salinity',
  '/kits',
  '/kits/new',
  '/kits/kit-ammonia',
  '/kits/kit-nitrite/card',
  '/water/north-window/month',
  '/water/north-window/bench/sources',
  '/water/north-window/bench/supply',
  '/water/north-window/bench/pump',
  '/water/north-window/bench/start',
  '/glossary',
  '/practice',
  '/monitor',
  '/files',
  '/settings',
  '/keys',
  '/gallery',
  '/nowhere',
];

/** So many routes to a test: two workers share the groups, and none runs long. */
const GROUP = 12;

/** Contrast follows the theme, not the width: light is checked wide, dark on the phone. */
for (let from = 0; from < ROUTES.length; from += GROUP) {
  const routes = ROUTES.slice(from, from + GROUP);
  test(`no accessibility violation and nothing wider than the screen: ${routes[0]} and on`, async ({
    page,
  }, info) => {
    const scheme = info.project.name === 'phone' ? 'dark' : 'light';
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await openDemo(page);
    await page.evaluate(AXE);
    for (const route of routes) {
      await follow(page, route);
      expect.soft(await violations(page), route).toEqual([]);
      expect.soft(await page.evaluate(widerThanTheScreen, null), route).toEqual([]);
    }
  });
}

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** Our pages hold no frames, so the check runs in the page itself, which is much faster than around it. */
async function violations(page: Page): Promise<string[]> {
  const found = await page.evaluate(async () => {
    const { axe: here } = window as unknown as { axe: typeof axe };
    return (await here.run({ resultTypes: ['violations'], preload: false })).violations;
  });
  return found.map((v) => {
    const where = v.nodes.slice(0, 2).map((n) => n.html.slice(0, 160));
    return `${v.id}: ${where.join(' | ')}`;
  });
}
