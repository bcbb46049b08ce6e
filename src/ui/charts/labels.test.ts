import { labelSpots, type Mark } from './labels';

const SIZE = { width: 300, height: 200 };
const mark = (x: number, y: number, label = 'leather', r = 8): Mark => ({ label, x, y, r });

test('a name stands above its mark; under the upper edge below it, at a side pane beside it', () => {
  const [free, top, left] = labelSpots([mark(150, 100), mark(150, 10), mark(12, 150)], SIZE);
  expect(free).toEqual({ x: 150, y: 87, anchor: 'middle' });
  expect(top).toEqual({ x: 150, y: 30, anchor: 'middle' });
  expect(left).toEqual({ x: 25, y: 155, anchor: 'start' });
  const [below] = labelSpots([mark(150, 100)], SIZE, [{ x: 150, y: 80, r: 10 }]);
  expect(below).toEqual({ x: 150, y: 120, anchor: 'middle' });
});
test('no name lies on another name or mark: the first choose first, who finds no room has none', () => {
  const crowd = Array.from({ length: 9 }, (_, i) =>
    mark(130 + 14 * (i % 3), 90 + 14 * Math.floor(i / 3), `coral ${i}`),
  );
  const spots = labelSpots(crowd, SIZE);
  expect(spots[0]).not.toBeNull();
  expect(spots.filter((s) => s === null).length).toBeGreaterThan(0);
  const last = labelSpots([...crowd].reverse(), SIZE);
  expect(last[0]).not.toBeNull();
});
