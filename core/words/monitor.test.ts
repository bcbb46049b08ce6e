import type { MonitorAlarm } from '../monitor';
import { METRIC, type UnitPreferences } from '../units';
import { alarmWords } from './monitor';

const US: UnitPreferences = { ...METRIC, temperature: 'F' };
const say = (a: MonitorAlarm, units = METRIC) => alarmWords(a, units, (ms) => `hour ${ms}`);

test('what stays away is named, with since when and what to do meanwhile; a reservoir is looked at', () => {
  expect(say({ kind: 'missing', what: 'freeAmmonia', sinceMs: 7 })).toBe(
    'Free ammonia has not come since hour 7, the rest has: test it by hand until it is back. ' +
      'If the probe was taken off, pair the device anew.',
  );
  expect(say({ kind: 'missing', what: 'level', sinceMs: 7 })).toMatch(/look at it yourself until/);
  expect(say({ kind: 'silent', sinceMs: 8 })).toMatch(/^Nothing has come since hour 8: /);
});

test('amounts are in the person’s units', () => {
  expect(say({ kind: 'high', what: 'freeAmmonia', value: 0.061, limit: 0.05 })).toMatch(
    /0\.061 mg\/L NH₃-N, over 0\.05/,
  );
  const rise: MonitorAlarm = { kind: 'rise', what: 'temperature', by: 1.5, hours: 6 };
  expect([say(rise), say(rise, US)].map((text) => /by (\S+ \S+) within 6 hours/.exec(text)?.[1])).toEqual([
    '1.5 °C',
    '2.7 °F',
  ]);
  const apart: MonitorAlarm = { kind: 'disagrees', what: 'temperature', device: 25, hand: 24 };
  expect(say(apart, US)).toMatch(/the device showed 77\.0 °F, your hand test 75\.2 °F/);
});
