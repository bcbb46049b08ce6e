import { toSay } from '.';

const item = (key: string, day: string) => ({ key, day });
const items = [item('a', '2026-12-03'), item('b', '2026-12-04'), item('c', '2026-12-05')];
const keys = (hour: number, said: string[] = []) =>
  toSay(items, '2026-12-04', hour, new Set(said)).map((i) => i.key);

test.each([
  [0, []],
  [7.99, []],
  [8, ['a', 'b']],
  [20.99, ['a', 'b']],
  [21, []],
])('at %d o’clock: %j', (hour, due) => expect(keys(hour)).toEqual(due));
test('what was said is not said again; what is ahead waits for its day', () => {
  expect(keys(12, ['a'])).toEqual(['b']);
  expect(keys(12, ['a', 'b', 'c'])).toEqual([]);
});
