import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import type axe from 'axe-core';
import { openDemo, word } from './app';

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

/** So many routes to a test: two workers share the groups, and none runs long. */
const GROUP = 8;

/** Contrast follows the theme, not the width: light is checked wide, dark on the phone. */
for (let from = 0; from < ROUTES.length; from += GROUP) {
  const routes = ROUTES.slice(from, from + GROUP);
  test(`no accessibility violation and nothing wider than the screen: ${routes[0]} and on`, async ({
    page,
  }, info) => {
    const scheme = info.project.name === 'phone' ? 'dark' : 'light';
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await openDemo(page);
    for (const route of routes) {
      await page.goto(route);
      await word(page).waitFor();
      expect.soft(await violations(page), route).toEqual([]);
      expect.soft(await page.evaluate(widerThanTheScreen), route).toEqual([]);
    }
  });
}

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** Our pages hold no frames, so the check runs in the page itself, which is much faster than around it. */
async function violations(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  const found = await page.evaluate(async () => {
    const { axe: here } = window as unknown as { axe: typeof axe };
    return (await here.run({ resultTypes: ['violations'] })).violations;
  });
  return found.map((v) => {
    const where = v.nodes.slice(0, 2).map((n) => n.html.slice(0, 160));
    return `${v.id}: ${where.join(' | ')}`;
  });
}

/** Runs in the page. */
function widerThanTheScreen(): string[] {
  const width = document.documentElement.clientWidth;
  return Array.from(document.querySelectorAll('[role=main] *'))
    .filter((e) => e.getBoundingClientRect().right > width + 1 && !e.closest('svg'))
    .map((e) => e.outerHTML.slice(0, 160));
}
