import { vessels } from './tools/water';
import { emptyDocument, IN, type Animal, type Document } from '../document';
import { gatherEvidence } from '../evidence';
import { METRIC, toUnit, type UnitPreferences } from '../units';
import { netVolume } from '../volume';
import { makeDemoForTests } from './testing';
import { shownText, unitOf, workTool, type Choices, type Reading, type Tool, type ToolContext } from './tool';
import { TOOLS } from './tools';

const US: UnitPreferences = { volume: 'gal', temperature: 'F', salinity: 'sg2525', length: 'in', mass: 'lb' };
const METRIC_WORDS = /(?<![\w/])(L|cm|mm|kg|°C|ppt|litres?|kilograms?)(?![\w/])/;
/** Scales named beside one another on purpose, and what kits and labels print everywhere. */
const MULTI_SCALE =
  /^(Practical salinity|Conductivity at 25 °C|Your refractometer would show|SG 1.025 at 25\/25|A scale for plain salt)/;
const NOW = Date.UTC(2026, 4, 1, 18);

function context(units: UnitPreferences, doc: Document | null): ToolContext {
  const water = doc ? (Object.values(doc.waters)[0] ?? null) : null;
  let n = 0;
  return {
    water,
    volume: water ? netVolume(water) : null,
    evidence: water && doc ? gatherEvidence(doc, water.id, NOW) : null,
    doc: doc ?? emptyDocument(),
    units,
    nowMs: NOW,
    today: '2026-05-01',
    newId: () => `id${n++}`,
    dayLabel: (d) => d,
    clockLabel: (ms) => new Date(ms).toISOString().slice(11, 16),
  };
}

/** What a person would type in each tool, in stored units; everything else starts from the log or common practice. */
const TYPED: Record<string, Record<string, number>> = {
  volume: { metered: 232, lengthCm: 100, widthCm: 50, waterCm: 48, sumpL: 30, rockKg: 20, sandKg: 20 },
  salinity: { salinity: 37, netL: 200 },
  salt: { measured: 34.2 },
  change: { 'before-nitrate': 40, 'aim-nitrate': 10, netL: 200 },
  evaporation: { perDay: 2, netL: 200 },
  rodi: { sourceTds: 280, membraneTds: 6 },
  minerals: { 'now-alkalinity': 7, 'aim-alkalinity': 8.5, netL: 200 },
  heat: { lengthCm: 100, widthCm: 50, heightCm: 48, netL: 200 },
  flow: { netL: 200 },
  sand: { lengthCm: 100, widthCm: 50 },
  media: { netL: 200 },
  power: { lengthCm: 100, widthCm: 50, sumpRoomL: 15 },
  weight: { netL: 200, lengthCm: 100, widthCm: 50, heightCm: 48 },
  nitrogen: {},
  light: {},
  start: { netL: 200 },
  sources: { netL: 200, tds: 280 },
  reorder: { netL: 200 },
  staged: { in: 1400, measured: 33 },
  mix: { alkalinity: 11.5, tankAlkalinity: 8 },
  stages: { litres: 900, reading: 0.3 },
  fill: { wasteL: 12 },
  supply: { 'perDay-alkalinity': 0.3, netL: 200 },
  nutrients: { netL: 200 },
  rock: {},
  grain: { lengthCm: 100, widthCm: 50 },
  pump: { netL: 200 },
  skimmer: { netL: 200 },
  float: { areaCm2: 5000, netL: 200 },
  carbon: { netL: 200 },
  parts: {},
};

function choicesOf(tool: Tool, c: ToolContext): Choices {
  const choices: Choices = {};
  for (let pass = 0; pass < 2; pass++)
    for (const f of tool.fields(c, choices)) if (f.kind === 'choice') choices[f.key] ??= f.start;
  return choices;
}

function run(tool: Tool, c: ToolContext, typed: Record<string, number>): Reading {
  const choices = choicesOf(tool, c);
  const texts: Record<string, string> = {};
  for (const f of tool.fields(c, choices)) {
    const value = typed[f.key];
    if (f.kind === 'field' && value !== undefined)
      texts[f.key] =
        f.quantity in c.units
          ? toUnit(c.units[f.quantity as keyof UnitPreferences], value).toFixed(6)
          : shownText({ ...f, start: value, decimals: 6 }, c);
  }
  return workTool(tool, texts, choices, c);
}

/** What a person reads of a tool, its formulas and the names of scales apart. */
function readOf(tool: Tool, c: ToolContext, r: Reading): string[] {
  const fields = tool.fields(c, choicesOf(tool, c));
  const labels = fields.flatMap((f) =>
    f.kind === 'field' ? [`${f.label}, ${unitOf(f, c)}. ${f.hint ?? ''}`] : [],
  );
  if (!r.ok) return labels;
  const { lines, notes, warnings, steps, drawing, acts } = r.result;
  return [
    ...labels,
    ...lines.map((l) => `${l.name}: ${l.value}`),
    ...(notes ?? []),
    ...(warnings ?? []),
    ...(steps?.rows ?? []).map((row) => row.join(' | ')),
    ...(steps?.columns ?? []),
    ...acts.map(
      (a) =>
        `${a.label}. ${JSON.stringify(a.edits?.().flatMap((e) => ('put' in e && 'note' in e.entity ? [e.entity.note] : [])) ?? '')}`,
    ),
    drawing
      ? [
          drawing.title,
          drawing.kind === 'bars'
            ? `${drawing.unit} ${drawing.bars.map((b) => `${b.label} ${b.shown}`).join()} ${drawing.goal?.label}`
            : `${drawing.xLabel} ${drawing.yLabel} ${drawing.curves.map((k) => k.label).join()} ${drawing.mark?.label}`,
        ].join(' ')
      : '',
  ];
}

const wordsOf = (r: Reading): string =>
  r.ok
    ? JSON.stringify([r.result.lines, r.result.formula, r.result.steps ?? null, r.result.drawing ?? null])
    : '';

describe.each(TOOLS.map((t) => [t.id, t] as const))('%s', (id, tool) => {
  test('answers without a tank, with no number that is none', () => {
    const r = run(tool, context(METRIC, null), TYPED[id] ?? {});
    expect(r).toMatchObject({ ok: true });
    expect(wordsOf(r)).not.toMatch(/NaN|Infinity|null,"shown|: -\d/);
    expect(r.ok && r.result.acts).toEqual([]);
  });
  test('starts from the log and ends in something done', () => {
    const r = run(tool, context(METRIC, makeDemoForTests(NOW)), TYPED[id] ?? {});
    expect(r).toMatchObject({ ok: true });
    if (!r.ok) return;
    expect(r.result.acts.length).toBeGreaterThan(0);
    for (const a of r.result.acts) expect(a.href !== undefined || (a.edits?.().length ?? 0) > 0).toBe(true);
  });
  test('the same physical question in US units does the same', () => {
    const doc = makeDemoForTests(NOW);
    const edits = (units: UnitPreferences) => {
      const r = run(tool, context(units, doc), TYPED[id] ?? {});
      return r.ok ? r.result.acts.flatMap((a) => a.edits?.() ?? []) : [];
    };
    const numbers = (value: unknown): number[] =>
      typeof value === 'number'
        ? [value]
        : value && typeof value === 'object'
          ? Object.entries(value).flatMap(([k, v]) => (k === 'note' || k === 'title' ? [] : numbers(v)))
          : [];
    const [metric, us] = [numbers(edits(METRIC)), numbers(edits(US))];
    expect(us.length).toBe(metric.length);
    // Shown starts are rounded in either system: half a percent.
    metric.forEach((x, i) =>
      expect(Math.abs((us[i] ?? NaN) - x)).toBeLessThanOrEqual(Math.max(0.02, Math.abs(x) * 0.006)),
    );
  });
  test('no metric unit stands where US units are chosen', () => {
    const c = context(US, makeDemoForTests(NOW));
    const r = run(tool, c, TYPED[id] ?? {});
    expect(r).toMatchObject({ ok: true });
    expect(readOf(tool, c, r).filter((t) => METRIC_WORDS.test(t) && !MULTI_SCALE.test(t))).toEqual([]);
  });
  test('an impossible entry gets a sentence, an empty one waits', () => {
    const c = context(METRIC, null);
    const choices = choicesOf(tool, c);
    for (const f of tool.fields(c, choices)) {
      if (f.kind !== 'field') continue;
      const bad = workTool(
        tool,
        {
          ...Object.fromEntries(Object.entries(TYPED[id] ?? {}).map(([k, v]) => [k, String(v)])),
          [f.key]: '-9999999',
        },
        choices,
        c,
      );
      expect(bad.ok).toBe(false);
      expect(!bad.ok && bad.faults[f.key]).toMatch(/must be|off the scale/);
      if (shownText(f, c) === '' && !f.optional)
        expect(workTool(tool, {}, choices, c)).toMatchObject({
          ok: false,
          message: expect.stringMatching(/Fill in/),
        });
    }
  });
});

test('the volume by its parts is that of the tank with those parts', () => {
  const tool = TOOLS.find((t) => t.id === 'volume') as Tool;
  const r = run(tool, context(METRIC, null), {
    lengthCm: 100,
    widthCm: 50,
    waterCm: 48,
    sumpL: 0,
    rockKg: 24,
    sandKg: 28,
    doseMgN: 340,
    rise: 2,
  });
  // By hand: 240 L, less 24 kg / 2.93 / 0.82 = 10.0 L and 28 kg / (1.3 / 0.46) = 9.9 L; the dose: 340 mg N / (2 / 1.2878) = 218.9 L.
  expect(r.ok && r.result.lines.map((l) => `${l.name}: ${l.value}`)).toEqual([
    'Together: 220 L ± 7 L',
    'dimensions, rock and sand: 220 L ± 7 L',
    'ammonia dose: 219 L ± 35 L',
  ]);
});

test('half of a pair is said, not swallowed', () => {
  const tool = TOOLS.find((t) => t.id === 'volume') as Tool;
  const said = (typed: Record<string, number>) => {
    const r = run(tool, context(METRIC, null), { metered: 200, ...typed });
    return r.ok ? (r.result.warnings ?? []) : [];
  };
  expect(said({})).toEqual([]);
  expect(said({ lengthCm: 100 })).toEqual([expect.stringContaining('length, width and height')]);
  expect(said({ litresPerHour: 6 })).toEqual([expect.stringContaining('Output and minutes')]);
  expect(said({ grams: 7000, doseMgN: 300 })).toHaveLength(2);
  expect(said({ litresPerHour: 6, minutes: 2000 })).toEqual([]);
});

test('a pump’s curve by points: worked with, refused when half a point or a rise is given', () => {
  const tool = TOOLS.find((t) => t.id === 'pump') as Tool;
  const asked = (typed: Record<string, number>) => run(tool, context(METRIC, null), { netL: 200, ...typed });
  const flow = (r: Reading) => (r.ok ? (r.result.figures.find((f) => f.key === 'flow')?.value ?? 0) : NaN);
  const plain = flow(asked({}));
  const weak = flow(asked({ headACm: 100, flowALPerH: 1500 }));
  expect(weak).toBeGreaterThan(0);
  expect(weak).toBeLessThan(plain);
  const half = asked({ headACm: 100 });
  expect(!half.ok && half.message).toBe('Point A needs both its height and its flow.');
  const rising = asked({ headACm: 100, flowALPerH: 1500, headBCm: 150, flowBLPerH: 1600 });
  expect(!rising.ok && rising.message).toMatch(/^The points of the curve must fall/);
});

test('one water, known in any scale, is one salinity', () => {
  const tool = TOOLS.find((t) => t.id === 'salinity') as Tool;
  const c = context(METRIC, null);
  // UNESCO 1983: 53.065 mS/cm and 1023.343 kg/m3 at 25 C are 35; 1.02637 at 25/25; a plain salt scale set on water shows 36.5.
  for (const [from, key, text, more] of [
    ['salinity', 'salinity', '35', {}],
    ['sg2525', 'sg2525', '1.02637', {}],
    ['conductivity', 'conductivity', '53.065', {}],
    ['density', 'density', '1023.343', {}],
    ['refractometer', 'shown', '36.5', { scale: 'plainSalt', setOn: 'plainWater' }],
  ] as const) {
    const r = workTool(
      tool,
      { [key]: text, tempC: '25', netL: '100', target: '35' },
      { ...choicesOf(tool, c), from, ...more },
      c,
    );
    expect(r.ok && r.result.lines[0]?.value).toBe('35.00 ppt');
  }
  const off = workTool(
    tool,
    { conductivity: '90', tempC: '25', netL: '100' },
    { ...choicesOf(tool, c), from: 'conductivity' },
    c,
  );
  expect(!off.ok && off.message).toMatch(/between 2 and 42 practical salinity/);
});

test('a log of nearly fresh, cold water opens the salinity tool all the same', () => {
  const tool = TOOLS.find((t) => t.id === 'salinity') as Tool;
  const doc = makeDemoForTests(NOW);
  const sample = Object.values(doc.samples)[0];
  if (!sample) throw new Error('no sample');
  const kits = ['salinity', 'temperature'].map(
    (p) => Object.values(doc.kits).find((k) => k.parameter === p)?.id ?? '',
  );
  doc.samples = {
    ...doc.samples,
    fresh: {
      ...sample,
      id: 'fresh',
      at: new Date(NOW - 1000).toISOString(),
      readings: [
        { parameter: 'salinity', kitId: kits[0] ?? '', value: { kind: 'exact', value: 0.5 } },
        { parameter: 'temperature', kitId: kits[1] ?? '', value: { kind: 'exact', value: 36 } },
      ],
    },
  };
  const c = context(METRIC, doc);
  for (const from of ['salinity', 'sg2525', 'conductivity', 'density'])
    expect(() => workTool(tool, {}, { ...choicesOf(tool, c), from }, c)).not.toThrow();
});

test('tools aim where the water is aimed at, else at common practice', () => {
  const doc = makeDemoForTests(NOW);
  const own = (parameter: 'salinity' | 'temperature', low: number, high: number) => ({
    id: parameter,
    waterId: 't',
    parameter,
    low,
    high,
    alarmLow: low - 1,
    alarmHigh: high + 1,
  });
  const aimed = {
    ...doc,
    targets: { salinity: own('salinity', 16, 18), temperature: own('temperature', 26, 27) },
  };
  const starts = (of: Document, id: string, key: string) => {
    const tool = TOOLS.find((t) => t.id === id) as Tool;
    const c = context(METRIC, of);
    const found = tool.fields(c, choicesOf(tool, c)).find((f) => f.key === key);
    return found?.kind === 'field' ? found.start : undefined;
  };
  const where = [
    ['salt', 'salinity', 35, 17],
    ['salinity', 'target', 35, 17],
    ['change', 'newTempC', 25, 26.5],
    ['heat', 'tankC', 25, 26.5],
  ] as const;
  for (const [tool, key, usual, mine] of where) {
    expect(starts(emptyDocument(), tool, key)).toBe(usual);
    expect(starts(aimed, tool, key)).toBe(mine);
  }
});

test('what cannot be is said in the words on the screen', () => {
  const change = TOOLS.find((t) => t.id === 'change') as Tool;
  const r = run(change, context(METRIC, null), { 'before-nitrate': 5, 'aim-nitrate': 20, netL: 100 });
  expect(!r.ok && r.message).toMatch(/cannot be reached/);
  const rodi = TOOLS.find((t) => t.id === 'rodi') as Tool;
  const swapped = run(rodi, context(METRIC, null), { sourceTds: 6, membraneTds: 280 });
  expect(!swapped.ok && swapped.message).toMatch(/^After the membrane must be .*swapped/);
});

test.each([
  [75, 10, 2, '7 buckets and 3 jugs'],
  [10, 10, 2, '1 bucket'],
  [1.5, 10, 2, '1 jug'],
  [0, 10, 2, 'none'],
  [20.1, 10, 2, '2 buckets and 1 jug'],
])('%d L in buckets of %d and jugs of %d', (litres, bucket, jug, words) => {
  expect(vessels(litres, bucket, jug)).toBe(words);
  const [, b = '0'] = /(\d+) bucket/.exec(vessels(litres, bucket, jug)) ?? [];
  const [, j = '0'] = /(\d+) jug/.exec(vessels(litres, bucket, jug)) ?? [];
  expect(Number(b) * bucket + Number(j) * jug).toBeGreaterThanOrEqual(litres);
});
test('with animals in no way to begin is offered, and nothing leads to ammonia', () => {
  const doc = makeDemoForTests(NOW);
  const fish: Animal = {
    id: 'f',
    homeId: 't',
    speciesId: 'ocellaris-clownfish',
    count: 1,
    moves: [{ to: IN('t'), at: new Date(NOW - 86_400_000).toISOString(), why: '' }],
    plannedDay: null,
  };
  const stocked = context(METRIC, { ...doc, animals: { f: fish } });
  const volume = TOOLS.find((t) => t.id === 'volume')!;
  const said = (c: ToolContext) => {
    const r = run(volume, c, { metered: 200 });
    return r.ok ? (r.result.notes ?? []).join(' ') : '';
  };
  expect(said(stocked)).not.toMatch(/before a dose/);
  expect(said(context(METRIC, { ...doc, events: {} }))).toMatch(/before a dose/);
  expect(said(context(METRIC, { ...doc, events: {}, animals: { f: fish } }))).not.toMatch(/before a dose/);
  const start = TOOLS.find((t) => t.id === 'start')!;
  expect(run(start, context(METRIC, doc), {})).toMatchObject({ ok: true });
  expect(run(start, stocked, {})).toMatchObject({
    ok: false,
    message: 'Animals are in: this tank is begun, and no ammonia goes into it.',
  });
});
