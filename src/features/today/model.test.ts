import { STARTER_KITS, type Kit, type Parameter } from '../../../core/document';
import { assess } from '../../../core/readiness';
import { METRIC } from '../../../core/units';
import { DAY, displayEvidence, History, provedHistory, START_MS } from '../../../core/testing/history';
import { evidenceFootnote, evidenceRows, staffRows, testWords, type Telling } from './model';

const words = {
  units: METRIC,
  day: (ms: number) => `day ${Math.round((ms - START_MS) / DAY)}`,
  written: (day: string) => day,
  hour: (ms: number) => `hour ${ms}`,
};
const at = (h: History, day: number) => displayEvidence(h.doc, START_MS + day * DAY);

describe('evidence rows', () => {
  const h = new History()
    .dose(0, 2)
    .test(1, { ammonia: 2, nitrite: 0 })
    .test(6, { ammonia: [0.5, 1], nitrite: 2, nitrate: 20 })
    .test(8, { salinity: 35 })
    .test(9, { nitrite: 'over' });
  test('newest first, a dash for what was not read, a question mark for what is not trusted', () => {
    const rows = evidenceRows(at(h, 10), 5);
    expect(rows.map((r) => [r.ammonia, r.nitrite, r.nitrate])).toEqual([
      ['–', 'over 5', '–'],
      ['0.5–1', '2', '20 ?'],
      ['2', '0', '–'],
    ]);
    expect(evidenceFootnote(at(h, 10))).toBe('mg/L as NH₄, NO₂, NO₃ · ? kept, not trusted');
  });
  test('as many as asked for, the latest', () => {
    expect(evidenceRows(at(h, 10), 2).map((r) => r.nitrite)).toEqual(['over 5', '2']);
    expect(evidenceRows(at(new History(), 1), 5)).toEqual([]);
  });
});

test('the staff has a mark for each gate: passed ones with their day, later ones with what they ask', () => {
  const h = provedHistory();
  const rows = staffRows(assess(at(h, 28.2)), words);
  expect(rows.map((r) => r.status)).toEqual([...Array<string>(6).fill('passed'), 'here', 'ahead']);
  expect(rows[4]?.note).toMatch(/^2\.0 mg\/L gone, tested after 24 h · day 28$/);
  expect(rows[7]?.note).toBe('a week of zero ammonia between steps');
});

describe('the next test in two lines', () => {
  const kitWith =
    (patch: Partial<Kit>) =>
    (p: Parameter): Kit | undefined => {
      const kit = STARTER_KITS.find((k) => k.parameter === p);
      return kit && { ...kit, ...patch };
    };
  const weekday = (ms: number) => `day ${ms / DAY}`;
  const say = (due: Parameter[], telling: Telling | null = null, kits = kitWith({ waitMinutes: 5 })) =>
    testWords(due, kits, telling, 0, weekday);
  test('nothing due, nothing known: a reading is welcome', () =>
    expect(say([]).title).toBe('No test is due'));
  const nitriteIn = (days: number): Telling => ({
    parameters: ['nitrite'],
    atMs: days * DAY,
    why: 'Because.',
  });
  test('nothing due: the day on which a test teaches most, and why', () => {
    expect(say([], nitriteIn(3))).toEqual({ title: 'Test nitrite on day 3', text: 'Because.' });
    expect(say([], nitriteIn(1)).title).toBe('Test nitrite tomorrow');
    expect(say([], nitriteIn(0)).title).toBe('Test nitrite today');
    expect(say([], { ...nitriteIn(2), parameters: ['ammonia', 'nitrite'] }).title).toBe(
      'Test ammonia and nitrite on day 2',
    );
  });
  test('two due: named, with their wait', () =>
    expect(say(['ammonia', 'nitrite'])).toEqual({ title: 'Test ammonia and nitrite today', text: '5 min' }));
  test('the one that tells most comes first and says so', () => {
    expect(say(['ammonia', 'nitrite'], nitriteIn(0.2))).toEqual({
      title: 'Test nitrite and ammonia today',
      text: 'nitrite tells the most · 5 min',
    });
  });
  test('many due: the rest in a line that ends', () => {
    expect(say(['ammonia', 'nitrite', 'nitrate', 'salinity', 'temperature', 'alkalinity', 'ph'])).toEqual({
      title: 'Test ammonia and nitrite',
      text: 'and nitrate, salinity, temperature, 2 more',
    });
  });
  test('a kit that runs out is said', () => {
    expect(say(['ammonia'], null, kitWith({ waitMinutes: null, testsLeft: 2 })).text).toBe(
      '2 ammonia tests left',
    );
    expect(say(['ammonia'], null, kitWith({ waitMinutes: null, testsLeft: 1 })).text).toBe(
      '1 ammonia test left',
    );
    expect(say(['ammonia'], null, kitWith({ waitMinutes: null, testsLeft: 40 })).text).toBe(
      'One sitting, kits in date.',
    );
  });
});
