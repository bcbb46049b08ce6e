import { gatherEvidence } from '../../../core/evidence';
import { History, START_MS, DAY } from '../../../core/testing/history';
import { METRIC } from '../../../core/units';
import { shownScale } from '../../../core/words/scale';
import { rangeAsStored, standingOf, targetOf, timePoints } from './model';

const at = (h: History, day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);

test('before and after a change are joined, others are not', () => {
  const h = new History()
    .test(0, { alkalinity: 8 })
    .test(5, { alkalinity: 7 })
    .event(5.5, { kind: 'waterChange', litres: 30 })
    .test(6, { alkalinity: 7.5 })
    .test(12, { alkalinity: 7.4 });
  expect(timePoints(at(h, 13), 'alkalinity', (x) => x).map((p) => p.joined ?? false)).toEqual([
    false,
    true,
    true,
    false,
  ]);
});
test('a person’s own target comes before the usual one', () => {
  expect(targetOf({}, 't', 'alkalinity').range?.low).toBe(7);
  const own = {
    id: 'x',
    waterId: 't',
    parameter: 'alkalinity' as const,
    alarmLow: 6,
    low: 7,
    high: 8,
    alarmHigh: 9,
  };
  expect(targetOf({ x: own }, 't', 'alkalinity').range).toEqual({
    alarmLow: 6,
    low: 7,
    high: 8,
    alarmHigh: 9,
  });
  expect(targetOf({ x: own }, 'other', 'alkalinity').own).toBeNull();
});
test('nitrate targets are as NO3, readings as N', () => {
  expect(rangeAsStored({ alarmLow: 0.5, low: 2, high: 4.4266, alarmHigh: 40 }, 'nitrate')?.high).toBeCloseTo(
    1,
    6,
  );
  expect(shownScale('nitrate', METRIC).show(1)).toBeCloseTo(4.4266, 4);
});
test('doubted readings do not judge', () => {
  const h = new History();
  for (let day = 0; day < 10; day++) h.test(day, { alkalinity: 8.5 });
  const e = at(h, 10);
  expect(standingOf(e, 'alkalinity', targetOf({}, 't', 'alkalinity').range).standing).toBe('steady');
});
