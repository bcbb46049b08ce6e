import { QUICK_FIT } from '../../../core/testing/quickFit';
import { answerNow } from '../../../core/forecast';
import { DAY, History, START_MS } from '../../../core/testing/history';
import type { Likely } from './likely';
import { keptOf } from '../shell/quietForecast';
import { likelyWords } from './likelyWords';

const day = (ms: number) => `day ${Math.round(ms / DAY)}`;
const likely = (bothClear: Likely['bothClear'], ready: Likely['ready']): Likely => ({
  inputs: '0123456789abcdef',
  atMs: 0,
  horizonDays: 90,
  proved: false,
  bothClear,
  ready,
  luck: { ready: 0, bothClear: 0 },
  nextTest: null,
  additions: { addedMgN: [], peakMgN: [] },
  surprises: [],
});
const never = { p10: null, p50: null, p90: null };

test.each([
  [
    'both ahead, then the proof',
    likely({ p10: 2, p50: 4, p90: 9 }, { p10: 8, p50: 12, p90: null }),
    false,
    'Both clear day 2 to day 9, likely day 4',
    'A proof of 2 mg/L would pass from day 8, likely day 12.',
  ],
  [
    'no proof in sight',
    likely({ p10: 2, p50: 4, p90: 9 }, never),
    false,
    'Both clear day 2 to day 9, likely day 4',
    '',
  ],
  [
    'clear already: the proof is what is waited for',
    likely({ p10: 0, p50: 0, p90: 0 }, { p10: 5, p50: 7, p90: 9 }),
    false,
    'Proof passes day 5 to day 9, likely day 7',
    '',
  ],
  [
    'perhaps ready',
    likely({ p10: 0, p50: 0, p90: 0 }, { p10: 0, p50: 3, p90: 9 }),
    true,
    'Proof passes now to day 9, likely day 3',
    'It may be ready today: a proof dose, once both read zero, would tell.',
  ],
  [
    'likely ready',
    likely({ p10: 0, p50: 0, p90: 0 }, { p10: 0, p50: 0, p90: 2 }),
    true,
    'A proof dose would likely be cleared now',
    'Once both read zero, dose 2 mg/L and test a day later.',
  ],
  [
    'nothing in sight',
    likely(never, never),
    false,
    'Both clear: not in sight within 90 days as things go.',
    '',
  ],
])('%s', (_what, l, atProof, said, more) => {
  expect(likelyWords(l, atProof, day, false)).toMatchObject({ said, more });
});

test('what is kept of an answer can be written and read back whole', () => {
  const h = new History()
    .test(0, { ammonia: 0, nitrite: 0 })
    .dose(1, 2)
    .test(4, { ammonia: 2, nitrite: 0 })
    .test(9, { ammonia: 1, nitrite: 1 });
  const ask = {
    waterId: 't',
    atMs: START_MS + 10 * DAY,
    seed: 1,
    horizonDays: 60,
    plan: 'dose' as const,
    loadMgN: null,
    options: QUICK_FIT,
  };
  const kept = keptOf('0123456789abcdef', answerNow(h.doc, ask));
  expect(JSON.parse(JSON.stringify(kept))).toEqual(kept);
  expect(keptOf('0123456789abcdef', answerNow(new History().doc, ask))).toEqual({
    inputs: '0123456789abcdef',
    cannotSay: true,
  });
});

test('a likely day is said no finer than it is known', () => {
  const l = likely({ p10: 2, p50: 10, p90: 19 }, { p10: 8, p50: 30, p90: null });
  const said = likelyWords({ ...l, luck: { ready: 3, bothClear: 0.2 } }, false, day, false);
  expect(said.said).toBe('Both clear day 2 to day 19, likely day 10');
  expect(said.more).toBe('A proof of 2 mg/L would pass from day 8, likely between day 24 and day 36.');
});

test('with animals in no proof is spoken of, at any gate', () => {
  const now = { p10: 0, p50: 0, p90: 0 };
  for (const atProof of [true, false])
    for (const ready of [now, never]) {
      const said = likelyWords(likely(now, ready), atProof, day, true);
      expect(`${said.said} ${said.more}`).toMatch(/^Both clear/);
      expect(`${said.said} ${said.more}`).not.toMatch(/dose|proof/i);
    }
});
