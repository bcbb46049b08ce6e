/** Someone who does what the app says and nothing else, on tanks of another making: nobody is lost to its word. */
import { SCHOOLS } from '../document';
import { keep, MISHAPS } from './keeper';
import { quietYear } from './quiet';

describe.each(SCHOOLS.map((school, i) => [school, i] as const))('%s', (school, i) => {
  test.each(['chart', 'meter'] as const)('sixty days by %s', (reader) => {
    const mishap = MISHAPS[(i + (reader === 'chart' ? 0 : 3)) % MISHAPS.length] ?? 'none';
    const tank = keep(201 + i, school, mishap, reader, 60);
    expect(tank.dosedOntoAnimals).toBe(0);
    expect(tank.lost).toEqual([]);
    expect(tank.hoursOverAct).toBeLessThan(24);
    expect(tank.stuckDays).toBeLessThanOrEqual(21);
    expect(tank.stockedDay !== null || tank.readyDays < 14).toBe(true);
    expect(tank.visits).toBeGreaterThan(100);
  });
});

test.each(MISHAPS)('with animals in from the first day, and %s', (mishap) => {
  const tank = keep(301, 'firstFish', mishap, 'chart', 120);
  expect(tank.animals).toBeGreaterThan(0);
  expect(tank).toMatchObject({ dosedOntoAnimals: 0, lost: [] });
  expect(tank.hoursOverAct).toBeLessThan(24);
});

test.each([1, 2, 3])('a quiet tank is left in peace, seed %i', (seed) => {
  const year = quietYear(seed, 90);
  expect(year.actNows).toBe(0);
  expect(year.watches).toBeLessThanOrEqual(3);
  expect(year.tests).toBeGreaterThan(60);
});
