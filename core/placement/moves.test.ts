import { IN, moved, WISHED, type Animal } from '../document';
import { History, provedHistory } from '../testing/history';
import { movedTo, placesHere, stoodBefore } from '.';

const HOME = 't';
const [leather] = Object.values(new History('zeroZero').animal(0, 'toadstool-leather').doc.animals) as [
  Animal,
];
const spot = (xCm: number) => ({ xCm, yCm: 20, zCm: 20 });
const at = (day: number, hour: string) => `2026-05-0${day}T${hour}:00.000Z`;
const all = (a: Animal): number[] => (a.spots ?? []).map((s) => s.xCm);
const wished: Animal = { ...leather, homeId: HOME, moves: [{ at: at(1, '08:00'), to: WISHED, why: '' }] };
const home = moved(wished, IN(HOME), at(2, '08:00'));

test('a place kept for a wish is one place, and counts from the day it came home', () => {
  const kept = movedTo(movedTo(wished, spot(10), at(1, '09:00')), spot(20), at(1, '23:00'));
  expect(all(kept)).toEqual([20]);
  const later = movedTo(moved(kept, IN(HOME), at(2, '08:00')), spot(30), at(8, '09:00'));
  expect(stoodBefore(later, {})).toEqual([
    { spot: expect.objectContaining({ xCm: 20 }), from: Date.parse(at(2, '08:00')) },
  ]);
});
test.each([
  ['within the hour it was one move', at(3, '10:00'), [20]],
  ['after it there were two', at(3, '10:01'), [10, 20]],
  ['a clock put back takes nothing away', at(2, '09:00'), [10, 20]],
])('%s', (_, second, spots) => {
  const first = movedTo(home, spot(10), at(3, '09:00'));
  expect(all(movedTo(first, spot(20), second))).toEqual(spots);
});
test('in another tank it has no place yet: those of the glass it left are of that one', () => {
  const { waters } = provedHistory().doc;
  const display = Object.values(waters).find((w) => w.kind === 'display')!;
  const two = { old: { ...display, id: 'old' }, [HOME]: { ...display, id: HOME } };
  const before = movedTo(
    { ...wished, homeId: 'old', moves: [{ at: at(2, '08:00'), to: IN('old'), why: '' }] },
    spot(10),
    at(3, '08:00'),
  );
  const over = { ...moved(before, IN(HOME), at(4, '08:00')), homeId: HOME };
  expect(placesHere(before, two)).toHaveLength(1);
  expect(placesHere(over, two)).toEqual([]);
  expect(placesHere(movedTo(over, spot(30), at(5, '08:00')), two).map((s) => s.xCm)).toEqual([30]);
  expect(all(over)).toEqual([10]);
});
