import { gatherEvidence } from '../evidence';
import { assessWater } from '../readiness';
import { DAY, History, START_MS } from '../testing/history';
import { UTC } from '../time';
import { agendaOf, type AgendaFacts } from '.';

const facts = (h: History, day: number): AgendaFacts => ({
  nowMs: START_MS + day * DAY,
  local: UTC,
  evidenceOf: (id) => gatherEvidence(h.doc, id, START_MS + day * DAY),
  assessmentOf: (id) => assessWater(h.doc, id, START_MS + day * DAY),
});
const codes = (h: History, day: number) =>
  agendaOf(h.doc, facts(h, day), '2100-01-01').map((i) => i.says.code);
const zero = { ammonia: 0, nitrite: 0, nitrate: 10 };

test('a cycle that waits for ammonia says so on the agenda; with animals in nothing does', () => {
  expect(codes(new History().water(14, zero), 14.1)).toContain('dose');
  expect(codes(new History().animal(1, 'ocellaris-clownfish').water(14, zero), 14.1)).not.toContain('dose');
});
