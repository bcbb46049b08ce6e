/** Documents shaped like the real thing, for properties. */
import fc from 'fast-check';
import {
  AMMONIA_SOURCES,
  BACTERIA_SOURCES,
  CLARITIES,
  DEFAULT_SETTINGS,
  DOSED,
  emptyDocument,
  GONE,
  IN,
  FILMS,
  FOODS,
  MAX_NAME,
  SCHOOLS,
  SEEDS,
  SIGNS,
  SMELLS,
  SOUNDS,
  STARTER_KITS,
  WISHED,
  type Animal,
  type Document,
  type Look,
  type Quarantine,
  type Reading,
  type Sample,
  type Water,
  type WaterEvent,
} from '../document';
import { SPECIES } from '../species';

const id = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9_-]{0,20}$/);
const time = fc
  .integer({ min: Date.UTC(2024, 0, 1), max: Date.UTC(2026, 10, 1) })
  .map((ms) => new Date(ms).toISOString());
const day = time.map((t) => t.slice(0, 10));
const amount = (max: number) => fc.double({ min: 0.01, max, noNaN: true });
/** Names with letters of any script and emoji, never only blanks. */
const name = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 12 })
  .filter((s) => s.trim() !== '' && s.length <= MAX_NAME && !/[\u0000-\u001f]/.test(s));
const note = fc.string({ unit: 'grapheme', maxLength: 40 });

const display = fc.record({
  id: id.filter((text) => text !== 'q1'),
  name,
  kind: fc.constant('display' as const),
  startDay: fc.option(day),
  size: fc.oneof(
    fc.record({
      kind: fc.constant('dimensions' as const),
      lengthCm: amount(300),
      widthCm: amount(100),
      waterHeightCm: amount(90),
    }),
    fc.record({ kind: fc.constant('volume' as const), volumeL: amount(3000) }),
  ),
  sumpL: amount(300),
  rockKg: amount(90),
  sandKg: amount(90),
  hasLid: fc.boolean(),
  ammoniaSource: fc.constantFrom(...AMMONIA_SOURCES),
  bacteriaSources: fc.uniqueArray(fc.constantFrom(...BACTERIA_SOURCES)),
  school: fc.constantFrom(...SCHOOLS),
}) satisfies fc.Arbitrary<Water>;

const reading = (parameter: Reading['parameter']): fc.Arbitrary<Reading> => {
  const kitId = STARTER_KITS.find((k) => k.parameter === parameter)?.id ?? '';
  return fc.oneof(
    amount(40).map((value): Reading => ({ parameter, kitId, value: { kind: 'exact', value } })),
    amount(4).map((low): Reading => ({ parameter, kitId, value: { kind: 'between', low, high: low * 2 } })),
    fc.tuple(amount(4), fc.boolean()).map(([low, open]): Reading => ({
      parameter,
      kitId,
      value: { kind: 'exact', value: low },
      photo: { low, best: low * 1.2, high: open ? null : low * 2 },
    })),
    amount(40).map((low): Reading => ({ parameter, kitId, value: { kind: 'over', low } })),
    fc
      .array(amount(40), { minLength: 2, maxLength: 5 })
      .map((values): Reading => ({ parameter, kitId, value: { kind: 'repeats', values }, doubted: true })),
  );
};

const sample = (waterId: string): fc.Arbitrary<Sample> =>
  fc
    .record({
      id,
      at: time,
      note,
      parameters: fc.uniqueArray(fc.constantFrom(...STARTER_KITS.map((k) => k.parameter)), {
        minLength: 1,
        maxLength: 8,
      }),
    })
    .chain(({ parameters, ...rest }) =>
      fc.tuple(...parameters.map(reading)).map((readings) => ({ ...rest, waterId, readings })),
    );

const event = (waterId: string): fc.Arbitrary<WaterEvent> => {
  const base = { id, at: time, note, waterId: fc.constant(waterId) };
  return fc.oneof(
    fc.record({
      ...base,
      kind: fc.constant('ammoniaDose' as const),
      mgN: amount(2000),
      mL: fc.option(amount(500)),
    }),
    fc.record({
      ...base,
      kind: fc.constant('bacteria' as const),
      seed: fc.constantFrom(...SEEDS),
      mL: fc.option(amount(500)),
    }),
    fc.record({
      ...base,
      kind: fc.constant('food' as const),
      food: fc.constantFrom(...FOODS),
      grams: amount(200),
    }),
    fc.record({ ...base, kind: fc.constant('waterChange' as const), litres: amount(500) }),
    fc.record({
      ...base,
      kind: fc.constant('film' as const),
      film: fc.constantFrom(...FILMS),
      extent: fc.integer({ min: 0, max: 4 }),
    }),
    fc.record({ ...base, kind: fc.constant('note' as const) }),
    fc.record({
      ...base,
      kind: fc.constant('saltMixed' as const),
      litres: amount(200),
      grams: amount(9000),
      salinity: fc.double({ min: 20, max: 40, noNaN: true }),
    }),
    fc.record({
      ...base,
      kind: fc.constant('dose' as const),
      what: fc.constantFrom(...DOSED),
      rise: amount(5),
      grams: fc.option(amount(50)),
    }),
    fc.record({
      ...base,
      kind: fc.constant('observation' as const),
      smell: fc.constantFrom(...SMELLS),
      sound: fc.constantFrom(...SOUNDS),
      clarity: fc.constantFrom(...CLARITIES),
      missing: fc.constantFrom('', 'one goby'),
    }),
  );
};

const look = (waterId: string): fc.Arbitrary<Look> =>
  fc
    .record({
      id,
      waterId: fc.constant(waterId),
      day,
      result: fc.constantFrom('clear' as const, 'sign' as const),
      signs: fc.uniqueArray(fc.constantFrom(...SIGNS)),
      note,
    })
    .map((l) => (l.result === 'clear' ? { ...l, signs: [] } : l));

const calibration = fc.record({
  id,
  kitId: fc.constantFrom(...STARTER_KITS.map((k) => k.id)),
  at: time,
  standard: amount(50),
  reading: amount(50),
  tempC: fc.option(amount(30)),
  adjusted: fc.boolean(),
  note,
});
const task = (waterId: string) =>
  fc.record({ id, waterId: fc.constant(waterId), day, title: name, note, doneAt: fc.option(time) });

const byId = <T extends { id: string }>(list: readonly T[]): Record<string, T> =>
  Object.fromEntries(list.map((x) => [x.id, x]));

/** A valid document with one or two tanks and what belongs to them. */
export const documents: fc.Arbitrary<Document> = fc
  .uniqueArray(display, { minLength: 1, maxLength: 2, selector: (t) => t.id })
  .chain((waters) => {
    const waterId = waters[0]?.id ?? 'none';
    const quarantine: Quarantine = {
      id: 'q1',
      kind: 'quarantine',
      name: 'Spare',
      startDay: '2026-01-01',
      size: { kind: 'volume', volumeL: 60 },
      sumpL: 0,
      rockKg: 0,
      sandKg: 0,
      hasLid: true,
      line: 'fish',
      filter: 'cycled',
      clockDays: 28,
      serves: [waterId],
      runs: [{ openedDay: '2026-01-01', closedDay: null }],
    };
    const animal: fc.Arbitrary<Animal> = fc.record({
      id,
      homeId: fc.constant(waterId),
      speciesId: fc.constantFrom(...SPECIES.map((s) => s.id)),
      count: fc.integer({ min: 1, max: 20 }),
      moves: fc
        .array(time, { minLength: 1, maxLength: 3 })
        .map((ts) =>
          ts.sort().map((at, i) => ({ to: [WISHED, IN('q1'), IN(waterId)][i] ?? GONE('died'), at, why: '' })),
        ),
      plannedDay: fc.option(day),
    });
    return fc
      .record({
        calibrations: fc.array(calibration, { maxLength: 4 }),
        tasks: fc.array(task(waterId), { maxLength: 4 }),
        samples: fc.array(sample(waterId), { maxLength: 12 }),
        events: fc.array(event(waterId), { maxLength: 8 }),
        animals: fc.array(animal, { maxLength: 4 }),
        looks: fc.array(look('q1'), { maxLength: 6 }),
      })
      .map(({ samples, events, animals, looks, calibrations, tasks }): Document => ({
        ...emptyDocument(),
        settings: { person: DEFAULT_SETTINGS },
        waters: byId<Water>([...waters, quarantine]),
        kits: byId(STARTER_KITS),
        samples: byId(samples),
        events: byId(events),
        calibrations: byId(calibrations),
        tasks: byId(tasks),
        animals: byId(animals),
        looks: byId(looks),
      }));
  });
