import type { Display, Document } from '../../../../core/document';
import { dayId, folded, type MonitorReading } from '../../../../core/monitor';
import { HOUR_MS } from '../../../../core/time';
import { allText, demo, NOW, onScreen, says } from '../testing';
import { DeviceAlarms } from './DeviceAlarms';

/** The demo with a device in a water that shows 2 mg N/L of ammonia up to some hours ago.
 *  @param revoked when it was disconnected; null while it is paired */
function withAmmonia(waterId: string, hoursAgo: number, revoked: number | null = null): Document {
  const doc = demo();
  const readings = Array.from({ length: 8 }, (_, h): MonitorReading => {
    const atMs = NOW - (hoursAgo + h) * HOUR_MS;
    return { seq: h, device: 'dev', atMs, what: 'totalAmmonia', value: 2 - 0.01 * (h % 2) };
  });
  const days = folded(readings, { id: 'dev', waterId }, () => undefined);
  expect(days.map((d) => d.id)).toContain(dayId('dev', 'totalAmmonia', NOW - hoursAgo * HOUR_MS));
  const pairedAt = new Date(NOW - 100 * HOUR_MS).toISOString();
  const revokedAt = revoked === null ? null : new Date(revoked).toISOString();
  return {
    ...doc,
    monitors: { dev: { id: 'dev', waterId, name: 'Shelf bridge', pairedAt, revokedAt } },
    monitorDays: Object.fromEntries(days.map((d) => [d.id, d])),
  };
}
const show = (doc: Document, waterId: string) => {
  document.body.innerHTML = '';
  onScreen(<DeviceAlarms water={doc.waters[waterId] as Display} />, { doc });
};

test('ammonia of a device is told first where animals live; where none do it may be dosed', () => {
  show(withAmmonia('north-window', 1), 'north-window');
  expect(says('Total ammonia shows 2 mg/L N, over 0.3. Test ammonia and pH by hand now.')).toBe(true);
  show(withAmmonia('pantry-cube', 1), 'pantry-cube');
  expect(says(/^Total ammonia shows/)).toBe(false);
});
test('a paired device that fell silent is told; one that was disconnected only as long as its last hours are fresh', () => {
  show(withAmmonia('north-window', 5), 'north-window');
  expect(says(/^Nothing has come since /)).toBe(true);
  show(withAmmonia('north-window', 5, NOW - 5 * HOUR_MS), 'north-window');
  expect(allText()).toBe('');
  // Its last hour is over, and it was disconnected since.
  show(withAmmonia('north-window', 5, NOW - HOUR_MS), 'north-window');
  expect(allText()).toBe('');
  show(withAmmonia('north-window', 1, NOW - HOUR_MS), 'north-window');
  expect(says(/^Total ammonia shows 2 mg\/L N/)).toBe(true);
});
