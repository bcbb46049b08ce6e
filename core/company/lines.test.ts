import { closedOn, type Display, type Document, type Quarantine } from '../document';
import { gatherEvidence } from '../evidence';
import { assessWater } from '../readiness';
import { speciesById } from '../species';
import { aQuarantine } from '../testing/display';
import { DAY, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { additionWarnings, lineOf, openLines } from '.';

const NOW = START_MS + 28.1 * DAY;

function tank(quarantines: readonly Quarantine[], direct: string | null = null): [Document, Display] {
  const { doc } = provedHistory();
  const display = {
    ...(doc.waters.t as Display),
    stocking: { which: 'likely' as const, shopDays: [], budget: null, looksAWeek: 7, direct },
  };
  doc.waters = { t: display, ...Object.fromEntries(quarantines.map((q) => [q.id, q])) };
  return [doc, display];
}

test('anemones have a line of their own; what else stings or shines is a coral', () => {
  expect(lineOf(speciesById('bubble-tip-anemone'))).toBe('anemone');
  expect(lineOf(speciesById('zoanthid'))).toBe('coral');
  expect(lineOf(speciesById('cleaner-shrimp'))).toBe('invertebrate');
  expect(lineOf(speciesById('neon-goby'))).toBe('fish');
});
test('a line is open where a quarantine of this display is', () => {
  const elsewhere = aQuarantine('coral', { serves: ['other'] });
  const closed = closedOn(aQuarantine('anemone'), '2026-01-20');
  expect([...openLines(...tank([aQuarantine('fish'), elsewhere, closed]))]).toEqual(['fish']);
});
test('cleaners and corals go without one where the person says why, fish and anemones never', () => {
  expect([...openLines(...tank([], 'from my own other tank'))]).toEqual(['invertebrate', 'coral']);
});
test('a wish without a quarantine is told so; whoever is in one is not', () => {
  const [doc, display] = tank([aQuarantine('fish')]);
  const e = gatherEvidence(doc, 't', NOW);
  const said = (species: string, stage: 'wish' | 'coming') =>
    additionWarnings(
      e,
      assessWater(doc, 't', NOW),
      { id: 'new', species: speciesById(species), count: 1, stage },
      { others: [], lines: openLines(doc, display), dayOfMs: UTC.dayOf },
    ).warnings.find((w) => w.says.code === 'noQuarantine');
  expect(said('zoanthid', 'wish')).toMatchObject({ severity: 'onlyIf', says: { line: 'coral' } });
  expect(said('zoanthid', 'coming')).toBeUndefined();
  expect(said('neon-goby', 'wish')).toBeUndefined();
});
