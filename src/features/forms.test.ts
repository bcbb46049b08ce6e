import { type Parameter, type Sample, type WaterEvent, STARTER_KITS, type Kit } from '../../core/document';
import { METRIC, type UnitPreferences } from '../../core/units';
import { readDrip } from './acclimation/dripForm';
import { readDose, NEW_DOSE, textsFrom } from './cycle/doseForm';
import { previewImport } from './files/importText';
import { readingsCsv } from '../../formats/csv';
import { doseGuard } from '../../core/dosing';
import { keepingAmounts, emptyEvent, eventTextsOf, readEvent } from './log/eventForm';
import { eventWords } from './log/eventWords';
import { NEW_KIT, readKit } from './log/kitForm';
import { draftOf, EMPTY_DRAFT, questionOf, readSampleDraft, tapStep, usedUp } from './log/sampleForm';
import { keepingRest, NEW_WATER, readWater, textsOf } from './waters/waterForm';
import { makeDemo } from '../store/demo';
import { emptyDocument } from '../../core/document';
import { readDocument, writeDocument } from '../../core/document/checks';

const kitOf = (p: string) => STARTER_KITS.find((k) => k.parameter === p);
const ammonia = kitOf('ammonia') as Kit;
const NOW = Date.parse('2026-05-05T20:00:00.000Z');
const readTime = (t: string) =>
  Number.isNaN(Date.parse(`${t}:00.000Z`)) ? null : Date.parse(`${t}:00.000Z`);
const day = (ms: number) => new Date(ms).toISOString().slice(0, 10);

describe('taps on steps', () => {
  const tap = (...taps: number[]) =>
    taps.reduce<ReturnType<typeof tapStep> | undefined>(
      (v, i) => tapStep(ammonia, v ?? undefined, i),
      undefined,
    );
  test('one tap is exact, its neighbour makes between, the same again clears', () => {
    expect(tap(2)).toEqual({ kind: 'exact', value: 0.5 });
    expect(tap(2, 3)).toEqual({ kind: 'between', low: 0.5, high: 1 });
    expect(tap(3, 2)).toEqual({ kind: 'between', low: 0.5, high: 1 });
    expect(tap(2, 3, 3)).toEqual({ kind: 'exact', value: 1 });
    expect(tap(2, 2)).toBeNull();
    expect(tap(2, 4)).toEqual({ kind: 'exact', value: 2 });
  });
  test('the open top: exact, then over, then clear', () => {
    expect(tap(5)).toEqual({ kind: 'exact', value: 5 });
    expect(tap(5, 5)).toEqual({ kind: 'over', low: 5 });
    expect(tap(5, 5, 5)).toBeNull();
  });
});

describe('the sample sheet', () => {
  const context = { id: 's', waterId: 't', kitOf, units: METRIC, nowMs: NOW, readTime };
  test('texts and taps become one sample, comma or point', () => {
    const read = readSampleDraft(
      {
        ...EMPTY_DRAFT,
        readings: [{ parameter: 'ammonia', kitId: ammonia.id, value: { kind: 'exact', value: 0 } }],
        texts: { ph: '8,1', salinity: '35.2' },
      },
      context,
    );
    expect(read.ok && read.sample.readings.map((r) => [r.parameter, r.value])).toEqual([
      ['ammonia', { kind: 'exact', value: 0 }],
      ['ph', { kind: 'exact', value: 8.1 }],
      ['salinity', { kind: 'exact', value: 35.2 }],
    ]);
  });
  test.each([
    ['ph', '81', 'pH'.length],
    ['salinity', '350', 1],
    ['temperature', '4000', 1],
    ['ph', 'high', 1],
    ['ph', '-3', 1],
  ])('%s %s is refused with a sentence', (p, text) => {
    const read = readSampleDraft({ ...EMPTY_DRAFT, texts: { [p]: text } }, context);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.faults[p as 'ph']).toMatch(/must be between|not a number/);
  });
  test('a time in the future, an endless note and nothing at all are refused', () => {
    const fault = (patch: object) => {
      const r = readSampleDraft({ ...EMPTY_DRAFT, texts: { ph: '8' }, ...patch }, context);
      return r.ok ? null : r.faults;
    };
    expect(fault({ atText: '2026-05-06T20:00' })?.at).toMatch(/future/);
    expect(fault({ note: 'x'.repeat(3000) })?.note).toMatch(/too long/);
    expect(fault({ texts: {} })?.all).toMatch(/Nothing to save/);
  });
  test('an SG instrument is read in its own marks and stored as salinity', () => {
    const sg = { ...(kitOf('salinity') as Kit), salinityUnit: 'sg2525' as const };
    const read = readSampleDraft(
      { ...EMPTY_DRAFT, texts: { salinity: '1,0264' } },
      { ...context, kitOf: () => sg },
    );
    const value = read.ok ? read.sample.readings[0]?.value : undefined;
    expect(value?.kind === 'exact' && value.value).toBeCloseTo(35, 0);
  });
  test('a stored sample opens for editing and saves as the same', () => {
    const doc = makeDemo(NOW, day);
    const sample = doc.samples['north-sample-21'];
    if (!sample) throw new Error('no sample');
    const draft = draftOf(sample, doc.kits, METRIC, (ms) => new Date(ms).toISOString().slice(0, 16));
    const read = readSampleDraft(draft, {
      ...context,
      id: sample.id,
      waterId: sample.waterId,
      kitOf: (p) => kitOf(p),
    });
    const sorted = (rs: typeof sample.readings) =>
      [...rs].sort((a, b) => (a.parameter < b.parameter ? -1 : 1));
    expect(read.ok && sorted(read.sample.readings)).toEqual(sorted(sample.readings));
  });
  test('a corrected note leaves readings and moment as they were stored, to the last digit', () => {
    const salinity = kitOf('salinity') as Kit;
    const stored: Sample = {
      id: 's',
      waterId: 't',
      at: '2026-05-01T17:03:21.500Z',
      note: '',
      readings: [
        { parameter: 'salinity', kitId: salinity.id, value: { kind: 'exact', value: 35.0437 } },
        { parameter: 'ph', kitId: 'kit-ph', value: { kind: 'repeats', values: [8.1234, 8.1999] } },
      ],
    };
    const kits = { [salinity.id]: salinity, 'kit-ph': kitOf('ph') as Kit };
    const field = (ms: number) => new Date(ms).toISOString().slice(0, 16);
    const draft = { ...draftOf(stored, kits, METRIC, field), note: 'seen again' };
    const again = { ...context, id: 's', kitOf: (p: Parameter) => kitOf(p), before: stored };
    const utc = { ...again, readTime: (text: string) => Date.parse(`${text}:00.000Z`) };
    const read = readSampleDraft(draft, utc);
    expect(read.ok && read.sample).toEqual({ ...stored, note: 'seen again' });
    const changed = readSampleDraft(
      { ...draft, atText: '2026-05-01T17:04', texts: { ...draft.texts, salinity: '35.1' } },
      utc,
    );
    expect(changed.ok && [changed.sample.at, changed.sample.readings]).toEqual([
      '2026-05-01T17:04:00.000Z',
      [{ ...stored.readings[0], value: { kind: 'exact', value: 35.1 } }, stored.readings[1]],
    ]);
  });
  test('an unusual value and a jump are questioned, not refused', () => {
    const ph = kitOf('ph') as Kit;
    expect(questionOf({ kind: 'exact', value: 6.9 }, ph, undefined)?.text).toMatch(/unusual/);
    expect(questionOf({ kind: 'exact', value: 8.6 }, ph, 7.9)?.text).toMatch(/Repeat/);
    expect(questionOf({ kind: 'exact', value: 8.1 }, ph, 8)).toBeNull();
  });
});

describe('the tank form', () => {
  const texts = {
    ...NEW_WATER,
    name: 'Reef 🐠',
    length: '100',
    width: '50',
    height: '48',
    startDay: '2026-05-01',
  };
  test('an emoji name and metric sides make a tank with its volume', () => {
    const read = readWater('t', texts, METRIC, '2026-05-05');
    // 240 L less the tenth for rock and sand nobody has weighed yet.
    expect(read.ok && [read.water.name, Math.round(read.volume.netL)]).toEqual(['Reef 🐠', 216]);
  });
  test('inches and gallons make the same tank', () => {
    const imperial: UnitPreferences = { ...METRIC, length: 'in', volume: 'gal', mass: 'lb' };
    const read = readWater(
      't',
      { ...texts, length: '39.3701', width: '19.685', height: '18.8976', sump: '10', rock: '20' },
      imperial,
      '2026-05-05',
    );
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.water.size).toMatchObject({ kind: 'dimensions' });
    expect(read.water.sumpL).toBeCloseTo(37.85, 1);
    expect(read.water.rockKg).toBeCloseTo(9.07, 1);
    const back = readWater('t', textsOf(read.water, imperial), imperial, '2026-05-05');
    expect(back.ok && back.volume.netL).toBeCloseTo(read.volume.netL, 0);
  });
  test('a better estimate of the volume outlives a new name and a new lid, not a new size', () => {
    const read = readWater('t', { ...texts, rock: '20', rockKind: 'driedOcean' }, METRIC, '2026-05-05');
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.water.rockKind).toBe('driedOcean');
    const before = { ...read.water, volumeInUse: { litres: 201, sdL: 5, from: 'dose check' } };
    expect(keepingRest(before, { ...read.water, name: 'Renamed', hasLid: false }).volumeInUse).toEqual(
      before.volumeInUse,
    );
    expect(keepingRest(before, { ...read.water, sumpL: 99 }).volumeInUse).toBeUndefined();
  });
  test.each([
    [{ name: '' }, 'name'],
    [{ name: 'x'.repeat(2_000_000) }, 'name'],
    [{ length: '-5' }, 'length'],
    [{ length: 'wide' }, 'length'],
    [{ startDay: '2027-01-01' }, 'startDay'],
    [{ rock: '4000' }, 'rock'],
  ])('%#: a fault at the field', (patch, field) => {
    const read = readWater('t', { ...texts, ...patch }, METRIC, '2026-05-05');
    expect(!read.ok && read.faults[field as 'name']).toMatch(/[A-Z].*\./);
  });
});

test('a kit that counts its tests loses one for each, and one for each repeat', () => {
  const [a, b] = STARTER_KITS;
  if (!a || !b) throw new Error('no kits');
  const kits = { [a.id]: { ...a, testsLeft: 3 }, [b.id]: { ...b, testsLeft: 1 } };
  const sample = {
    id: 's',
    waterId: 't',
    at: '2026-05-05T10:00:00.000Z',
    note: '',
    readings: [
      { parameter: a.parameter, kitId: a.id, value: { kind: 'exact' as const, value: 0 } },
      { parameter: b.parameter, kitId: b.id, value: { kind: 'repeats' as const, values: [1, 2] } },
    ],
  };
  expect(usedUp(sample, kits).map((k) => k.testsLeft)).toEqual([2, 0]);
  expect(usedUp(sample, { [a.id]: a, [b.id]: { ...b, testsLeft: 0 } })).toEqual([]);
});

describe('events, kits, doses, drips', () => {
  const context = { id: 'e', waterId: 't', netL: 100, units: METRIC, nowMs: NOW, readTime };
  test('a rise of 2 mg/L in 100 L is 155.3 mg N', () => {
    const read = readEvent({ ...emptyEvent('ammoniaDose'), amount: '2' }, context);
    expect(read.ok && read.event.kind === 'ammoniaDose' && read.event.mgN).toBeCloseTo(155.3, 1);
  });
  test('more water than the tank holds, no amount and an empty note are refused', () => {
    for (const t of [
      { ...emptyEvent('waterChange'), amount: '150' },
      { ...emptyEvent('topOff'), amount: '40' },
      emptyEvent('waterChange'),
      emptyEvent('note'),
    ])
      expect(readEvent(t, context).ok).toBe(false);
  });
  test('the dose guard speaks above 4 mg/L, and while there is still something to clear', () => {
    expect(doseGuard(2 / 1.2878, 0.25 / 1.2878)).toBeNull();
    expect(doseGuard(2 / 1.2878, 1 / 1.2878)).toEqual({ code: 'doseNotYet', mgNPerL: 1 / 1.2878 });
    expect(doseGuard(2 / 1.2878, 3 / 1.2878)).toMatchObject({
      code: 'doseTooMuch',
      mgNPerL: expect.closeTo(5 / 1.2878, 9),
    });
  });
  test('a corrected note leaves amounts and moment as they were stored', () => {
    const stored: WaterEvent = {
      id: 'e',
      waterId: 't',
      at: '2026-05-01T17:03:21.500Z',
      note: '',
      kind: 'waterChange',
      litres: 21.98765,
    };
    const field = (ms: number) => new Date(ms).toISOString().slice(0, 16);
    const shown = eventTextsOf(stored, 100, METRIC, field)!;
    const typed = { ...shown, note: 'cloudy' };
    const read: WaterEvent = { ...stored, at: '2026-05-01T17:03:00.000Z', litres: 21.99, note: 'cloudy' };
    expect(keepingAmounts(stored, shown, typed, read)).toEqual({ ...stored, note: 'cloudy' });
    const moved = { ...typed, atText: '2026-05-01T18:00' };
    expect(keepingAmounts(stored, shown, moved, { ...read, at: '2026-05-01T18:00:00.000Z' })).toEqual({
      ...stored,
      note: 'cloudy',
      at: '2026-05-01T18:00:00.000Z',
    });
    const more = { ...typed, amount: '30' };
    expect(keepingAmounts(stored, shown, more, { ...read, litres: 30 })).toMatchObject({
      litres: 30,
      at: stored.at,
    });
  });
  test('who was seen is kept, and comes back for editing', () => {
    const read = readEvent(
      { ...emptyEvent('observation'), seen: ' two feather dusters ', missing: '' },
      context,
    );
    if (!read.ok || read.event.kind !== 'observation') throw new Error('not read');
    expect(read.event.seen).toBe('two feather dusters');
    expect(eventTextsOf(read.event, 100, METRIC, () => 'now')?.seen).toBe('two feather dusters');
    expect(eventWords(read.event, 100, METRIC)).toContain('seen: two feather dusters');
  });
  test('a chart of steps must rise', () => {
    expect(readKit('k', { ...NEW_KIT, name: 'K', steps: '0 0,25 0.5 1' })).toMatchObject({
      ok: true,
      kit: { scale: { steps: [0, 0.25, 0.5, 1] } },
    });
    for (const steps of ['0', '0 1 1', '0 one', ''])
      expect(readKit('k', { ...NEW_KIT, name: 'K', steps }).ok).toBe(false);
  });
  test('a dose without a strength says so', () => {
    const read = readDose(NEW_DOSE, 100, 'L');
    expect(!read.ok && read.faults.grams).toMatch(/missing/);
    expect(readDose({ ...NEW_DOSE, grams: '10' }, 100, 'L')).toMatchObject({
      ok: true,
      dose: { drops: 1186 },
    });
  });
  test.each([
    { ...NEW_DOSE, grams: '10' },
    { ...NEW_DOSE, strengthKind: 'percentNH3' as const, percent: '9,5', dropsPerMl: '18' },
    {
      ...NEW_DOSE,
      strengthKind: 'drops' as const,
      drops: '4',
      perLitres: '10',
      raises: '2',
      basis: 'N' as const,
    },
  ])('the bottle of the last dose fills the next one in %#', (texts) => {
    const read = readDose(texts, 100, 'L');
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const again = readDose(
      textsFrom(read.product, (litres) => litres),
      100,
      'L',
    );
    expect(again).toMatchObject({ ok: true, product: read.product });
    expect(textsFrom(undefined, (litres) => litres)).toEqual(NEW_DOSE);
  });
  test('a bottle of bacteria keeps what its label promises and where it stood', () => {
    const read = readEvent(
      { ...emptyEvent('bacteria'), label: ' serves 400 L ', storage: 'fridge' },
      context,
    );
    if (!read.ok) throw new Error('not read');
    expect(read.event).toMatchObject({ label: 'serves 400 L', storage: 'fridge' });
    expect(eventWords(read.event, 100, METRIC)).toContain('serves 400 L, kept: fridge');
    expect(eventTextsOf(read.event, 100, METRIC, () => 'now')).toMatchObject({
      label: 'serves 400 L',
      storage: 'fridge',
    });
    expect(readEvent({ ...emptyEvent('bacteria'), label: 'x'.repeat(81) }, context)).toMatchObject({
      ok: false,
      faults: { label: expect.stringContaining('80') },
    });
  });
  test('a container smaller than the bag is refused', () => {
    const texts = {
      bagSalinity: '31',
      bagTemp: '23',
      bagVolume: '2',
      bagPh: '',
      bagAmmonia: '',
      bagHours: '',
      minutes: '',
      tankSalinity: '35',
      tankTemp: '25',
      roomTemp: '21',
      container: '1',
      dropsPerSecond: '2',
      dropsPerMl: '20',
      floating: false,
      way: '' as const,
    };
    const read = readDrip(texts, { id: 'd', waterId: 't', animalIds: ['a'], units: METRIC });
    expect(!read.ok && read.faults.container).toMatch(/must hold more/);
    expect(
      readDrip({ ...texts, container: '5' }, { id: 'd', waterId: 't', animalIds: ['a'], units: METRIC }).ok,
    ).toBe(true);
  });
  describe('a drip', () => {
    const EMPTY = {
      bagSalinity: '',
      bagTemp: '',
      bagVolume: '',
      bagPh: '',
      bagAmmonia: '',
      bagHours: '',
      tankSalinity: '',
      tankTemp: '',
      roomTemp: '',
      container: '',
      dropsPerSecond: '',
      dropsPerMl: '',
      minutes: '',
      floating: false,
      way: '' as const,
    };
    const c = { id: 'd', waterId: 't', animalIds: ['a'], units: METRIC };
    test('needs no more than the person has: what is left out is taken as usual, and said', () => {
      const read = readDrip(EMPTY, { ...c, known: { salinity: 34.2, tempC: 25.6 } });
      if (!read.ok) throw new Error('not read');
      expect(read.drip).toMatchObject({
        bag: { salinity: 33, tempC: 23, litres: 1 },
        water: { salinity: 34.2, tempC: 25.6 },
        containerL: 3,
        dropsPerSecond: 2,
        dropsPerMl: 20,
      });
      expect(read.assumed).toHaveLength(7);
      expect(read.assumed[0]).toMatch(/^Bag salinity 33/);
      expect(readDrip({ ...EMPTY, bagSalinity: '31' }, c)).toMatchObject({
        ok: true,
        drip: { bag: { salinity: 31 } },
      });
    });
    test('in so many minutes: the drops are worked out; a time no valve keeps is said', () => {
      const read = readDrip({ ...EMPTY, bagSalinity: '30', minutes: '60' }, c);
      expect(read.ok && read.drip.dropsPerSecond).toBeGreaterThan(2);
      const never = readDrip({ ...EMPTY, bagSalinity: '35', minutes: '60' }, c);
      expect(!never.ok && never.faults.minutes).toMatch(/none is needed/);
    });
    test('pH and ammonia of the bag are kept as they were read', () => {
      const read = readDrip({ ...EMPTY, bagPh: '7.1', bagAmmonia: '2', bagHours: '20' }, c);
      expect(read.ok && read.drip.bag).toMatchObject({
        ph: 7.1,
        tanMgN: expect.closeTo(2 / 1.2878, 4),
        hours: 20,
      });
    });
    test.each([
      ['bagPh', '2', /pH of the bag must be/],
      ['bagSalinity', '60', /Bag salinity must be/],
      ['bagAmmonia', '-1', /Ammonia of the bag must be/],
      ['minutes', '1', /Minutes must be/],
    ] as const)('%s of %s is questioned', (field, text, says) => {
      const read = readDrip({ ...EMPTY, [field]: text }, c);
      expect(!read.ok && read.faults[field]).toMatch(says);
    });
  });
});

describe('files', () => {
  const demo = makeDemo(NOW, day);
  test('the preview counts what an import would do', () => {
    const preview = previewImport(readDocument(writeDocument(demo)), emptyDocument());
    expect(preview.ok && preview.lines).toContain('waters: 4 new, 0 replaced or the same, 0 removed');
  });
  test.each([
    ['not json', 'cannot be read'],
    ['{"a":1}', 'Not a Zoarium file'],
    ['{"format":"zoarium","version":99}', 'newer'],
    ['{"format":"zoarium","version":1}', 'fault'],
  ])('%s: %s', (text, title) => {
    const preview = previewImport(readDocument(text), demo);
    expect(!preview.ok && preview.title).toContain(title);
  });
  test('CSV has a row a reading, and no cell that a spreadsheet would run', () => {
    const named = {
      ...demo,
      waters: {
        ...demo.waters,
        'north-window': { ...demo.waters['north-window']!, name: '=HYPERLINK("x")' },
      },
    };
    const lines = readingsCsv(named).trim().split('\r\n');
    expect(lines).toHaveLength(1 + Object.values(demo.samples).reduce((n, s) => n + s.readings.length, 0));
    expect(lines.some((l) => /(^|,)"?=/.test(l))).toBe(false);
  });
});
