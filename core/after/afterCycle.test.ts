import { gatherEvidence } from '../evidence';
import { DAY, History, provedHistory, START_MS } from '../testing/history';
import { crewPlan, filmBands, filmSays, resetPlan } from '.';

const at = (h: History, day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);
const film = (h: History, day: number, kind: 'brown' | 'green' | 'slime' | 'stringy', extent: number) =>
  h.event(day, { kind: 'film', film: kind, extent });

test('the change is as large as the largest goal asks: 40 to 10 mg/L is three quarters', () => {
  const plan = resetPlan(at(new History().water(10, { nitrate: 40, phosphate: 0.1 }), 10.5));
  expect(plan.fraction).toBeCloseTo(0.75, 9);
  expect(plan.asks.map((a) => a.what)).toEqual(['nitrate']);
  // 8.2 x 0.25 + 8.5 x 0.75
  expect(plan.alkalinityAfter).toBeCloseTo(8.425, 6);
  expect(plan.missing).toEqual([]);
});
test('nothing to change, and what is unmeasured is named', () => {
  const plan = resetPlan(at(new History().test(10, { nitrate: 10 }), 10.5));
  expect(plan.fraction).toBe(0);
  expect(plan.missing).toEqual(['phosphate', 'alkalinity', 'salinity']);
});
test('films are steps from look to look, with a trend', () => {
  const h = film(film(new History(), 20, 'brown', 3), 25, 'brown', 1);
  const [band] = filmBands(at(h, 27));
  expect(band).toMatchObject({ film: 'brown', now: 1, trend: 'fading' });
  expect(band?.steps.map((s) => s.extent)).toEqual([3, 1]);
  expect(band?.steps[0]?.toMs).toBe(band?.steps[1]?.fromMs);
});
test('stringy brown comes before all else', () => {
  const h = film(film(new History(), 20, 'green', 3), 21, 'stringy', 1);
  expect(filmSays(filmBands(at(h, 22)))).toBe('stringyHelp');
  expect(filmSays([])).toBe('nothingYet');
});
test('a first trace is no fading; two looks are', () => {
  const first = film(new History(), 20, 'brown', 1);
  expect(filmSays(filmBands(at(first, 21)))).toBe('traces');
  expect(filmSays(filmBands(at(film(film(new History(), 15, 'brown', 3), 20, 'brown', 1), 21)))).toBe(
    'fading',
  );
});
test('stringy brown at zero nutrients is a suspicion of its own', () => {
  const bands = filmBands(at(film(new History(), 20, 'stringy', 1), 21));
  expect([filmSays(bands), filmSays(bands, true)]).toEqual(['stringyHelp', 'stringySuspicion']);
});
describe('the crew in steps', () => {
  test('not before the cycle, then a first portion, not the ceiling', () => {
    const e = at(film(provedHistory(), 29, 'brown', 3), 30);
    expect(crewPlan(e, false).next).toBe('cycleFirst');
    const plan = crewPlan(e, true);
    expect(plan.next).toBe('firstPortion');
    expect(plan.portion).toBeLessThan(plan.ceilings.find((c) => c.school === 'onePerGallon')?.animals ?? 0);
  });
  test('the next portion only after a week, while film stands', () => {
    const h = film(provedHistory().animal(30, 'turban-snail', 2), 31, 'brown', 3);
    expect(crewPlan(at(h, 33), true).next).toBe('lately');
    expect(crewPlan(at(h, 38), true).next).toBe('nextPortion');
  });
  test('too little film for those that are there is said', () => {
    const h = film(film(provedHistory().animal(30, 'turban-snail', 5), 33, 'brown', 2), 36, 'brown', 0);
    expect(crewPlan(at(h, 38), true)).toMatchObject({ next: 'starving', grazers: 5 });
    // The last look is two months old: nobody knows what they find now.
    expect(crewPlan(at(h, 94), true).next).toBe('enough');
    expect(filmSays(filmBands(at(h, 94)))).toBe('lookAgain');
  });
});
