/** No path leads an animal into a display past the guard without a kept reason. */
import fc from 'fast-check';
import {
  emptyDocument,
  IN,
  WISHED,
  type Animal,
  type Display,
  type Document,
  type Edit,
  type Place,
  type Quarantine,
  type Treatment,
  type Water,
} from '../document';
import { addDays, DAY_MS } from '../time';
import { displayEvidence, provedHistory, START_MS } from '../testing/history';
import { assess } from '../readiness';
import { admissionRisks, admit, firstFishRisk, loadRisks, stayRisks, type Newcomer, type Risk } from '.';

const DAY0 = '2026-03-20';
const at = (day: number, hour = 12) =>
  new Date(Date.parse(`${DAY0}T00:00:00Z`) + day * DAY_MS + hour * 3_600_000).toISOString();
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const display: Display = {
  id: 't',
  name: 'North Window',
  kind: 'display',
  startDay: DAY0,
  size: { kind: 'volume', volumeL: 200 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  ammoniaSource: 'bottled',
  bacteriaSources: [],
  school: 'proof24',
};
const quarantine: Quarantine = {
  id: 'q',
  name: 'Spare tank',
  kind: 'quarantine',
  startDay: DAY0,
  size: { kind: 'volume', volumeL: 60 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  line: 'fish',
  filter: 'cycled',
  clockDays: 28,
  serves: ['t'],
  runs: [{ openedDay: DAY0, closedDay: null }],
};
const holding: Water = {
  id: 'h',
  name: 'Bucket',
  kind: 'holding',
  startDay: DAY0,
  size: { kind: 'volume', volumeL: 20 },
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  runs: [{ openedDay: DAY0, closedDay: null }],
};
const other: Display = { ...display, id: 'o', name: 'Pantry Cube' };
const animal = (speciesId: string, ...moves: [Place, string][]): Animal => ({
  id: 'a',
  homeId: 't',
  speciesId,
  count: 3,
  moves: moves.map(([to, when]) => ({ to, at: when, why: '' })),
  plannedDay: null,
});
function world(a: Animal, clear: number, more: Partial<Document> = {}): Document {
  const looks = Array.from({ length: clear }, (_, i) => ({
    id: `l${i}`,
    waterId: 'q',
    day: addDays(DAY0, i),
    result: 'clear' as const,
    signs: [],
    note: '',
  }));
  return {
    ...emptyDocument(),
    waters: { t: display, q: quarantine, h: holding, o: other },
    animals: { a },
    looks: Object.fromEntries(looks.map((l) => [l.id, l])),
    ...more,
  };
}
/** The display's answer, made up: what it is worth is tested elsewhere. */
const OPEN = answer('go');
const SHUT = answer('wait');
function answer(word: 'go' | 'wait') {
  const real = assess(displayEvidence(provedHistory().doc, START_MS + 28.1 * DAY_MS));
  const j = { ...real.fish, word };
  return { fish: j, crew: j, coral: j, others: j, living: null };
}
const FISH = 'pajama-cardinalfish';
const codes = (doc: Document, a: Animal, to: Water, nowDay: number, assessment = OPEN) =>
  admissionRisks(doc, a, to, assessment, Date.parse(at(nowDay)), dayOf).map((r) => r.code);
const inQuarantine = animal(FISH, [WISHED, at(0, 8)], [IN('q'), at(0, 10)]);

describe('what is risked', () => {
  test('nothing with a full clock, an open display and a lid', () =>
    expect(codes(world(inQuarantine, 28), inQuarantine, display, 28)).toEqual([]));
  test('what no waiting lifts: too large for the glass, too many, a rival at home; not one that is only wished for', () => {
    const found = (species: string, ...homes: Animal[]) => {
      const one = { ...inQuarantine, speciesId: species, count: 1 };
      const doc = world(one, 28);
      doc.animals = { ...doc.animals, ...Object.fromEntries(homes.map((a) => [a.id, a])) };
      return admissionRisks(doc, one, display, OPEN, Date.parse(at(28)), dayOf).flatMap((r) =>
        r.code === 'riskCompany' ? [r.finding.code] : [],
      );
    };
    const gramma = { ...animal('royal-gramma', [IN('t'), at(0)]), id: 'g', count: 1 };
    expect(found('yellow-tang')).toEqual(['tooLargeForTank']);
    expect(found('blackcap-basslet', gramma)).toEqual(['rival']);
    expect(found('royal-gramma', gramma)).toEqual(['tooManyOfKind']);
    expect(found('blackcap-basslet', { ...gramma, moves: [{ to: WISHED, at: at(0), why: '' }] })).toEqual([]);
    expect(found('neon-goby', gramma)).toEqual([]);
    // What only has to be waited for, or done, is said as well; the lid is asked for already.
    expect(found('mandarin-dragonet')).toContain('youngTank');
    expect(found('melanurus-wrasse')).toContain('wantsSand');
    expect(found('firefish')).toEqual([]);
  });
  test('more fish at once than a pair, where none lives yet', () => {
    const fish = (count: number) => ({ ...inQuarantine, id: `f${count}`, count });
    const snails = { ...inQuarantine, id: 's', speciesId: 'turban-snail', count: 9 };
    const doc = world(inQuarantine, 28);
    const counted = (in_: Document, ...who: Animal[]) =>
      firstFishRisk(in_, who[0] as Animal, who, display).map((r) =>
        r.code === 'riskDisplay' ? r.fish : r.code,
      );
    expect(counted(doc, fish(2), snails)).toEqual([]);
    expect(counted(doc, fish(2), fish(1))).toEqual([3]);
    // It is kept with the fish, not with a snail that comes along.
    expect(counted(doc, snails, fish(3))).toEqual([]);
    expect(firstFishRisk(doc, fish(3), [fish(3)], quarantine)).toEqual([]);
    const home = { ...animal('royal-gramma', [IN('t'), at(0)]), id: 'g', count: 1 };
    expect(counted({ ...doc, animals: { ...doc.animals, g: home } }, fish(3))).toEqual([]);
  });
  test('whoever cannot be with those in a quarantine for weeks, or with those put into it on the same day', () => {
    const goby = { ...animal('neon-goby', [IN('q'), at(0)]), id: 'g', count: 1 };
    const doc = world(goby, 0);
    const hawkfish: Newcomer = { speciesId: 'longnose-hawkfish', moves: [] };
    const cardinal: Newcomer = { speciesId: FISH, moves: [] };
    const of = (d: Document, to: Water, ...who: [Newcomer, ...Newcomer[]]) =>
      stayRisks(d, who[0], who, to, DAY0).flatMap((r) =>
        r.code === 'riskCompany' && r.finding.code === 'stayTogether' ? [r.finding.others] : [r.code],
      );
    const there = { ...doc, animals: { g: goby } };
    expect(of(there, quarantine, hawkfish)).toEqual([['Neon cleaner goby']]);
    expect(of(there, quarantine, cardinal)).toEqual([]);
    expect(of(there, display, hawkfish)).toEqual([]);
    const nobody = { ...doc, animals: {} };
    const neon: Newcomer = { speciesId: 'neon-goby', moves: [] };
    expect(of(nobody, quarantine, hawkfish, neon)).toEqual([['Neon cleaner goby']]);
    expect(of(nobody, quarantine, neon, hawkfish)).toEqual([['Neon cleaner goby']]);
    // One that is there already is not held against itself.
    expect(of(there, quarantine, goby, cardinal)).toEqual([]);
  });
  test('what hardly adds to the load waits for nobody to settle, as in the plan', () => {
    const tank = provedHistory().animal(29, 'banggai-cardinalfish', 2);
    for (const day of [30, 32, 36]) tank.water(day, { ammonia: 0, nitrite: 0, nitrate: 10 });
    const nowMs = START_MS + 37 * DAY_MS;
    const to = displayEvidence(tank.doc, nowMs).water;
    const of = (speciesId: string, count: number) =>
      admissionRisks(
        tank.doc,
        { speciesId, count, moves: [] },
        to,
        assess(displayEvidence(tank.doc, nowMs)),
        nowMs,
        dayOf,
      )
        .filter((r) => r.code === 'riskDisplay')
        .map((r) => (r.code === 'riskDisplay' ? r.word : ''));
    expect(of('nassarius-snail', 1)).toEqual([]);
    expect(of('banggai-cardinalfish', 1)).toEqual(['wait']);
  });
  test('all who are let in together against what the filter carries, kept with whoever brings a load', () => {
    const tank = provedHistory();
    const e = displayEvidence(tank.doc, START_MS + 28.1 * DAY_MS);
    const of = (...who: Animal[]) =>
      loadRisks(tank.doc, who[0] as Animal, who, e, assess(e), dayOf).map((r) =>
        r.code === 'riskLoad' ? r.finding.code : r.code,
      );
    const fish = (id: string, count: number) => ({ ...inQuarantine, id, count });
    // 29 mg N a day near zero; a cardinalfish brings some 2.
    expect(of(fish('a', 8))).toEqual([]);
    expect(of(fish('a', 8), fish('b', 8))).toContain('overCeiling');
    const mushroom = { ...inQuarantine, id: 'c', speciesId: 'mushroom-anemone', count: 1 };
    expect(of(mushroom, fish('a', 16))).toEqual([]);
    expect(
      loadRisks(tank.doc, fish('a', 16), [fish('a', 16)], { ...e, water: quarantine }, assess(e), dayOf),
    ).toEqual([]);
  });
  test('a clock that is not full, with its days', () => {
    const doc = world(inQuarantine, 12);
    expect(admissionRisks(doc, inQuarantine, display, OPEN, Date.parse(at(11)), dayOf)).toEqual([
      { code: 'riskClock', name: 'Spare tank', day: 12, of: 28 },
    ]);
  });
  test('a sign that stands, with its day', () => {
    const doc = world(inQuarantine, 28);
    doc.looks.s = {
      id: 's',
      waterId: 'q',
      day: addDays(DAY0, 20),
      result: 'sign',
      signs: ['spots'],
      note: '',
    };
    expect(admissionRisks(doc, inQuarantine, display, OPEN, Date.parse(at(28)), dayOf)).toEqual([
      { code: 'riskSign', name: 'Spare tank', day: addDays(DAY0, 20) },
    ]);
  });
  test('no quarantine: from the wish list, from a bucket, from nowhere', () => {
    const wished = animal(FISH, [WISHED, at(0)]);
    expect(codes(world(wished, 0), wished, display, 3)).toEqual(['riskNoQuarantine']);
    const bucket = animal(FISH, [IN('h'), at(0)]);
    expect(codes(world(bucket, 0), bucket, display, 3)).toEqual(['riskNoQuarantine']);
    expect(codes(world(bucket, 0), { ...bucket, moves: [] }, display, 3)).toEqual(['riskNoQuarantine']);
  });
  test('a bucket on the way from a full clock is no other water; a week in it is', () => {
    const way = animal(FISH, [IN('q'), at(0)], [IN('h'), at(28, 10)]);
    expect(codes(world(way, 28), way, display, 28)).toEqual([]);
    expect(codes(world(way, 28), way, display, 35)).toEqual(['riskNoQuarantine']);
  });
  test('another display, a display that says wait, no lid over a jumper', () => {
    const moved = animal(FISH, [IN('o'), at(0)]);
    expect(codes(world(moved, 0), moved, display, 9)).toEqual(['riskOtherDisplay']);
    expect(codes(world(inQuarantine, 28), inQuarantine, display, 28, SHUT)).toEqual(['riskDisplay']);
    const snail = animal('turban-snail', [WISHED, at(0)]);
    const unfed = { ...OPEN, crew: { ...SHUT.crew, reason: { code: 'crewUnfed' as const } } };
    const ofSnail = (a: typeof OPEN) =>
      admissionRisks(world(snail, 0), snail, display, a, Date.parse(at(28)), dayOf).find(
        (r) => r.code === 'riskDisplay',
      );
    expect(ofSnail(unfed)).toMatchObject({ word: 'wait', crew: 'crewUnfed' });
    expect(ofSnail(SHUT)).not.toHaveProperty('crew');
    const jumper = { ...animal('firefish', [IN('q'), at(0)]), count: 1 };
    expect(codes(world(jumper, 28), jumper, { ...display, hasLid: false }, 28)).toEqual(['riskNoLid']);
  });
  test('an anemone only where the intakes are said to be guarded', () => {
    const anemone = animal('bubble-tip-anemone', [IN('q'), at(0)]);
    const old: Display = { ...display, startDay: '2025-01-01' };
    expect(codes(world(anemone, 28), anemone, old, 28)).toEqual(['riskIntakes']);
    expect(codes(world(anemone, 28), anemone, { ...old, intakesGuarded: true }, 28)).toEqual([]);
    const coral = animal('candy-cane', [IN('q'), at(0)]);
    expect(codes(world(coral, 28), coral, old, 28)).toEqual([]);
  });
  test('one that was set aside on arrival and is not sound yet', () => {
    const aside = { ...inQuarantine, asideSince: DAY0 };
    expect(codes(world(aside, 28), aside, display, 28)).toEqual(['riskAside']);
  });
  test('into a quarantine or a bucket nothing is risked', () => {
    const wished = animal(FISH, [WISHED, at(0)]);
    expect(codes(world(wished, 0), wished, quarantine, 1, SHUT)).toEqual([]);
    expect(codes(world(wished, 0), wished, holding, 1, SHUT)).toEqual([]);
  });
  test('a fish into a display that lies fallow after an outbreak; a snail may', () => {
    const outbreak = {
      id: 'e',
      waterId: 't',
      at: at(10),
      note: '',
      kind: 'incident' as const,
      what: 'outbreak' as const,
    };
    const doc = world(inQuarantine, 28, { events: { e: outbreak } });
    expect(codes(doc, inQuarantine, display, 28)).toEqual(['riskFallow']);
    // What keeps everybody out is said besides; the fallow time, which the display's own answer is for fish, only once.
    expect(codes(doc, inQuarantine, display, 28, SHUT)).toEqual(['riskFallow', 'riskDisplay']);
    const reason = { code: 'fishFallow' as const, day: 18, of: 76 };
    const fallow = { ...SHUT, fish: { ...SHUT.fish, reason } };
    expect(codes(doc, inQuarantine, display, 28, fallow)).toEqual(['riskFallow']);
    const snail = animal('turban-snail', [IN('q'), at(0)]);
    expect(codes(doc, snail, display, 28)).not.toContain('riskFallow');
  });
  test('any water that is an emergency itself', () => {
    const wished = animal(FISH, [WISHED, at(0)]);
    const real = assess(displayEvidence(provedHistory().doc, START_MS + 28.1 * DAY_MS));
    const living = { ...(real.living ?? {}), word: 'actNow' } as never;
    expect(codes(world(wished, 0), wished, quarantine, 1, { ...OPEN, living })).toEqual(['riskDisplay']);
  });
  test('copper: never for invertebrates and corals, in any water; fish may', () => {
    const copper: Treatment = {
      id: 'm',
      waterId: 'q',
      product: 'Reef blue',
      says: '',
      holds: 'copper',
      hides: [],
      startDay: '2020-01-01',
      endDay: '2020-02-01',
      per: null,
      given: [],
      filtersOff: false,
      filtersOnAt: null,
    };
    const treatments = { m: copper };
    for (const speciesId of ['turban-snail', 'toadstool-leather']) {
      const a = animal(speciesId, [WISHED, at(0)]);
      expect(codes(world(a, 0, { treatments }), a, quarantine, 1)).toEqual(['riskCopper']);
    }
    expect(codes(world(inQuarantine, 0, { treatments }), inQuarantine, quarantine, 1)).toEqual([]);
  });
});

describe('letting in', () => {
  const NEVER: Risk = { code: 'riskCopper', name: 'Spare tank' };
  const EARLY: Risk = { code: 'riskClock', name: 'Spare tank', day: 3, of: 28 };
  const let1 = (risks: Risk[], why: string, count = 3) =>
    admit([{ animal: inQuarantine, count, partId: 'b' }], display, { at: at(5), why, risksOf: () => risks });
  const entities = (edits: readonly Edit[]) => edits.flatMap((e) => ('put' in e ? [e.entity as Animal] : []));
  test('without a risk no reason is asked', () => {
    const said = let1([], '');
    expect(said.ok && entities(said.edits)[0]?.moves[2]).toEqual({ to: IN('t'), at: at(5), why: '' });
  });
  test('against the guard a reason is asked, and kept with what spoke against it', () => {
    expect(let1([EARLY], '  ')).toEqual({ ok: false, never: false });
    const said = let1([EARLY], 'the pump of the spare tank died');
    expect(said.ok && entities(said.edits)[0]?.moves[2]).toMatchObject({
      why: 'the pump of the spare tank died',
      against: ['riskClock'],
    });
  });
  test('a part takes its reason along, the rest stays as it was', () => {
    const said = let1([EARLY], 'a reason', 1);
    if (!said.ok) throw new Error('refused');
    const [stays, goes] = entities(said.edits);
    expect([stays?.count, stays?.moves]).toEqual([2, inQuarantine.moves]);
    expect([goes?.id, goes?.count, goes?.moves[2]?.why]).toEqual(['b', 1, 'a reason']);
  });
  test('copper is refused whatever the reason', () =>
    expect(let1([NEVER], 'I know')).toEqual({ ok: false, never: true }));
});

test('on no path, of any length, is an animal in a display against the guard without a reason', () => {
  const step = fc.record({
    to: fc.constantFrom('q', 'h', 't', 'o'),
    days: fc.integer({ min: 0, max: 30 }),
    why: fc.constantFrom('', '   ', 'because'),
    open: fc.boolean(),
  });
  fc.assert(
    fc.property(
      fc.array(step, { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 0, max: 60 }),
      (steps, clear) => {
        let doc = world(animal(FISH, [WISHED, at(0, 1)]), clear);
        let day = 0;
        for (const s of steps) {
          day += s.days;
          const a = doc.animals.a!;
          const to = doc.waters[s.to]!;
          const assessment = s.open ? OPEN : SHUT;
          const nowMs = Date.parse(at(day));
          const risksOf = (x: Animal) => admissionRisks(doc, x, to, assessment, nowMs, dayOf);
          const said = admit([{ animal: a, count: a.count, partId: 'p' }], to, {
            at: at(day),
            why: s.why,
            risksOf,
          });
          if (!said.ok) {
            expect(s.why.trim()).toBe('');
            expect(risksOf(a).length).toBeGreaterThan(0);
            continue;
          }
          const next = (said.edits[0] as { entity: Animal }).entity;
          const last = next.moves[next.moves.length - 1]!;
          // The slow reading of the rule: into a display only after 28 days seen clear, from the quarantine or a day after, and a display that says go.
          if (to.kind === 'display') {
            const left = [...a.moves].reverse().find((m) => !(m.to.kind === 'water' && m.to.waterId === 'h'));
            const fromQuarantine = left?.to.kind === 'water' && left.to.waterId === 'q';
            const sound = fromQuarantine && s.open && risksOf(a).length === 0;
            if (!sound) expect(last.why.trim().length > 0 && (last.against?.length ?? 0) > 0).toBe(true);
          }
          doc = { ...doc, animals: { a: next } };
        }
      },
    ),
    { seed: 13, numRuns: 200 },
  );
});
