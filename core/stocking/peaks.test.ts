import { peakOfLoad } from '.';

const peaks = {
  addedMgN: [0, 10, 20],
  peakMgN: [
    [0, 0.1, 0.2],
    [0.1, 0.2, 0.4],
    [0.3, 0.6, 1.2],
  ] as [number, number, number][],
};

test('between two loads that were worked out it lies between their peaks', () => {
  const [low, mid, high] = peakOfLoad(peaks, 15)!;
  expect(low).toBeCloseTo(0.2, 9);
  expect(mid).toBeCloseTo(0.4, 9);
  expect(high).toBeCloseTo(0.8, 9);
  expect(peakOfLoad(peaks, 10)).toEqual([0.1, 0.2, 0.4]);
  expect(peakOfLoad(peaks, 0)).toEqual([0, 0.1, 0.2]);
});
test('above the largest it goes on in proportion, never flat', () => {
  expect(peakOfLoad(peaks, 40)).toEqual([0.6, 1.2, 2.4]);
});
test('without any there is nothing to say', () => {
  expect(peakOfLoad({ addedMgN: [], peakMgN: [] }, 5)).toBeNull();
});
