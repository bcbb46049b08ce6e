import fc from 'fast-check';
import { documents } from '../testing/arbitraries';
import { brokenReferences, readDocument, readingDocument, writeDocument } from './checks';
import {
  applyChanges,
  changesOf,
  emptyDocument,
  nitrogenInterval,
  readingInterval,
  readingText,
  readsZero,
  reversed,
  STARTER_KITS,
  VERSION,
  type Kit,
} from './index';
import { editsToRemoveWater } from './removal';
import { MIGRATIONS } from './migrations';

const ammonia = STARTER_KITS.find((k) => k.parameter === 'ammonia') as Kit;
const ph = STARTER_KITS.find((k) => k.parameter === 'ph') as Kit;

const WATER = {
  id: 't',
  name: 'T',
  kind: 'display',
  startDay: '2026-01-01',
  size: { kind: 'volume', volumeL: 50 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle'],
  school: 'proof24',
};

describe('the file', () => {
  test('what is written reads back to the same text, whatever the document', () => {
    fc.assert(
      fc.property(documents, (doc) => {
        const text = writeDocument(doc);
        const read = readDocument(text);
        expect(read.status).toBe('ok');
        if (read.status === 'ok') expect(writeDocument(read.document)).toBe(text);
      }),
      { seed: 101, numRuns: 80 },
    );
  });
  test('bit by bit it is the text that JSON writes of it at once', () => {
    fc.assert(
      fc.property(documents, (doc) => {
        const revisions = new Map(
          Object.keys(doc.samples).map((id) => [`samples/${id}`, { revisions: ['b', 'a'], at: null }]),
        );
        const text = writeDocument(doc, revisions);
        expect(text).toBe(`${JSON.stringify(JSON.parse(text), null, 1)}\n`);
      }),
      { seed: 7, numRuns: 60 },
    );
  });
  test('half a file is never read as a whole one', () => {
    const text = writeDocument(emptyDocument());
    fc.assert(
      fc.property(fc.integer({ min: 0, max: text.length - 3 }), (n) => {
        expect(readDocument(text.slice(0, n)).status).toBe('not-json');
      }),
      { seed: 102 },
    );
  });
  test.each([
    ['[]', 'not-ours'],
    ['{"format":"other","version":1}', 'not-ours'],
    ['null', 'not-ours'],
    [`{"format":"zoarium","version":${VERSION + 1}}`, 'too-new'],
    ['hello', 'not-json'],
  ])('%s is %s', (text, status) => {
    expect(readDocument(text).status).toBe(status);
  });
  test('faults name their place; nothing is let through', () => {
    const doc = JSON.parse(writeDocument(emptyDocument()));
    doc.waters.push({
      id: 't',
      name: 'T',
      kind: 'display',
      startDay: '2026-01-01',
      size: { kind: 'volume', volumeL: -5 },
      sumpL: 0,
      rockKg: 0,
      sandKg: 0,
      hasLid: true,
      ammoniaSource: 'bottled',
      bacteriaSources: ['bottle'],
      school: 'proof24',
    });
    const read = readDocument(JSON.stringify(doc));
    expect(read.status === 'invalid' && read.faults[0]?.path).toBe('waters[0].size.volumeL');
  });
  test('unknown keys, doubled ids and references to nothing are faults', () => {
    const file = (patch: object) =>
      readDocument(JSON.stringify({ ...JSON.parse(writeDocument(emptyDocument())), ...patch }));
    expect(file({ extra: 1 }).status).toBe('invalid');
    const note = { id: 'e', waterId: 'gone', at: '2026-01-01T00:00:00.000Z', note: 'x', kind: 'note' };
    const read = file({ events: [note, note] });
    expect(read.status === 'invalid' && read.faults.map((f) => f.message).join(' ')).toMatch(
      /stands twice.*which is not there/,
    );
  });
  test('the version is pinned and has its migrations', () => {
    expect(VERSION).toBe(12);
    expect(MIGRATIONS).toHaveLength(VERSION - 1);
  });
  test('moments with an offset or without milliseconds are read, and kept in UTC; text that looks like one stays', () => {
    fc.assert(
      fc.property(documents, (doc) => {
        const text = writeDocument(doc);
        const other = text.replace(
          /"(at|editedAt|doneAt|startedAt|finishedAt)": "(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3})Z"/g,
          '"$1": "$2+00:00"',
        );
        const read = readDocument(other);
        expect(read.status === 'ok' && writeDocument(read.document)).toBe(text);
      }),
      { seed: 8, numRuns: 40 },
    );
    const file = (at: string, said: string) =>
      JSON.stringify({
        ...(JSON.parse(writeDocument(emptyDocument())) as object),
        waters: [WATER],
        events: [{ id: 'e', waterId: WATER.id, kind: 'note', at, note: said }],
      });
    const read = readDocument(file('2026-01-31T21:15+01:00', '2026-01-31T21:15+01:00'));
    expect(read.status === 'ok' && read.document.events.e).toMatchObject({
      at: '2026-01-31T20:15:00.000Z',
      note: '2026-01-31T21:15+01:00',
    });
    expect(readDocument(file('yesterday', ''))).toMatchObject({ status: 'invalid' });
    expect(readDocument(file('2026-02-31T25:00Z', ''))).toMatchObject({ status: 'invalid' });
  });
  test('generated documents hold together', () => {
    fc.assert(
      fc.property(documents, (doc) => {
        expect(brokenReferences(doc)).toEqual([]);
      }),
      { seed: 103, numRuns: 50 },
    );
  });
});

describe('changes', () => {
  test('reversed, they give the document back', () => {
    fc.assert(
      fc.property(documents, documents, (a, b) => {
        const edits = [
          ...Object.values(b.samples).map((entity) => ({ put: 'samples' as const, entity })),
          ...Object.keys(a.events).map((id) => ({ remove: 'events' as const, id })),
        ];
        const changes = changesOf(a, edits);
        expect(writeDocument(applyChanges(applyChanges(a, changes), reversed(changes)))).toBe(
          writeDocument(a),
        );
      }),
      { seed: 104, numRuns: 50 },
    );
  });
  test('removing a tank leaves nothing that refers to it', () => {
    fc.assert(
      fc.property(documents, (doc) => {
        const id = Object.keys(doc.waters)[0] ?? '';
        const left = applyChanges(doc, changesOf(doc, editsToRemoveWater(doc, id)));
        expect(brokenReferences(left)).toEqual([]);
        expect(Object.values(left.samples).some((s) => s.waterId === id)).toBe(false);
      }),
      { seed: 105, numRuns: 50 },
    );
  });
  test('an untouched collection is shared, not copied', () => {
    const doc = emptyDocument();
    const next = applyChanges(doc, changesOf(doc, [{ put: 'kits', entity: ammonia }]));
    expect(next.samples).toBe(doc.samples);
    expect(next.kits).not.toBe(doc.kits);
  });
});

describe('readings', () => {
  test('a colour step is the interval to the neighbours’ middle', () => {
    expect(readingInterval({ kind: 'exact', value: 0.5 }, ammonia)).toEqual({
      low: 0.35,
      mid: 0.5,
      high: 0.75,
    });
    expect(readingInterval({ kind: 'over', low: 5 }, ammonia)).toMatchObject({ low: 5, high: Infinity });
    expect(readingInterval({ kind: 'between', low: 0, high: 0.2 }, ammonia).mid).toBe(0.1);
  });
  test('a titration is good to 5 % and half its resolution, a pH pen to about a tenth', () => {
    const alkalinity = STARTER_KITS.find((k) => k.parameter === 'alkalinity') as Kit;
    expect(readingInterval({ kind: 'exact', value: 8 }, alkalinity).high).toBeCloseTo(8.45, 9);
    expect(readingInterval({ kind: 'exact', value: 8 }, ph).high).toBeCloseTo(8.101, 9);
  });
  test('zero is the zero step only', () => {
    expect(readsZero({ kind: 'exact', value: 0 }, ammonia)).toBe(true);
    expect(readsZero({ kind: 'between', low: 0, high: 0.25 }, ammonia)).toBe(false);
    expect(readsZero({ kind: 'over', low: 0 }, ammonia)).toBe(false);
  });
  test('the kit’s basis is used: 1 mg/L printed as N is 1, as NH4 0.78', () => {
    const one = { kind: 'exact' as const, value: 1 };
    expect(nitrogenInterval(one, { ...ammonia, basis: 'N' }, 'ammonia').mid).toBe(1);
    expect(nitrogenInterval(one, ammonia, 'ammonia').mid).toBeCloseTo(1 / 1.2878, 6);
  });
  test('as text', () => {
    expect(
      [
        { kind: 'exact' as const, value: 0.25 },
        { kind: 'between' as const, low: 0.5, high: 1 },
        { kind: 'over' as const, low: 4 },
      ].map((v) => readingText(v)),
    ).toEqual(['0.25', '0.5–1', 'over 4']);
  });
});

describe('a hostile or a huge file', () => {
  const shell = JSON.parse(writeDocument(emptyDocument())) as Record<string, unknown>;
  const lengthOf = (text: string): number => {
    const read = readDocument(text);
    return JSON.stringify(read).length;
  };
  test('nesting deeper than the format is refused before it is parsed', () => {
    const deep = '['.repeat(200_000) + ']'.repeat(200_000);
    expect(readDocument(deep)).toMatchObject({
      status: 'not-ours',
      message: expect.stringMatching(/12 deep/),
    });
    const levels = (n: number) => readDocument('['.repeat(n) + ']'.repeat(n)).status;
    expect([levels(12), levels(13)]).toEqual(['not-ours', 'not-ours']);
    expect(readDocument('['.repeat(12) + ']'.repeat(12))).toMatchObject({
      message: expect.stringMatching(/no "format"/),
    });
  });
  test('brackets inside texts are no nesting', () => {
    const kit = { ...STARTER_KITS[0]!, name: '[[[[[[[[[[[[[[[[ \\" {{{{{{{{{{{{{{' };
    expect(readDocument(JSON.stringify({ ...shell, kits: [kit] })).status).toBe('ok');
  });
  test('the reading ends at the tenth fault, and says that there may be more', () => {
    const kits = Array.from({ length: 5000 }, (_, i) => ({ id: `k${i}` }));
    const read = readDocument(JSON.stringify({ ...shell, kits }));
    expect(read).toMatchObject({ status: 'invalid', more: true });
    expect(read.status === 'invalid' && read.faults).toHaveLength(10);
    const one = readDocument(JSON.stringify({ ...shell, kits: [{ ...STARTER_KITS[0]!, waitMinutes: 'x' }] }));
    expect(one).toMatchObject({ status: 'invalid', more: false, faults: [{ path: 'kits[0].waitMinutes' }] });
  });
  test('whatever stands in the file, what is said of it stays short', () => {
    const long = 'x'.repeat(100_000);
    for (const kits of [
      [{ [long]: 1 }],
      Array.from({ length: 20 }, () => ({ ...STARTER_KITS[0]!, [long]: long })),
      [STARTER_KITS[0]!, { ...STARTER_KITS[0]!, id: long }],
    ])
      expect(lengthOf(JSON.stringify({ ...shell, kits }))).toBeLessThan(2500);
    expect(lengthOf(JSON.stringify({ ...shell, [long]: [] }))).toBeLessThan(2500);
    expect(lengthOf(`{"format":"zoarium","version":3,${long}`)).toBeLessThan(2500);
  });
  test('progress goes from nothing to all, and the end is the same as in one go', () => {
    const kits = Array.from({ length: 2000 }, (_, i) => ({ ...STARTER_KITS[0]!, id: `k${i}` }));
    const text = JSON.stringify({ ...shell, kits });
    const reading = readingDocument(text);
    const told: number[] = [];
    let step = reading.next();
    while (!step.done) {
      told.push(step.value);
      step = reading.next();
    }
    expect(told.length).toBeGreaterThan(4);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
    expect(step.value).toEqual(readDocument(text));
  });
});
