import type { Equipment } from '../document';
import { breakIn, socketsOf } from '.';

const part = (patch: Partial<Equipment>): Equipment => ({
  id: 'e',
  waterId: 't',
  name: 'Skimmer',
  kind: 'skimmer',
  where: '',
  sinceDay: '2026-05-01',
  price: null,
  monthly: null,
  watts: null,
  breakInDays: 14,
  serviceEveryDays: null,
  services: [],
  settings: [],
  loan: null,
  endedDay: null,
  ...patch,
});
const foamed = (...foam: [string, 'none' | 'wet' | 'right' | 'flood'][]) =>
  part({ foam: foam.map(([day, is]) => ({ day, is, cup: '' })) });

describe('the diary of a skimmer', () => {
  test('what there is to do goes by what was last seen, whatever the order it was written in', () => {
    expect(breakIn(part({}), '2026-05-03')).toMatchObject({ day: 2, of: 14, over: false, advice: 'look' });
    const two = foamed(['2026-05-06', 'wet'], ['2026-05-04', 'flood']);
    expect(breakIn(two, '2026-05-06')).toMatchObject({ advice: 'lower', last: { day: '2026-05-06' } });
    expect(breakIn(foamed(['2026-05-04', 'flood']), '2026-05-06')?.advice).toBe('flooding');
    expect(breakIn(foamed(['2026-05-04', 'right']), '2026-05-06')?.advice).toBe('keep');
  });
  test('no foam is usual until the days of breaking in are over, and looked into from then on', () => {
    const dry = foamed(['2026-05-02', 'none']);
    expect(breakIn(dry, '2026-05-14')).toMatchObject({ over: false, advice: 'wait' });
    expect(breakIn(dry, '2026-05-15')).toMatchObject({ over: true, advice: 'search' });
  });
  test('only of a skimmer, and only while it is in use', () => {
    expect(breakIn(part({ kind: 'pump' }), '2026-05-02')).toBeNull();
    expect(breakIn(part({ endedDay: '2026-05-02' }), '2026-05-03')).toBeNull();
    expect(breakIn(part({}), '2026-04-28')?.day).toBe(0);
  });
});

describe('sockets', () => {
  const plugged = (id: string, kind: Equipment['kind'], socket: string, watts: number | null = 10) =>
    part({ id, kind, watts, plug: { socket, by: '', loopSeenDay: null } });
  test('by name, however it is written; unsaid ones last; heat and flow on one are said', () => {
    const sockets = socketsOf([
      part({ id: 'bare', watts: 9 }),
      plugged('h', 'heater', 'Strip', 200),
      plugged('p', 'pump', ' strip ', null),
      plugged('l', 'light', 'Above'),
    ]);
    expect(sockets.map((s) => [s.name, s.parts.map((p) => p.id), s.watts, s.heatAndFlow])).toEqual([
      ['Above', ['l'], 10, false],
      ['Strip', ['h', 'p'], 200, true],
      ['', ['bare'], 9, false],
    ]);
  });
  test('what has no cable or is out of use is left out; two of which no socket is said are not one socket', () => {
    expect(socketsOf([part({}), part({ watts: 9, endedDay: '2026-05-02' })])).toEqual([]);
    const unsaid = socketsOf([
      part({ id: 'h', kind: 'heater', watts: 200 }),
      part({ id: 'p', kind: 'pump', watts: 20 }),
    ]);
    expect(unsaid.map((s) => s.heatAndFlow)).toEqual([false]);
  });
});
