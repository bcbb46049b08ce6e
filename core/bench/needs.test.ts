import { gatherEvidence } from '../evidence';
import { DAY, History, START_MS } from '../testing/history';
import { needsOf, TOOLS } from '.';

const needs = (h: History, day: number) =>
  needsOf(h.doc.waters.t!, gatherEvidence(h.doc, 't', START_MS + day * DAY)).map((n) => n.tool);

test('a glass that is not begun begins with how to begin', () => {
  expect(needs(new History(), 1).slice(0, 3)).toEqual(['start', 'sources', 'weight']);
});
test('with animals in it is begun, whatever the log lacks', () => {
  expect(needs(new History().animal(0.5, 'ocellaris-clownfish'), 1)).not.toContain('start');
});
test('what is off comes first, each a tool of the bench, four at most', () => {
  const h = new History()
    .animal(1, 'ocellaris-clownfish')
    .dose(1, 1)
    .test(2, { salinity: 30, alkalinity: 6, nitrate: 50, ammonia: 0, nitrite: 0 });
  const found = needs(h, 3);
  expect(found).toEqual(['salinity', 'minerals', 'change', 'volume']);
  for (const tool of found) expect(TOOLS.some((t) => t.id === tool)).toBe(true);
});
test('where nothing is off, what the log can tell', () => {
  const h = new History().animal(1, 'ocellaris-clownfish').dose(1, 1).water(2).water(5).water(9);
  expect(needs(h, 10)).toEqual(['volume', 'supply', 'nutrients']);
});
