import fc from 'fast-check';
import { GONE, SCHOOLS, STARTER_KITS } from '../document';
import { documents } from '../testing/arbitraries';
import { DAY, displayEvidence, History, provedHistory, START_MS } from '../testing/history';
import { UTC } from '../time';
import { METRIC } from '../units';
import { gatherEvidence, meantAsProof, nothingLeft } from '../evidence';
import { sentence } from '../words';
import { assessWater, besides, type Assessment } from './index';

const judge = (h: History, day: number): Assessment => assessWater(h.doc, 't', START_MS + day * DAY);
const here = (a: Assessment) => a.gates.find((g) => g.status === 'here')?.id;
const context = { units: METRIC, day: () => '1 Jan', written: () => '1 Jan', hour: () => 'Thu 20:00' };

describe('the way through the gates by the 24-hour proof', () => {
  test('an empty log asks for sea water first', () => {
    const a = judge(new History(), 0);
    expect(here(a)).toBe('seaWater');
    expect(a.fish).toMatchObject({ word: 'test', opens: { parameters: ['temperature', 'salinity'] } });
  });
  test('zeros on day one mean nothing', () => {
    const a = judge(
      new History().water(0, { ammonia: 0, nitrite: 0 }).water(1, { ammonia: 0, nitrite: 0, nitrate: 5 }),
      1.1,
    );
    expect(here(a)).toBe('ammoniaFalling');
    expect(a.fish).toMatchObject({ word: 'wait', reason: { code: 'zeroMeansNothing' } });
  });
  test('a dose, a rise and a fall open the first gates in turn', () => {
    const h = new History().water(0).dose(1, 2).test(2, { ammonia: 2, nitrite: 0 });
    expect(here(judge(h, 2.1))).toBe('ammoniaFalling');
    expect(here(judge(h.test(7, { ammonia: 0.5, nitrite: 2 }), 7.1))).toBe('nitriteFalling');
    expect(here(judge(h.test(12, { ammonia: 0, nitrite: 1 }), 12.1))).toBe('bothClear');
  });
  test('a fall that a water change explains is no fall', () => {
    const h = new History()
      .water(0)
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0 })
      .event(3, { kind: 'waterChange', litres: 50 })
      .test(3.1, { ammonia: 1, nitrite: 0 });
    expect(here(judge(h, 3.2))).toBe('ammoniaFalling');
  });
  test('both clear needs two sittings a day apart with nitrate to show for it', () => {
    const h = new History()
      .water(0)
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(10, { ammonia: 0.25, nitrite: 2 })
      .test(15, { ammonia: 0, nitrite: 0, nitrate: 10 });
    expect(judge(h, 15.1).fish).toMatchObject({ word: 'wait', reason: { code: 'oneZeroOfTwo' } });
    expect(here(judge(h.test(15.3, { ammonia: 0, nitrite: 0 }), 15.4))).toBe('bothClear');
    expect(here(judge(h.test(16, { ammonia: 0, nitrite: 0 }), 16.1))).toBe('proof');
  });
  test('two zeros without nitrate ask for nitrate', () => {
    const h = new History()
      .water(0)
      .dose(1, 2)
      .test(2, { ammonia: 2, nitrite: 0 })
      .test(10, { ammonia: 0.25, nitrite: 2 })
      .test(15, { ammonia: 0, nitrite: 0, nitrate: 0 })
      .test(17, { ammonia: 0, nitrite: 0, nitrate: 0 });
    expect(judge(h, 17.1).fish).toMatchObject({ word: 'test', reason: { code: 'noNitrateYet' } });
  });
  test('the proof passes at 24 h, waits while it runs, fails when something is left', () => {
    const before = () => provedHistory();
    const running = before();
    delete running.doc.samples[Object.keys(running.doc.samples).pop() ?? ''];
    expect(judge(running, 27.5).fish).toMatchObject({ word: 'wait', reason: { code: 'proofRunning' } });
    expect(judge(running, 28).fish).toMatchObject({ word: 'test', reason: { code: 'proofRunning' } });
    expect(judge(running.test(28, { ammonia: 0, nitrite: 0.5 }), 28.2).fish.reason.code).toBe('proofFailed');
    expect(judge(before(), 28.1).gates.find((g) => g.id === 'proof')?.status).toBe('passed');
  });
  test('cleared only within 48 h satisfies the lenient, not us', () => {
    const h = provedHistory();
    delete h.doc.samples[Object.keys(h.doc.samples).pop() ?? ''];
    h.test(28, { ammonia: 0, nitrite: 0.5 }).test(28.9, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 29).fish.reason.code).toBe('proofIn48');
  });
  test('a proof three weeks old with nothing fed since has faded', () => {
    const h = provedHistory().water(50, { ammonia: 0, nitrite: 0, nitrate: 20 });
    expect(judge(h, 50.1).fish.reason.code).toBe('proofFaded');
  });
  test('proof and reset done, the first small step may go', () => {
    expect(judge(provedHistory(), 28.1)).toMatchObject({
      fish: { word: 'goSmall' },
      coral: { word: 'goSmall' },
    });
  });
  test('while a proof dose runs nothing asks for another, for corals neither', () => {
    // Read before it has spread.
    const h = provedHistory().water(34, { ammonia: 0, nitrite: 0 }).dose(35, 2).test(35.05, { ammonia: 0 });
    expect(judge(h, 35.2).coral).toMatchObject({
      word: 'wait',
      reason: { code: 'coralBeforeDose' },
      opens: { code: 'proofTestAt', atMs: START_MS + 36 * DAY },
    });
  });
  test('what the next animals rest on is asked for in one sitting, not one after the other once each is read', () => {
    const due = (day: number) => judge(provedHistory(), day).due;
    // Ammonia every other day; what else lets somebody in is three days old by tonight.
    expect(due(30.5)).toEqual(expect.arrayContaining(['ammonia', 'nitrite']));
    expect(due(30.5)).not.toContain('nitrate');
    expect(due(30.8)).toEqual(expect.arrayContaining(['ammonia', 'nitrite', 'nitrate', 'alkalinity']));
    // Where something else keeps them out it is not hurried.
    const settling = provedHistory().animal(29, 'turban-snail', 3).water(30, { ammonia: 0, nitrite: 0 });
    settling.water(32, { ammonia: 0 });
    expect(judge(settling, 34.8).due).not.toContain('nitrite');
  });
  test('after the first animals: tests on days 1, 3 and 7, a week between steps', () => {
    const h = provedHistory().animal(29, 'turban-snail', 3);
    // Nobody has tested since: that ammonia is at zero is not said.
    expect(judge(h, 29.2).fish).toMatchObject({
      word: 'wait',
      reason: { code: 'stepSettling', isClear: false },
    });
    expect(judge(h, 30).fish).toMatchObject({ word: 'test', reason: { code: 'stepTestDue' } });
    h.water(30, { ammonia: 0, nitrite: 0 }).water(32, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 32.2).fish.reason).toMatchObject({ code: 'stepSettling', isClear: true });
    h.water(36, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 36.2).fish.reason.code).toBe('stepSettling');
    expect(judge(h.water(43, { ammonia: 0, nitrite: 0 }), 43.2).fish.word).toBe('goSmall');
  });
});

describe('what makes the judgement more careful', () => {
  test('tests over three days old', () => {
    expect(judge(provedHistory(), 31.5).fish).toMatchObject({ word: 'test' });
    expect(judge(provedHistory(), 31.5).coral).toMatchObject({ word: 'test' });
  });
  test('an expired kit', () => {
    const kits = STARTER_KITS.map((k) => (k.parameter === 'ammonia' ? { ...k, expires: '2025-12-31' } : k));
    const h = provedHistory();
    h.doc.kits = Object.fromEntries(kits.map((k) => [k.id, k]));
    const a = judge(h, 28.1);
    expect(['goSmall', 'go']).not.toContain(a.fish.word);
    expect(a.alarms.some((f) => f.code === 'expiredKit')).toBe(true);
  });
  test('nitrate read while nitrite is present is not counted', () => {
    const a = judge(
      new History()
        .water(0)
        .dose(1, 2)
        .test(2, { ammonia: 2, nitrite: 0 })
        .test(9, { ammonia: 0.25, nitrite: 2, nitrate: 40 }),
      9.1,
    );
    expect(a.alarms.map((f) => f.code)).toContain('nitrateDoubted');
  });
  test('alkalinity under 7 dKH', () => {
    const a = judge(provedHistory().test(28.05, { alkalinity: 6.4 }), 28.1);
    expect(a.fish).toMatchObject({ word: 'wait', reason: { code: 'alkalinityLow' } });
    expect(a.coral.word).toBe('wait');
  });
  test('free ammonia with animals in the tank: act now', () => {
    const h = provedHistory()
      .animal(29, 'ocellaris-clownfish')
      .water(31, { ammonia: 2, nitrite: 0, ph: 8.2 });
    expect(judge(h, 31.1)).toMatchObject({
      living: { word: 'actNow', reason: { code: 'freeAmmoniaAct' } },
      fish: { word: 'wait' },
      coral: { word: 'wait' },
    });
  });
  test('ammonia at 5 mg/L or more: dose no more', () => {
    expect(
      judge(new History().water(0).dose(1, 6).test(2, { ammonia: 'over', nitrite: 0 }), 2.1).alarms.map(
        (f) => f.code,
      ),
    ).toContain('ammoniaTooHigh');
  });
  test('a dose after the last test, or nitrogen in it, is no go', () => {
    expect(judge(provedHistory().dose(28.2, 1), 28.4).fish.word).toBe('test');
    expect(
      judge(provedHistory().dose(28.2, 1).test(28.4, { ammonia: 0.5, nitrite: 0 }), 28.5).fish.word,
    ).toBe('wait');
  });
  test('a death asks for an ammonia test', () => {
    const h = provedHistory().animal(29, 'turban-snail').water(30, { ammonia: 0, nitrite: 0 });
    const animal = Object.values(h.doc.animals)[0];
    if (animal)
      h.doc.animals[animal.id] = {
        ...animal,
        moves: [...animal.moves, { to: GONE('died'), at: h.at(30.5), why: '' }],
      };
    expect(judge(h, 30.6).living).toBeNull();
    h.animal(29, 'turban-snail');
    expect(judge(h, 30.6).living).toMatchObject({ word: 'test', reason: { code: 'deathAsksTest' } });
  });
  test('a trace between 0 and the first step is not a zero', () => {
    const h = provedHistory().test(28.05, { ammonia: [0, 0.25], nitrite: 0 });
    expect(['go', 'goSmall']).not.toContain(judge(h, 28.1).fish.word);
  });
});

describe('schools', () => {
  test('zero-zero skips the proof; patient waits two weeks', () => {
    const until26 = (s: Parameters<typeof provedHistory>[0]) => {
      const h = provedHistory(s);
      for (const [id, e] of Object.entries(h.doc.events)) if (e.at > h.at(26.5)) delete h.doc.events[id];
      return h;
    };
    expect(judge(until26('zeroZero'), 28.1).fish.word).toBe('goSmall');
    expect(here(judge(until26('patient'), 28.1))).toBe('settle');
    expect(here(judge(until26('watchGlass'), 28.1))).toBe('film');
    expect(here(judge(until26('proof24'), 28.1))).toBe('proof');
  });
  test('what another school would count is shown all the same', () => {
    const at = (school: Parameters<typeof provedHistory>[0], day: number) =>
      besides(
        displayEvidence(
          provedHistory(school)
            .event(20, { kind: 'film', film: 'green', extent: 2 })
            .event(1, { kind: 'bacteria', seed: 'bottle', mL: 50 }).doc,
          START_MS + day * DAY,
        ),
        UTC.dayOf,
      );
    expect(at('zeroZero', 28.1).map((g) => g.id)).toEqual(['film', 'bacteria', 'proof']);
    expect(at('proof24', 28.1).map((g) => g.id)).toEqual(['film', 'bacteria']);
    expect(at('firstFish', 28.1).map((g) => g.id)).toContain('proof');
    for (const school of SCHOOLS)
      for (const g of at(school, 28.1)) expect(sentence(g.finding, context)).not.toMatch(/undefined|NaN/);
  });
  test('mature transfer: moved, fed, three daily zeros', () => {
    const h = new History('matureTransfer').water(0).event(1, { kind: 'bacteria', seed: 'media', mL: null });
    expect(here(judge(h, 1.1))).toBe('dailyClear');
    h.event(1.2, { kind: 'food', food: 'pellets', grams: 0.3 });
    for (const day of [2, 3, 4]) h.water(day, { ammonia: 0, nitrite: 0, nitrate: 5 });
    expect(judge(h, 4.1).fish.word).toBe('goSmall');
  });
  test('bottle with first fish: bacteria first, then one small fish, tested daily', () => {
    const h = new History('firstFish').water(0, { ammonia: 0, nitrite: 0 });
    expect(judge(h, 0.1).fish.reason.code).toBe('noBacteria');
    h.event(0.2, { kind: 'bacteria', seed: 'bottle', mL: 50 });
    expect(judge(h, 0.3)).toMatchObject({ fish: { word: 'goSmall', reason: { code: 'oneSmallFishDaily' } } });
  });
  test('corals first lets a hardy coral in when the water is steady, while fish wait', () => {
    const h = new History('coralsFirst').water(0, { ammonia: 0 }).water(3, { ammonia: 0, nitrite: 0 });
    const a = judge(h, 3.1);
    expect(a.coral.word).toBe('goSmall');
    expect(a.fish.word).not.toMatch(/go/);
  });
});

describe('whatever was logged', () => {
  test('every finding has words and no go is said on unmeasured or stale nitrogen', () => {
    fc.assert(
      fc.property(documents, fc.constantFrom(...SCHOOLS), (doc, school) => {
        for (const water of Object.values(doc.waters)) {
          const nowMs = Date.UTC(2026, 10, 2);
          let assessment: Assessment;
          try {
            assessment = assessWater(
              water.kind === 'display'
                ? { ...doc, waters: { ...doc.waters, [water.id]: { ...water, school } } }
                : doc,
              water.id,
              nowMs,
            );
          } catch (error) {
            // Rock that fills the tank is refused by the form; nothing else may throw.
            expect(String(error)).toContain('displace more');
            continue;
          }
          for (const f of [
            assessment.fish.reason,
            assessment.fish.opens,
            assessment.coral.reason,
            assessment.coral.opens,
            ...assessment.alarms,
            ...assessment.gates.map((g) => g.finding),
          ]) {
            const words = sentence(f, context);
            expect(words.length).toBeGreaterThan(3);
            expect(words).not.toMatch(/NaN|undefined|Infinity/);
          }
          if (assessment.fish.word === 'go' || assessment.fish.word === 'goSmall') {
            const fresh = Object.values(doc.samples).some(
              (s) =>
                s.waterId === water.id &&
                nowMs - Date.parse(s.at) <= 3 * DAY &&
                s.readings.some((r) => r.parameter === 'ammonia' && r.value.kind === 'exact'),
            );
            expect(fresh).toBe(true);
          }
        }
      }),
      { seed: 71, numRuns: 150 },
    );
  });
});

test('a dose into what is left to clear was not meant as a proof; one after both read zero was', () => {
  const early = new History()
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0 })
    .test(8, { ammonia: 0, nitrite: 2 })
    .dose(8.1, 2)
    .test(9.1, { ammonia: 0, nitrite: 5 });
  const at = (h: History, day: number) => gatherEvidence(h.doc, 't', START_MS + day * DAY);
  expect(meantAsProof(at(early, 10), START_MS + 8.1 * DAY)).toBe(false);
  expect(nothingLeft(at(early, 10))).toBe(false);
  early.test(20, { ammonia: 0, nitrite: 0 }).dose(21, 2);
  expect(nothingLeft(at(early, 22))).toBe(true);
  expect(meantAsProof(at(early, 22), START_MS + 21 * DAY)).toBe(true);
  // A zero before any rise says nothing, here either.
  expect(
    meantAsProof(at(new History().test(0, { ammonia: 0, nitrite: 0 }).dose(1, 2), 2), START_MS + DAY),
  ).toBe(false);
});
