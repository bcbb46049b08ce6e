import { DAY_MS, UTC } from '../core/time';
import { readDocument, writeDocument } from '../core/document/checks';
import { clockOf } from '../core/quarantine';
import { assessWater } from '../core/readiness';
import { makeDemo } from './index';

const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);

describe.each(['2026-11-23T20:00:00Z', '2027-03-28T00:30:00Z', '2028-02-29T12:00:00Z'])(
  'made at %s',
  (iso) => {
    const nowMs = Date.parse(iso);
    const doc = makeDemo(nowMs, dayOf);
    test('is a valid document, the same each time', () => {
      const text = writeDocument(doc);
      expect(readDocument(text).status).toBe('ok');
      expect(writeDocument(makeDemo(nowMs, dayOf))).toBe(text);
    });
    test('North Window stands at the next step: proved, crew in for ten days, no fish yet', () => {
      const a = assessWater(doc, 'north-window', nowMs);
      expect(a.gates.find((g) => g.status === 'here')?.id).toBe('nextStep');
      expect(a.gates.find((g) => g.id === 'proof')?.status).toBe('passed');
      expect(a.fish).toMatchObject({ word: 'wait', reason: { code: 'stepSettling' } });
      const later = assessWater(doc, 'north-window', nowMs + 4 * DAY_MS, UTC).fish;
      expect(later).not.toMatchObject({ reason: { code: 'stepSettling' } });
    });
    test('Pantry Cube waits for nitrite', () => {
      const a = assessWater(doc, 'pantry-cube', nowMs);
      expect(a.fish).toMatchObject({ word: 'wait', reason: { code: 'nitriteNotFalling' } });
    });
    test('the cardinalfish have ten clear days after one reset', () => {
      const q = doc.waters['north-qt'];
      if (q?.kind !== 'quarantine') throw new Error('no quarantine');
      const clock = clockOf(doc, q, nowMs, dayOf);
      expect(clock).toMatchObject({
        clockDay: 10,
        missedDays: [dayOf(nowMs - 16 * DAY_MS), dayOf(nowMs - 7 * DAY_MS)],
        status: 'running',
      });
      expect(clock.strings.filter((s) => s.broken)).toHaveLength(1);
    });
    test('nothing lies in the future', () => {
      for (const x of [...Object.values(doc.samples), ...Object.values(doc.events)])
        expect(Date.parse(x.at)).toBeLessThanOrEqual(nowMs);
    });
  },
);
