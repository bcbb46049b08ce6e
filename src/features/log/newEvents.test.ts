import { METRIC } from '../../../core/units';
import { eventWords } from './eventWords';
import {
  awayQuestion,
  emptyEvent,
  eventTextsOf,
  readEvent,
  type EventTexts,
  type Loggable,
} from './eventForm';
import { NEW_KIT, readKit, textsOfKit } from './kitForm';
import { questionOf, readNumberText } from './sampleForm';
import { STARTER_KITS, type Kit } from '../../../core/document';

const NOW = Date.UTC(2026, 4, 1, 18);
const c = {
  id: 'e',
  waterId: 't',
  netL: 200,
  units: METRIC,
  nowMs: NOW,
  readTime: (t: string) => Date.parse(`${t}:00.000Z`),
};
const texts = (kind: Loggable, patch: Partial<EventTexts>): EventTexts => ({ ...emptyEvent(kind), ...patch });
const fieldTime = (ms: number) => new Date(ms).toISOString().slice(0, 16);

describe('events of the water', () => {
  test.each([
    ['saltMixed', { amount: '20', grams: '760', salinity: '35.2' }, '20 L with 760 g to 35.2 ppt'],
    ['waterMade', { amount: '40', grams: '420' }, '40 L in 420 min'],
    ['dose', { what: 'calcium', amount: '15', grams: '11' }, 'Calcium +15 mg/L, 11 g'],
    [
      'observation',
      { smell: 'rotten', clarity: 'cloudy', missing: 'one goby' },
      'smell rotten, water cloudy, missing: one goby',
    ],
    [
      'bacteria',
      { seed: 'media', from: 'a neighbour', ranDays: '400', keptWet: false },
      'Media from a running tank, from a neighbour, ran 400 days there, fell dry',
    ],
    ['waterChange', { amount: '40', salinity: '35' }, '40 L, 20 %'],
    [
      'waterChange',
      { amount: '40', salinity: '35', tempC: '24.5', alkalinity: '11.2', calcium: '440', magnesium: '1380' },
      '40 L, 20 %',
    ],
    ['incident', { incident: 'medicine', name: 'Blue bottle' }, 'Medicine given, Blue bottle'],
    [
      'incident',
      { incident: 'powerCut', atText: '2026-05-01T12:00', untilText: '2026-05-01T15:30' },
      'Power cut, 3.5 h',
    ],
    ['away', { atText: '2026-05-01T12:00', untilText: '2026-05-11T12:00' }, '10 days'],
    // Said before it begins.
    ['away', { atText: '2026-08-01T12:00', untilText: '2026-08-15T12:00' }, '14 days'],
  ] as [Loggable, Partial<EventTexts>, string][])(
    '%s in words, and back to the same',
    (kind, patch, words) => {
      const read = readEvent(texts(kind, patch), c);
      if (!read.ok) throw new Error(JSON.stringify(read.faults));
      expect(eventWords(read.event, 200, METRIC)).toBe(words);
      const back = eventTextsOf(read.event, 200, METRIC, fieldTime);
      const again = back && readEvent(back, c);
      expect(again && again.ok && again.event).toEqual(read.event);
    },
  );
  test.each([
    ['saltMixed', { amount: '20' }, 'grams'],
    ['saltMixed', { amount: '20', grams: '700', salinity: '350' }, 'salinity'],
    ['dose', { amount: '50' }, 'amount'],
    ['waterMade', { amount: '-1' }, 'amount'],
    ['observation', { missing: 'x'.repeat(201) }, 'missing'],
    ['bacteria', { sumpPercent: '140' }, 'sumpPercent'],
    ['bacteria', { from: 'x'.repeat(81) }, 'from'],
    ['waterChange', { amount: '40', tempC: '77' }, 'tempC'],
    ['waterChange', { amount: '40', alkalinity: '150' }, 'alkalinity'],
    ['waterChange', { amount: '40', calcium: 'much' }, 'calcium'],
    ['away', {}, 'untilText'],
    ['away', { untilText: '2026-04-01T12:00' }, 'untilText'],
    ['incident', { incident: 'powerCut', untilText: '2026-05-02T12:00' }, 'untilText'],
    ['incident', { name: 'x'.repeat(81) }, 'name'],
  ] as [Loggable, Partial<EventTexts>, string][])('%s with %p is a fault at %s', (kind, patch, key) => {
    const read = readEvent(texts(kind, patch), c);
    expect(!read.ok && (read.faults as Record<string, string>)[key]).toBeTruthy();
  });
});

describe('kits', () => {
  test('the register keeps opening day, tests left, storage, error and shop', () => {
    const read = readKit('k', {
      ...NEW_KIT,
      name: 'Slip',
      parameter: 'calcium',
      scaleKind: 'number',
      opened: '2026-04-01',
      testsLeft: '12',
      storage: 'dark, cool',
      readerPercent: '2,5',
      shop: true,
    });
    if (!read.ok) throw new Error('not read');
    expect(read.kit).toMatchObject({
      opened: '2026-04-01',
      testsLeft: 12,
      storage: 'dark, cool',
      readerShare: 0.025,
      shop: true,
    });
    const again = readKit('k', textsOfKit(read.kit));
    expect(again.ok && again.kit).toEqual(read.kit);
  });
  test('what was left empty is not stored', () => {
    const read = readKit('k', { ...NEW_KIT, name: 'Meter', parameter: 'calcium', scaleKind: 'number' });
    expect(read.ok && Object.keys(read.kit)).not.toEqual(
      expect.arrayContaining(['opened', 'testsLeft', 'shop']),
    );
  });
});

describe('repeats and questions', () => {
  const alkalinity = STARTER_KITS.find((k) => k.parameter === 'alkalinity') as Kit;
  test('repeats stand with a slash; a half-typed one is still one', () => {
    expect(readNumberText('8,2 / 8.4', alkalinity, METRIC).value).toEqual({
      kind: 'repeats',
      values: [8.2, 8.4],
    });
    expect(readNumberText('8.2 / ', alkalinity, METRIC).value).toEqual({ kind: 'exact', value: 8.2 });
    expect(readNumberText('8/8/8/8/8/8', alkalinity, METRIC).fault).toMatch(/Five repeats/);
    expect(readNumberText('8 / x', alkalinity, METRIC).fault).toMatch(/not a number/);
  });
  test('a jump names its likely causes and asks for a repeat, never for action', () => {
    const q = questionOf({ kind: 'exact', value: 11 }, alkalinity, 8);
    expect(q?.jump).toBe(true);
    expect(q?.text).toMatch(/Likely: drops miscounted.*Repeat the test before acting/);
  });
});

test('an absence of more than half a year is questioned, not refused', () => {
  const until = (untilText: string, more: Partial<EventTexts> = {}) =>
    awayQuestion(texts('away', { untilText, ...more }), NOW, (t) => Date.parse(`${t}:00.000Z`));
  expect(until('2026-10-28T18:00')).toBeNull();
  expect(until('2036-05-01T18:00')).toBe('That would be 3653 days away. Is the year right?');
  // From its own beginning, not from now.
  expect(until('2027-01-05T18:00', { atText: '2026-12-20T18:00' })).toBeNull();
  expect(awayQuestion(texts('incident', { untilText: '2036-05-01T18:00' }), NOW, c.readTime)).toBeNull();
  expect(readEvent(texts('away', { untilText: '2036-05-01T18:00' }), c).ok).toBe(true);
});
