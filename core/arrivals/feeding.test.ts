import { gatherEvidence } from '../evidence';
import { SPECIES } from '../species';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { feedingOf, rationShare, usualOf } from '.';

test('the ration rises in steps over a week', () =>
  expect([0, 0.9, 1, 2, 3, 5, 6, 7, 30].map(rationShare)).toEqual([0, 0, 0.33, 0.33, 0.5, 0.75, 0.75, 1, 1]));
test('who just came gets a part, who settled all; snails none of it', () => {
  const at = (day: number) =>
    feedingOf(
      gatherEvidence(
        provedHistory()
          .animal(29, 'turban-snail', 5)
          .animal(30, 'ocellaris-clownfish')
          .animal(60, 'ocellaris-clownfish').doc,
        't',
        START_MS + day * DAY,
      ),
    );
  expect(at(29.5)).toBeNull();
  const settled = at(40)!;
  expect(settled.nowG).toBe(settled.fullG);
  // By hand: 4 cm of a clownfish 0.024 x 64 = 1.5 g, 2.5 % of it 0.038 g; a little more ten days on.
  expect(settled.fullG).toBeGreaterThan(0.038);
  expect(settled.fullG).toBeLessThan(0.05);
  const both = at(63)!;
  expect(both.fullInDays).toBe(4);
  expect(both.nowG).toBeLessThan(both.fullG);
});
test('every kind of fish and coral has something that is usual of it, short enough for a note', () => {
  for (const s of SPECIES) {
    const usual = usualOf(s);
    if (s.group !== 'invertebrate') expect(usual).not.toBeNull();
    expect(usual?.length ?? 0).toBeLessThan(140);
  }
});
