import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { waterOf, type Display, type Document } from '../../../core/document';
import { gatherEvidence } from '../../../core/evidence';
import { inputsOf, sliceFor } from '../../../core/forecast';
import { choicesOf, stockingPlan } from '../../../core/planner';
import { apartOf } from '../../../core/planner/apart';
import { speciesById } from '../../../core/species';
import { dailyLoadMgN, groupLoadMgN, grownCm, loadAt } from '../../../core/stocking';
import { aQuarantine } from '../../../core/testing/display';
import { DAY_MS } from '../../../core/time';
import { shortWrittenDay } from '../../store';
import type { PlanAsk } from '../../workers/messages';
import { closePlanner } from '../../workers/usePlan';
import {
  allText,
  choose,
  demo,
  flush,
  NOW,
  onScreen,
  poisoned,
  press,
  says,
  submit,
  tick,
  type,
} from '../shell/testing';
import { PlanScreen } from './PlanScreen';
import { StockScreen } from './StockScreen';

/** The planner, without a thread of its own. */
class Planner {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror = null;
  postMessage({ asked = [] }: Partial<PlanAsk>) {
    const always = () => true;
    const plans = asked.map((a) => ({ ...a, plan: stockingPlan(a.problem, always) }));
    for (const { name, plan } of plans) setTimeout(() => this.onmessage?.({ data: { name, plan } }), 0);
    const [first] = plans;
    const apart = first ? apartOf(first.problem, first.plan, always) : [];
    setTimeout(() => this.onmessage?.({ data: { lets: {}, apart } }), 0);
  }
  terminate() {
    this.onmessage = null;
  }
}
beforeAll(() => Object.assign(globalThis, { Worker: Planner }));
beforeEach(closePlanner);
const show = (doc = demo(), waterId = 'north-window') =>
  onScreen(<PlanScreen />, { doc, params: { waterId } });

test('who is in quarantine is released first, the wish follows when it is free, and why', async () => {
  show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  expect(says(/^It waits for the 28 days its quarantine must be seen clear/)).toBe(true);
  expect(says(/^It waits for the quarantine, free after 2 × Banggai cardinalfish on /)).toBe(true);
  expect(says(/^Toadstool leather and 2 × Button polyps: No quarantine for corals is open\./)).toBe(true);
  expect(
    screen.getByRole('img', {
      name: /^The plan over time\. 2 × Banggai cardinalfish: bought .* the filter carries \d+ then/,
    }),
  ).toBeTruthy();
  // As the drawing rises: what is in, the cardinalfish and the goby; not the corals, which have no day.
  const doc = demo();
  const present = loadAt(gatherEvidence(doc, 'north-window', NOW), NOW);
  // As large as they leave quarantine: the cardinalfish in 18 days, the goby 28 days after its purchase.
  const goby = speciesById('yellow-watchman-goby');
  const coming =
    groupLoadMgN(doc, doc.animals['north-cardinals']!, NOW + 18 * DAY_MS) +
    dailyLoadMgN(goby, grownCm(goby, goby.arrivalCm, 28));
  expect(allText()).toContain(`At the end of the plan${(present + coming).toFixed(1)} mg N a day`);
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});
test('with ammonia in the water the plan says first that its days are not for this water', async () => {
  show(poisoned());
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  expect(says(/^Ammonia is 2 mg\/L NH₄, read .* First the water: the days below/)).toBe(true);
});
test('with ammonia in a quarantine nobody is to be bought for it first', async () => {
  const doc = poisoned();
  doc.samples.bad = { ...doc.samples.bad!, waterId: 'north-qt' };
  show(doc);
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  expect(says(/^Spare tank: Ammonia is 2 mg\/L.* Nobody is bought for it before its water is right\./)).toBe(
    true,
  );
});
test('of an empty quarantine whose water is not known that is said before anybody is bought for it', async () => {
  const doc = demo();
  doc.waters.box = aQuarantine('fish', { id: 'box', name: 'Box', serves: ['north-window'] });
  show(doc);
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  expect(
    says(
      /^Box: Nobody is in it\. Before anyone goes in, ammonia, .* must be known from the last three days\.$/,
    ),
  ).toBe(true);
  expect(says(/^Spare tank: /)).toBe(false);
});
test('corals without a quarantine of their own are an accepted risk', async () => {
  show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  tick(/^Cleaners and corals without a quarantine/);
  press('Plan it so');
  expect(says(/^Say why, in a word/)).toBe(true);
  type('Why the risk is taken', 'from a friend');
  press('Plan it so');
  await waitFor(() => expect(says(/^All in by /)).toBe(true));
});
test('a kind too big for the glass is no question of days; without wishes the way to them is shown', async () => {
  const doc = demo();
  const [first] = Object.values(doc.animals).filter((a) => a.moves.at(-1)?.to.kind === 'wish');
  doc.animals[first!.id] = { ...first!, speciesId: 'yellow-tang' };
  show(doc);
  await waitFor(() => expect(says(/wants a glass of 450 L.* No day is right for it/)).toBe(true));
  document.body.innerHTML = '';
  show(demo(), 'pantry-cube');
  await waitFor(() => expect(says('Nothing wished for')).toBe(true));
});
test('where no day is right for any wish it is not said that nothing is wished for', async () => {
  const doc = demo();
  const wish = Object.values(doc.animals).find((a) => a.moves.at(-1)?.to.kind === 'wish')!;
  doc.animals.tang = {
    ...wish,
    id: 'tang',
    plannedDay: null,
    homeId: 'pantry-cube',
    speciesId: 'yellow-tang',
  };
  show(doc, 'pantry-cube');
  await waitFor(() => expect(says('No wish can be planned')).toBe(true));
  expect(says('Nothing wished for')).toBe(false);
});

test('a batch that waits for one of it says for whom; the others are parted from it at a touch, and their days held', async () => {
  const wished = demo();
  const goby = wished.animals['north-goby']!;
  wished.animals.dragonet = { ...goby, id: 'dragonet', speciesId: 'mandarin-dragonet' };
  wished.animals.dartfish = { ...goby, id: 'dartfish', speciesId: 'firefish' };
  const { doc } = show(wished);
  await waitFor(() => expect(says(/^Bought on .*, Fire dartfish could be in on /)).toBe(true));
  expect(says(/^Mandarin dragonet must wait until the tank is old enough, on /)).toBe(true);
  expect(says(/^In another batch, too, Yellow watchman goby must wait for Mandarin dragonet: /)).toBe(true);
  await submit('Part them so');
  expect(doc().animals.dartfish?.wish?.held?.releaseDay).toBeTruthy();
  expect(doc().animals['north-goby']?.wish?.held).toBeUndefined();
  await waitFor(() => expect(says(/could be in on/)).toBe(false));
});
test('an earlier day says what it breaks and what the ammonia would do; its days can be held, and no plan moves them', async () => {
  const { doc } = show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  const wish = Object.values(doc().animals).find((a) => a.speciesId === 'yellow-watchman-goby')!;
  press('And sooner: Yellow watchman goby');
  const slide = screen.getByRole('slider', { name: 'Day it is let in: Yellow watchman goby' });
  expect(says('Breaks nothing.')).toBe(true);
  fireEvent.change(slide, { target: { value: '3' } });
  expect(says(/^Its quarantine is (not over|taken by)/)).toBe(true);
  expect(says(/^Free ammonia after it, predicted: 0\.\d{3} mg\/L/)).toBe(true);
  await submit('Hold the days of Yellow watchman goby');
  const { held } = doc().animals[wish.id]!.wish!;
  expect(held?.releaseDay).toBeTruthy();
  await waitFor(() => expect(says('Let its days go')).toBe(true));
  await submit('Let the days go of Yellow watchman goby');
  expect(doc().animals[wish.id]?.wish?.held).toBeUndefined();
});
test('choices are kept with the tank; a budget that is none is questioned', async () => {
  const { doc } = show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  choose('Cautious');
  tick('Sat');
  await flush();
  const field = screen.getByLabelText('Budget a month, for animals');
  type('Budget a month, for animals', 'plenty');
  expect(says(/^Give an amount for a month/)).toBe(true);
  type('Budget a month, for animals', '0');
  fireEvent.blur(field);
  await flush();
  expect(doc().waters['north-window']).toMatchObject({
    stocking: { which: 'cautious', shopDays: [6], budget: 0 },
  });
  expect(says(/^With nothing to spend/)).toBe(true);
  expect(says(/^No price is said for .*Yellow watchman goby.*: counted as costing nothing/)).toBe(true);
});
test('a plan is kept, one a day, and the next day it says what moved and why', async () => {
  const doc = demo();
  const { doc: now } = show(doc);
  await waitFor(() => expect(Object.values(now().plans)).toHaveLength(1));
  const [kept] = Object.values(now().plans);
  document.body.innerHTML = '';
  const yesterday = new Date(Date.parse(kept!.at) - 86_400_000).toISOString();
  const steps = kept!.steps.map((s, i) => (i === 0 ? { ...s, releaseDay: s.buyDay } : s));
  show({ ...demo(), plans: { was: { ...kept!, id: 'was', at: yesterday, steps } } });
  await waitFor(() => expect(says(/^Since .* days later: /)).toBe(true));
});
test('a tank of five litres: a sentence for each wish, and no dates', async () => {
  const doc = demo();
  const water = doc.waters['north-window'] as Display;
  doc.waters['north-window'] = { ...water, size: { kind: 'volume', volumeL: 5 } };
  show(doc);
  await waitFor(() =>
    expect(says(/^Yellow watchman goby .*wants a glass of .* No day is right for it/)).toBe(true),
  );
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});

/** Pantry Cube, still cycling, with a snail wished for, and what was said of its start a while ago. */
function cycling(said: { daysAgo: number; p50: number; p90?: number | null } | null) {
  const doc = demo();
  const wish = Object.values(doc.animals).find((a) => a.moves.at(-1)?.to.kind === 'wish')!;
  doc.animals.snail = {
    ...wish,
    id: 'snail',
    plannedDay: null,
    homeId: 'pantry-cube',
    speciesId: 'turban-snail',
  };
  const water = doc.waters['pantry-cube'] as Display;
  const direct = 'from a friend';
  doc.waters['pantry-cube'] = { ...water, stocking: { ...choicesOf(water), direct } };
  if (said) {
    const at = new Date(NOW - said.daysAgo * DAY_MS).toISOString();
    const { p50, p90 = p50 } = said;
    const days = { p10: p50, p50, p90 };
    doc.forecasts.f = {
      id: 'f',
      waterId: 'pantry-cube',
      day: at.slice(0, 10),
      at,
      ...days,
      horizonDays: 90,
      plan: '',
    };
  }
  return doc;
}
test('a start without a date is dated first, and nobody is told that it never ends', async () => {
  show(cycling(null), 'pantry-cube');
  await flush();
  expect(says('Planning')).toBe(true);
  expect(says('When the start is over is worked out first.')).toBe(true);
  expect(says(/Nobody can come yet|passes its gates/)).toBe(false);
});
test('animals that nobody has named: the days hold only if nobody is in', async () => {
  const doc = demo();
  const water = doc.waters['pantry-cube'] as Display;
  doc.waters[water.id] = { ...water, told: { stage: 'animalsIn', day: '2026-04-01' } };
  show(doc, water.id);
  await flush();
  expect(says(/^Who lives here already is not named: .* The days below hold only if nobody does\.$/)).toBe(
    true,
  );
});
test.each([
  ['the day that was said', { daysAgo: 1, p50: 11 }, 'All in by 11 May'],
  ['tomorrow, where that day has passed and the gate is closed', { daysAgo: 9, p50: 3 }, 'All in by 2 May'],
])('a tank still at its start goes by %s', async (_, said, title) => {
  show(cycling(said), 'pantry-cube');
  await waitFor(() => expect(says(title)).toBe(true));
});
test.each([
  ['on a later day', 20, ', cautiously on 20 May', 'from 11 May, cautiously 20 May'],
  ['not at all in sight', null, ', perhaps much later', 'from 11 May, cautiously without a day'],
  ['the same', 11, '', 'from 11 May'],
])('that the likely day is not the sure one is said: that %s', async (_, p90, start, days) => {
  show(cycling({ daysAgo: 1, p50: 11, p90: p90 === null ? null : p90 }), 'pantry-cube');
  await waitFor(() => expect(allText()).toContain(days));
  expect(allText()).toContain(`The start is likely over on 11 May${start}. Whoever is bought before`);
  // The start is what it waits for: what another bottle would win is asked of the forecast.
  expect(says('Compare it in the forecast')).toBe(true);
});
test('until the first are in the filter is to be fed, where its proof would not last', async () => {
  const doc = demo();
  const inIt = Object.values(doc.animals).filter((a) => waterOf(a.moves.at(-1)!.to) === 'north-window');
  for (const a of inIt) delete doc.animals[a.id];
  const at = (daysAgo: number) => new Date(NOW - daysAgo * DAY_MS).toISOString();
  const zero = (parameter: 'ammonia' | 'nitrite') => ({
    parameter,
    kitId: `kit-${parameter}`,
    value: { kind: 'exact' as const, value: 0 },
  });
  const readings = [zero('ammonia'), zero('nitrite')];
  for (const [id, ago] of [['before', 11] as const, ['after', 9] as const])
    doc.samples[id] = { id, waterId: 'north-window', at: at(ago), note: '', readings };
  const { netL } = gatherEvidence(doc, 'north-window', NOW);
  doc.events.proof = {
    id: 'proof',
    waterId: 'north-window',
    at: at(10),
    note: '',
    kind: 'ammoniaDose',
    mgN: 1.6 * netL,
    mL: null,
  };
  show(doc);
  // The cardinalfish leave quarantine on 19 May; proved on 22 April it holds to 13 May.
  await waitFor(() => expect(says(/^Until the first are in, on 19 May, the filter has nothing/)).toBe(true));
  expect(says(/Feed it by 6 May, or its proof counts no more on that day: 2 mg\/L/)).toBe(true);
});
test('a filter that is shown is no start without a date: what still waits is a matter of days', async () => {
  const doc = demo();
  const inIt = Object.values(doc.animals).filter((a) => waterOf(a.moves.at(-1)!.to) === 'north-window');
  for (const a of inIt) delete doc.animals[a.id];
  doc.samples.warm = {
    id: 'warm',
    waterId: 'north-window',
    at: new Date(NOW - 600_000).toISOString(),
    note: '',
    readings: [{ parameter: 'temperature', kitId: 'kit-temperature', value: { kind: 'exact', value: 33 } }],
  };
  show(doc);
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  expect(says(/says? no day|does not say yet|sees no day/)).toBe(false);
});
test('a day of purchase that has passed buys nobody', async () => {
  const doc = demo();
  const wish = Object.values(doc.animals).find((a) => a.speciesId === 'yellow-watchman-goby')!;
  const held = { buyDay: '2026-04-20', quarantineId: null, releaseDay: null };
  doc.animals[wish.id] = { ...wish, wish: { ...wish.wish, held } };
  show(doc);
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  expect(says(/^Yellow watchman goby was to be bought on 20 Apr, and the log holds no purchase\./)).toBe(
    true,
  );
  expect(says(/^It waits for the quarantine, free after 2 × Banggai cardinalfish on /)).toBe(true);
  expect(says('Set by you, against a rule')).toBe(false);
});

test('a lid is not promised to be enough where the start has no day and there is no quarantine', async () => {
  const doc = cycling(null);
  doc.animals.snail = { ...doc.animals.snail!, speciesId: 'ocellaris-clownfish' };
  const water = doc.waters['pantry-cube'] as Display;
  doc.waters['pantry-cube'] = { ...water, hasLid: false, size: { kind: 'volume', volumeL: 200 } };
  const { draftsCome } = show(doc, 'pantry-cube');
  const inputs = inputsOf(sliceFor(doc, 'pantry-cube'));
  draftsCome({ forecasts: { 'pantry-cube': { inputs, cannotSay: true } } });
  await waitFor(() => expect(says('Nobody can come yet')).toBe(true));
  expect(says(/^The log does not say yet when the start is over/)).toBe(true);
  expect(says(/^Ocellaris clownfish: It may not live here/)).toBe(true);
  expect(says(/would let it in/)).toBe(false);
});

test('a fish that shows a sign is in quarantine, not to be bought, and nobody is bought to join it', async () => {
  const doc = demo();
  const [look] = Object.values(doc.looks);
  doc.looks.sign = {
    ...look!,
    id: 'sign',
    waterId: 'north-qt',
    day: '2026-05-01',
    result: 'sign',
    signs: ['spots'],
  };
  show(doc);
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  expect(says('In quarantine')).toBe(true);
  expect(says(/^1 May, Spare tank$/)).toBe(false);
  expect(says(/^30 May, Spare tank$/)).toBe(true);
  expect(says(/^It waits for the quarantine, free after 2 × Banggai cardinalfish on 2\d May/)).toBe(true);
});
test('after an outbreak no fish is planned before the days without them are over, nor while some are in', async () => {
  const doc = demo();
  doc.events.ich = {
    id: 'ich',
    kind: 'incident',
    what: 'outbreak',
    waterId: 'north-window',
    at: new Date(NOW - 6 * DAY_MS).toISOString(),
    note: '',
  };
  const { doc: now } = show(doc);
  // 76 days from 25 April.
  await waitFor(() => expect(says(/stands without fish until 10 Jul: none is planned before/)).toBe(true));
  const [plan] = Object.values(now().plans);
  expect(plan!.steps.map((s) => s.releaseDay >= '2026-07-10')).toEqual([true, true]);
  document.body.innerHTML = '';
  const [snail] = Object.values(doc.animals).filter((a) => a.speciesId === 'turban-snail');
  doc.animals.fish = { ...snail!, id: 'fish', speciesId: 'royal-gramma' };
  show(doc);
  await waitFor(() => expect(says('Nobody can come yet')).toBe(true));
  expect(says(/Yellow watchman goby.*: The days without fish after an outbreak have not begun/)).toBe(true);
  expect(says(/would let/)).toBe(false);
});
test('a display that held copper is planned for fish alone', async () => {
  const doc = demo();
  doc.treatments.copper = {
    id: 'copper',
    waterId: 'north-window',
    product: 'as printed',
    says: '',
    holds: 'copper',
    hides: [],
    startDay: '2025-10-01',
    endDay: '2025-10-20',
    per: null,
    given: [],
    filtersOff: false,
    filtersOnAt: null,
  };
  show(doc);
  await waitFor(() => expect(says(/^All in by /)).toBe(true));
  expect(screen.getAllByText(/has held copper\. .* they never go in\. No day is right for it/)).toHaveLength(
    2,
  );
});
test('that it was bought on a day without a shop is past, once it is in quarantine', async () => {
  const doc = demo();
  const display = doc.waters['north-window'] as Display;
  doc.waters['north-window'] = { ...display, stocking: { ...choicesOf(display), shopDays: [1] } };
  show(doc);
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  expect(says('Set by you, against a rule')).toBe(false);
  // A day of purchase to come is not.
  const goby = doc.animals['north-goby']!;
  const held = { buyDay: '2026-08-01', quarantineId: 'north-qt', releaseDay: null };
  doc.animals['north-goby'] = { ...goby, wish: { ...goby.wish, held } };
  cleanup();
  show(doc);
  await waitFor(() => expect(says('Set by you, against a rule')).toBe(true));
});
test('what was spent this month on animals is no longer there for others', async () => {
  const bought = (price: number) => {
    const doc = demo();
    const water = doc.waters['north-window'] as Display;
    doc.waters['north-window'] = { ...water, stocking: { ...choicesOf(water), budget: 30 } };
    const goby = doc.animals['north-goby']!;
    doc.animals['north-goby'] = { ...goby, wish: { ...goby.wish, price: 20 } };
    doc.purchases.p = {
      id: 'p',
      waterId: 'north-window',
      at: new Date(NOW).toISOString(),
      from: 'shop',
      fromWhom: '',
      price,
      quarantinedDays: null,
      treatedWith: '',
      bag: {},
      animalIds: [],
      note: '',
    };
    return doc;
  };
  const buyDay = (plans: Document['plans']) =>
    Object.values(plans)[0]?.steps.find((s) => s.animalId === 'north-goby')?.buyDay;
  const { doc } = show(bought(10));
  await waitFor(() => expect(buyDay(doc().plans)).toMatch(/^2026-05/));
  document.body.innerHTML = '';
  const { doc: later } = show(bought(15));
  await waitFor(() => expect(buyDay(later().plans)).toBe('2026-06-01'));
  expect(says('Spent on animals this month')).toBe(true);
});
test('Stock does not go on saying the days of a plan that the log has overtaken', async () => {
  const { doc: kept } = show();
  await waitFor(() => expect(Object.values(kept().plans)).toHaveLength(1));
  const [plan] = Object.values(kept().plans);
  const { releaseDay } = plan!.steps.find((s) => s.animalId === 'north-goby')!;
  document.body.innerHTML = '';
  const steps = plan!.steps.map((s) => ({ ...s, releaseDay: '2026-05-04' }));
  const at = new Date(NOW - 3 * DAY_MS).toISOString();
  const { doc, settle } = onScreen(<StockScreen />, {
    doc: { ...demo(), plans: { was: { ...plan!, id: 'was', at, steps } } },
    params: { waterId: 'north-window' },
  });
  expect(allText()).toContain('plan: 4 May');
  settle(1000);
  await waitFor(() => expect(Object.values(doc().plans)).toHaveLength(2));
  settle();
  expect(allText()).not.toContain('plan: 4 May');
  expect(allText()).toContain(`plan: ${shortWrittenDay(releaseDay)}`);
});
test('a plan that nobody asked for is made while Stock is read, so that its page has it at once; it is neither kept nor spoken of', async () => {
  const asked = jest.spyOn(Planner.prototype, 'postMessage');
  const { doc, settle } = onScreen(<StockScreen />, { doc: demo(), params: { waterId: 'north-window' } });
  expect(asked).not.toHaveBeenCalled();
  settle(5000);
  await waitFor(() => expect(asked).toHaveBeenCalledTimes(1));
  settle(1000);
  expect(doc().plans).toEqual({});
  expect(allText()).not.toContain('plan: ');
  asked.mockClear();
  document.body.innerHTML = '';
  show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  const [[{ asked: first }]] = asked.mock.calls as [[PlanAsk]];
  expect(first[0]?.plan?.steps.length).toBeGreaterThan(0);
  asked.mockRestore();
});
test('wishes in no order are wanted alike and have no number; one added to an order comes last', async () => {
  const doc = demo();
  show(doc);
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  const moves = () =>
    screen.getAllByRole('button', { name: /: move$/ }).map((b) => b.getAttribute('aria-label'));
  expect(moves().some((name) => /^\d+\. /.test(name ?? ''))).toBe(false);
  expect(says(/^Drag, or space and arrows\. As yet all are wanted alike/)).toBe(true);
  cleanup();
  doc.animals['north-goby'] = { ...doc.animals['north-goby']!, wish: { priority: 2 } };
  doc.animals['north-leather'] = { ...doc.animals['north-leather']!, wish: { priority: 1 } };
  show(doc);
  await waitFor(() => expect(says(/ in by /)).toBe(true));
  expect(moves()).toEqual([
    '1. Toadstool leather: move',
    '2. Yellow watchman goby: move',
    '2 × Button polyps: move',
  ]);
  expect(says(/those without a number are wanted last/)).toBe(true);
});
