import { QUICK_FIT } from '../testing/quickFit';
import { DAY, History, START_MS } from '../testing/history';
import { answerNow, inputsOf, plannedLoad, sliceFor, type CarePlan } from '../forecast';
import { gatherEvidence } from '../evidence';
import { METRIC } from '../units';
import {
  dateWords,
  derivation,
  expectedWords,
  headline,
  heldWords,
  moveWords,
  movingEntries,
  plannedWords,
  planWords,
  shortDates,
  volumeDoubtWords,
  whyLong,
} from './forecast';
import { teachesWords } from './teaching';

const day = (ms: number) => `day ${Math.round(ms / DAY)}`;

test.each([
  [{ p10: 0, p50: 0, p90: 0 }, 'now'],
  [{ p10: 2, p50: 4, p90: 9 }, 'day 2 to day 9, most likely day 4'],
  [{ p10: 3, p50: 3, p90: 3 }, 'day 3'],
  [{ p10: 5, p50: 20, p90: null }, 'from day 5, most likely about day 20, perhaps not within 90 days'],
  [{ p10: 40, p50: null, p90: null }, 'hardly within 90 days, day 40 at the earliest'],
  [{ p10: null, p50: null, p90: null }, 'not within 90 days'],
])('dates in words %#', (q, words) => expect(dateWords(q, 0, 90, day)).toBe(words));

const history = () =>
  new History()
    .test(0, { ammonia: 0, nitrite: 0 })
    .dose(1, 2)
    .test(4, { ammonia: 2, nitrite: 0 })
    .test(9, { ammonia: 1, nitrite: 1 });

test('the plan itself is named when it is why', () => {
  const a = answerNow(history().doc, {
    waterId: 't',
    atMs: START_MS + 10 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'wait',
    loadMgN: null,
    options: QUICK_FIT,
  });
  if (a.status !== 'ok') throw new Error(a.because.code);
  expect(whyLong(a)).toMatch(/stop growing/);
  expect(headline(a, day, false).word).toBe('Not yet in sight');
});
test('the worker gets one tank, and the first animals meant or two small fish', () => {
  const { doc } = history();
  const water = doc.waters.t;
  if (!water) throw new Error('no tank');
  const two = {
    ...doc,
    waters: { ...doc.waters, u: { ...water, id: 'u' } },
    events: {
      ...doc.events,
      x: { id: 'x', waterId: 'u', at: '2026-01-02T00:00:00.000Z', note: '', kind: 'note' as const },
    },
  };
  const slice = sliceFor(two, 't');
  expect(Object.keys(slice.waters)).toEqual(['t']);
  expect(slice.events.x).toBeUndefined();
  expect(plannedLoad(doc, 't').mgN).toBe(12);
});
test('the inputs differ with a reading and its correction, and with nothing else', () => {
  const of = (h: History) => inputsOf(sliceFor(h.doc, 't'));
  const one = of(history());
  expect(one).toMatch(/^[0-9a-f]{16}$/);
  expect(of(history())).toBe(one);
  expect(of(history().test(10, { ammonia: 0 }))).not.toBe(one);
  const corrected = history();
  const sample = Object.values(corrected.doc.samples)[1];
  if (!sample) throw new Error('no sample');
  corrected.doc.samples[sample.id] = {
    ...sample,
    readings: sample.readings.map((r) => ({ ...r, value: { kind: 'exact', value: 4 } })),
  };
  expect(of(corrected)).not.toBe(one);
  // A reload reads the entries in another order.
  const turned = history();
  turned.doc.samples = Object.fromEntries(Object.entries(turned.doc.samples).reverse());
  expect(of(turned)).toBe(one);
  const fewer = history();
  fewer.doc.kits = Object.fromEntries(Object.entries(fewer.doc.kits).slice(1));
  expect(of(fewer)).not.toBe(one);
});

test.each([
  [{ p10: 0, p50: 0, p90: 0 }, 'now'],
  [{ p10: 2, p50: 4, p90: 9 }, 'day 2 to day 9, likely day 4'],
  [{ p10: 5, p50: 20, p90: null }, 'from day 5, likely day 20'],
  [{ p10: 0, p50: 0, p90: null }, 'likely now, or much later'],
  [{ p10: 40, p50: null, p90: null }, null],
])('dates in a breath %#', (q, words) => expect(shortDates(q, 0, day)).toBe(words));

test('a likely day is said only as finely as it is known', () => {
  const q = { p10: 5, p50: 20, p90: 40 };
  expect(dateWords(q, 0, 90, day, 0.9)).toBe('day 5 to day 40, most likely day 20');
  expect(dateWords(q, 0, 90, day, 1.5)).toBe('day 5 to day 40, most likely between day 17 and day 23');
  expect(shortDates({ ...q, p90: null }, 0, day, 2)).toBe('from day 5, likely between day 16 and day 24');
});

test.each([
  [{ widthNow: 21, widthThen: 7 }, 'eightTenths', 'It would narrow the proof’s date from 3 weeks to 7 days.'],
  [{ widthNow: 49, widthThen: 46 }, 'eightTenths', 'It would narrow the proof’s date by about 3 days.'],
  [
    { widthNow: 49, widthThen: 30 },
    'half',
    'It would narrow the middle half of the proof’s dates from 7 weeks to 4 weeks.',
  ],
] as const)('why a test is proposed %#', (widths, of, words) => {
  const test = { parameters: ['nitrite' as const], day: 2, of, why: 'teaches' as const, ...widths };
  expect(teachesWords(test, false)).toBe(words);
  expect(teachesWords({ ...test, why: 'safe' }, false)).toMatch(
    /^No test narrows .* as long as one should go without/,
  );
  for (const why of ['teaches', 'safe'] as const)
    expect(teachesWords({ ...test, why }, true)).not.toMatch(/proof|narrow/);
});

test('looking back: what moved the date, and how far off it was', () => {
  const move = { atMs: 3 * DAY, fromMs: 9 * DAY, toMs: 20 * DAY, because: 'nitrite 5' };
  expect(moveWords(move, day)).toBe('On day 3 the likely date moved from day 9 to day 20, after nitrite 5.');
  expect(moveWords({ ...move, because: null }, day)).toMatch(/nothing was logged in between/);
  expect(heldWords({ atMs: DAY, offDays: 3.2, inside: true }, day)).toBe(
    'On day 1: 3 days too late, inside the band.',
  );
  expect(heldWords({ atMs: DAY, offDays: -1, inside: false }, day)).toBe(
    'On day 1: 1 day too early, outside the band.',
  );
  const entries = movingEntries(gatherEvidence(history().doc, 't', START_MS + 10 * DAY));
  expect(entries.map((e) => e.text)).toEqual([
    'ammonia 0, nitrite 0',
    'a dose of ammonia',
    'ammonia 2, nitrite 0',
    'ammonia 1, nitrite 1',
  ]);
});

test('with animals in, the volume is measured with a water change, never with ammonia', () => {
  const doubt = { of: 'half' as const, widthNow: 30, widthThen: 14 };
  expect(volumeDoubtWords(doubt, false)).toMatch(
    /would narrow the middle half of the proof’s dates from 4 weeks to 14 days/,
  );
  expect(volumeDoubtWords(doubt, false)).toMatch(/after the next weighed dose/);
  expect(volumeDoubtWords(doubt, true)).not.toMatch(/ammonia|dose/);
});

test('the plan is said as the log shows it', () => {
  const rhythm = { testGapDays: [1, 3], waitDays: [0, 1], bothWaitDays: [0, 1], clockDays: [2, 2] } as const;
  const plan: CarePlan = {
    doseMgNPerL: 2 / 1.2878,
    when: { ammoniaClear: 0.3, bothClear: 0.65, clock: 0.05, never: 0 },
    rhythm,
    feedMgNPerDay: 0,
  };
  expect(planWords(plan)).toBe(
    'Doses of 2.0 mg/L: once ammonia and nitrite both read zero in 7 of 10 futures, as soon as ammonia reads zero in 3 of 10 futures. Tests every 1 to 3 days.',
  );
  expect(planWords({ ...plan, when: { ammoniaClear: 0, bothClear: 0, clock: 1, never: 0 } })).toContain(
    'every 2 days, whatever the test says',
  );
  expect(
    planWords({ ...plan, when: { ammoniaClear: 0, bothClear: 0, clock: 0, never: 1 }, feedMgNPerDay: 8.2 }),
  ).toBe('Food worth 8 mg N a day.');
  expect(planWords({ ...plan, doseMgNPerL: 0 })).toBe('Nothing more goes in.');
  expect(planWords({ ...plan, doseMgNPerL: 0, bottle: true })).toBe(
    'A new bottle of bacteria now. Nothing more goes in.',
  );
});

test('what the person plans is said in their units, and what is taken where nothing was said', () => {
  const plan: CarePlan = {
    doseMgNPerL: 0,
    when: { ammoniaClear: 0, bothClear: 0, clock: 0, never: 1 },
    rhythm: { testGapDays: [1, 3], waitDays: [0, 1], bothWaitDays: [0, 1], clockDays: [2, 2] },
    feedMgNPerDay: 0,
  };
  const units = METRIC;
  expect(plannedWords(plan, units)).toBe(
    'Temperature as it was measured. Alkalinity buffered when it falls under 6 dKH. No water changes ahead.',
  );
  const planned = { ...plan, tempC: 26, alkalinityDkh: 8.5, change: { share: 0.15, everyDays: 7 } };
  expect(plannedWords(planned, units)).toBe(
    'Held at 26.0 °C. Alkalinity kept up to 8.5 dKH. 15 % of the water changed every 7 days.',
  );
  expect(
    plannedWords({ ...planned, change: { share: 0.05, everyDays: 1 } }, { ...units, temperature: 'F' }),
  ).toBe('Held at 78.8 °F. Alkalinity kept up to 8.5 dKH. 5 % of the water changed every day.');
});

test('with animals in the headline never speaks of dosing, however ready the filter is', () => {
  const a = answerNow(history().doc, {
    waterId: 't',
    atMs: START_MS + 10 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'dose',
    loadMgN: null,
    options: QUICK_FIT,
  });
  if (a.status !== 'ok') throw new Error(a.because.code);
  const now = { p10: 0, p50: 0, p90: 0 };
  const late = { p10: 0, p50: 9, p90: 20 };
  for (const ready of [now, late])
    for (const nitriteClear of [now, late]) {
      const said = headline({ ...a, forecast: { ...a.forecast, ready, nitriteClear } }, day, true);
      expect(said.text).toMatch(/add no ammonia\.$/);
      expect(said.text).not.toMatch(/proof|dose/);
    }
  expect(headline({ ...a, forecast: { ...a.forecast, ready: now } }, day, false).text).toMatch(/proof dose/);
});

test('why it takes long follows what most futures do', () => {
  const a = answerNow(history().doc, {
    waterId: 't',
    atMs: START_MS + 10 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'dose',
    loadMgN: null,
    options: QUICK_FIT,
  });
  if (a.status !== 'ok') throw new Error(a.because.code);
  const under = (never: number, feedMgNPerDay: number) =>
    whyLong({
      ...a,
      plan: { ...a.plan, feedMgNPerDay, when: { ammoniaClear: 1 - never, bothClear: 0, clock: 0, never } },
    });
  expect(under(0, 0)).toMatch(/^The doses are too far apart/);
  expect(under(0.87, 0)).toMatch(/^Nothing more goes in, so the bacteria stop growing/);
  expect(under(0.87, 5)).toMatch(/^Light feeding keeps the bacteria small/);
});

test('a derivation has the numbers of the tank in it, each with its unit', () => {
  const a = answerNow(history().doc, {
    waterId: 't',
    atMs: START_MS + 10 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'dose',
    loadMgN: 12,
    options: QUICK_FIT,
  });
  if (a.status !== 'ok') throw new Error(a.because.code);
  for (const what of [
    'ammoniaClear',
    'bothClear',
    'ready',
    'load',
    'doublingA',
    'doublingN',
    'alkalinity',
  ] as const) {
    const text = derivation(what, a, METRIC).join(' ');
    expect(text).toMatch(/\d/);
    expect(text).not.toMatch(/NaN|Infinity|undefined/);
  }
  // 12 mg N a day over the fitted volume, near 100 L.
  expect(derivation('load', a, METRIC)[1]).toMatch(
    /^12 mg N a day in (8|9|10|11)\d L is 0\.1\d\d mg N\/L a day/,
  );
  const [, mu, hours] =
    /ln 2 \/ \((\d\.\d\d) a day × 1\.00\) = (\d+) h/.exec(derivation('doublingA', a, METRIC)[1] ?? '') ?? [];
  expect(Math.abs((Math.LN2 * 24) / Number(mu) - Number(hours))).toBeLessThan(1);
});

test.each([
  [{ day: 1, what: 'ammonia', expected: [0, 1, 2], low: 3, high: 4 }, '1.3 mg/L NH₄'],
  [{ day: 1, what: 'nitrate', expected: [0, 10, 20], low: 0, high: 0 }, '44 mg/L NO₃'],
  [{ day: 1, what: 'alkalinity', expected: [7, 8.04, 9], low: 0, high: 0 }, '8.0 dKH'],
] as const)('what was expected, as a kit prints it %#', (s, words) =>
  expect(expectedWords({ ...s, expected: [...s.expected] })).toBe(words),
);
