/** A glass too small for fish, or for anybody: told from the first day, and nothing is let in where nobody has room. */
import { START_MS, provedHistory, DAY, type History } from '../testing/history';
import type { Display } from '../document';
import { assessWater } from '.';

function inGlass(h: History, volumeL: number) {
  const water = h.doc.waters.t as Display;
  h.doc.waters = { t: { ...water, size: { kind: 'volume', volumeL } } };
  return h;
}
const at = (h: History, day: number) => assessWater(h.doc, 't', START_MS + day * DAY);
const codes = (h: History, day: number) => at(h, day).alarms.map(({ code }) => code);

test('where the smallest fish has room nothing is said', () => {
  // It wants 40 L, of which nine tenths are enough.
  expect(codes(inGlass(provedHistory(), 36), 3)).not.toContain('glassFitsNoFish');
});

test('in a smaller one no fish lives well, and it is told beside the answer', () => {
  const h = inGlass(provedHistory(), 35.9);
  expect(at(h, 3).alarms).toContainEqual({ code: 'glassFitsNoFish', glassL: 35.9, minTankL: 40 });
  expect(at(h, 30.5).others.reason.code).not.toBe('glassFitsNobody');
});

test('in five litres nothing is let in, whatever the filter carries', () => {
  const large = at(provedHistory(), 30.5);
  expect(['go', 'goSmall']).toContain(large.fish.word);
  const small = at(inGlass(provedHistory(), 5), 30.5);
  for (const judgement of [small.fish, small.others])
    expect(judgement).toMatchObject({
      word: 'wait',
      reason: { code: 'glassFitsNobody', glassL: 5, minTankL: 20 },
      opens: { code: 'largerGlass' },
    });
  expect(codes(inGlass(provedHistory(), 5), 3)).toContain('glassFitsNobody');
});

test('a kind of one’s own that wants less has room', () => {
  const h = inGlass(provedHistory(), 5);
  h.doc.species = {
    mine: { id: 'mine', likeId: 'sexy-anemone-shrimp', common: 'Mine', adultCm: 1, minTankL: 5 },
  };
  expect(codes(h, 3)).toContain('glassFitsNoFish');
  expect(codes(h, 3)).not.toContain('glassFitsNobody');
});
