import fc from 'fast-check';
import { lastUntil, spanOf } from './span';

test('the same as looking at each, whatever stands at one time', () => {
  const times = fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 30 });
  const moment = fc.integer({ min: -2, max: 22 });
  fc.assert(
    fc.property(times, moment, moment, (ms, from, to) => {
      const list = ms.sort((a, b) => a - b).map((atMs, place) => ({ atMs, place }));
      expect(spanOf(list, from, to)).toEqual(list.filter((x) => x.atMs >= from && x.atMs <= to));
      expect(spanOf(list, from)).toEqual(list.filter((x) => x.atMs >= from));
      expect(lastUntil(list, to)).toBe(list.filter((x) => x.atMs <= to).pop());
    }),
    { seed: 4, numRuns: 300 },
  );
});
