/** Writes docs/judgement.md: how the app judges, as a keeper would read it, with rules, limits and an example taken from the core. */
import { DEFAULT_TARGETS } from '../core/document';
import { INCIDENTS, SCHOOLS } from '../core/document/vocabulary';
import { LIVING } from '../core/living';
import { assessWater, RULES, SCHOOL_GATES } from '../core/readiness';
import { FREE_AMMONIA } from '../core/seawater';
import { History, START_MS } from '../core/testing/history';
import { fromMgNPerL, METRIC } from '../core/units';
import { GATE_NAMES, gateRule, INCIDENT_WORDS, SCHOOL_WORDS, sentence } from '../core/words';
import type { GateId } from '../core/statements';
import { writePage } from './page.mjs';

const DAY = 86_400_000;
const outside = ([low, high]: readonly [number, number]): string => `outside ${low} to ${high}`;
const watched = (p: 'temperature' | 'salinity' | 'ph' | 'alkalinity'): string => {
  const aim = DEFAULT_TARGETS[p];
  return aim ? outside([aim.alarmLow, aim.alarmHigh]) : '';
};

/** As kits print it, "1 mg/L". */
const printed = (p: 'ammonia' | 'nitrite', mgN: number): string =>
  `${Number(fromMgNPerL(p, 'ion', mgN).toFixed(2))} mg/L`;

/** A drift that is watched before it arrives. */
const drifting = `or drifting to the edge within ${LIVING.driftWatchDays} days`;

const LIMITS: readonly (readonly [string, string, string])[] = [
  [
    'free ammonia, mg NH₃-N/L',
    `from ${FREE_AMMONIA.longTerm}`,
    `from ${FREE_AMMONIA.act}; emergency from ${FREE_AMMONIA.emergency}`,
  ],
  [
    'total ammonia, mg N/L',
    'found twice running; once asks for a repeat',
    `from ${LIVING.totalActMgN} at any pH`,
  ],
  ['nitrite, mg N/L', `over ${LIVING.nitriteWatchMgN} twice running`, `from ${LIVING.nitriteActMgN}`],
  [
    'temperature, °C',
    `${watched('temperature')}; or ${LIVING.tempWatchRise} in ${LIVING.tempHours} h; or heading for the edge within ${LIVING.tempAheadHours} h`,
    `${outside(LIVING.tempActC)}; or ${LIVING.tempActRise} in ${LIVING.tempHours} h`,
  ],
  [
    'salinity, ppt',
    `${watched('salinity')}; or ${LIVING.salinityWatchPerDay} in a day; ${drifting}`,
    `${outside(LIVING.salinityAct)}, with invertebrates or corals ${outside(LIVING.salinityActDelicate)}; or ${LIVING.salinityActPerDay} in a day`,
  ],
  ['pH', `${watched('ph')}; under ${LIVING.phAfternoon} in the afternoon`, outside(LIVING.phAct)],
  [
    'alkalinity, dKH',
    `${watched('alkalinity')}; or ${LIVING.alkalinityWatchPerDay} in a day; ${drifting}`,
    `under ${LIVING.alkalinityActCorals} with corals`,
  ],
  ['oxygen, mg/L', `under ${LIVING.oxygenWatch}`, `under ${LIVING.oxygenAct}`],
];

/** A made-up emergency, as Today shows it. */
function example(): string[] {
  const h = new History('zeroZero').animal(-60, 'ocellaris-clownfish', 2);
  h.test(0, { ammonia: 0, nitrite: 0, salinity: 35, temperature: 25, alkalinity: 8, ph: 8.1 });
  h.test(1, { ammonia: 2, nitrite: 0, ph: 8.2, temperature: 25 });
  const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);
  const words = { units: METRIC, day: clock, written: (d: string) => d, hour: clock };
  const { living } = assessWater(h.doc, 't', START_MS + 1.01 * DAY);
  if (!living?.plan) throw new Error('the example must be one to act on');
  return [
    `**Act now.** ${sentence(living.reason, words)}`,
    '',
    ...living.plan.steps.map((s, i) => `${i + 1}. ${sentence(s, words)}`),
    '',
    ...living.plan.avoid.map((s) => `- ${sentence(s, words)}`),
    ...(living.plan.without ? [`- ${sentence(living.plan.without, words)}`] : []),
  ];
}

const GATES = [...new Set(SCHOOLS.flatMap((school) => SCHOOL_GATES[school]))] as GateId[];

const text = [
  '# How the app judges',
  '',
  'Written by `npm run pages` from the rules, limits and words of the core; checked with the tests. Numbers are common practice, never',
  'toxicology; where practitioners differ both sides stand in the app and the keeper chooses.',
  '',
  '## Two answers',
  '',
  'Of water with animals in it the app says two things, never mixed. *How is the water?* Steady, Watch, Test or Act now, for any water:',
  'display, quarantine, holding container. *May something be added?* Go, Go small, Wait or Test, for fish, cleaners and corals apart.',
  'While the water is not steady nothing is added. After an outbreak no fish is, before the display has stood without them for long enough;',
  'nor is any let back in whose own days in quarantine are clear sooner.',
  '',
  '## How the water is',
  '',
  `The newest trusted reading of each parameter is judged by itself, with its age: a test of tonight is never hidden by a clear pair of this`,
  `morning. A reading older than ${LIVING.staleDays} days alarms no more; it is asked for again. The worst stands first, in the order in which it kills.`,
  '',
  '| what | Watch | Act now |',
  '|---|---|---|',
  ...LIMITS.map((row) => `| ${row.join(' | ')} |`),
  '',
  `- Free ammonia is what a monitor of free ammonia shows, or is reckoned from the total (Bell et al. 2007). A pH of the same time counts;`,
  `  of older ones the highest of the week; where none was read, ${LIVING.assumedPh}.`,
  '- A kit’s zero is "below what it shows". One that hides too much closes no gate, and a meter within its own error around nothing does not',
  '  hold one shut. One trace between two zeros is a misreading; two running are not.',
  '- Where the person set aims of their own for a water, watching follows them; in a display nobody’s own range silences an Act now.',
  '- A change is mixed in: what is left is said to be *expected*, and a test is asked for, an hour after for ammonia.',
  '',
  '**Test** is the word when something happened and nobody has looked since, at once and the day after, each by name: an animal lost or not',
  `seen, ${INCIDENTS.map((i) => INCIDENT_WORDS[i].toLowerCase()).join(', ')}; when much of the water was changed; and when nothing was tested`,
  `for too long (ammonia ${LIVING.ammoniaEarlyDays} days in the month after an addition, ${LIVING.ammoniaLaterDays} later, ${LIVING.bareDays} in a bare quarantine).`,
  '',
  '## Act now',
  '',
  'An ordered list, safest and fastest first, with amounts for this water. How much to change is judged by the free ammonia *after* mixing:',
  'salt, heat, alkalinity and inorganic carbon mix, pH follows from them, and free ammonia can rise while the total falls. Where half does',
  'not do it the next changes are planned; where even nine tenths would not, the animals are moved. With animals in no sentence anywhere',
  'asks for ammonia, and no medicine is ever named.',
  '',
  'A made-up tank of 100 L with two clownfish:',
  '',
  ...example(),
  '',
  '## The start',
  '',
  'A start is a history: gates in order, each passed once, with its evidence. Once animals are in, the gates before them are judged as things',
  'stood when they came; nothing that happens in a living tank takes one back, and one that was not shown by then stands as skipped. Weeks of',
  'zeros with fed animals in then stand for it before the next addition.',
  '',
  'Evidence of a rise is ammonia measured, nitrite measured (it is ammonia oxidised), or a source known to have been there together with',
  'nitrate found after it. A rise nobody saw is taken by the schools that end in a proof or a hold, and said. A dose given into water that was',
  'not clear is food; one given once both had read zero is a proof.',
  '',
  `On the way to a 24-hour proof no day is waited out unfed: the next dose is asked for as soon as ammonia reads ${printed('ammonia', RULES.feedAmmoniaMgN)} or less`,
  `and nitrite ${printed('nitrite', RULES.feedNitriteMgN)} or less. Where both read zero once, the test a day after that dose is the second clear one and the proof in one. With`,
  `${printed('ammonia', RULES.nearAmmoniaMgN)} of ammonia and ${printed('nitrite', RULES.nearNitriteMgN)} of nitrite left, or less, both are asked for daily, else every second day (figures in [practice.md](practice.md)).`,
  '',
  '| gate | rule |',
  '|---|---|',
  ...GATES.map((id) => `| ${GATE_NAMES[id].title} | ${gateRule(id, METRIC)} |`),
  '',
  '| school | its gates | why |',
  '|---|---|---|',
  ...SCHOOLS.map(
    (s) =>
      `| ${SCHOOL_WORDS[s].title} | ${SCHOOL_GATES[s].map((id) => GATE_NAMES[id].title.toLowerCase()).join(', ')} | ${SCHOOL_WORDS[s].reason} |`,
  ),
  '',
  '## How it is tried',
  '',
  '- `core/readiness/situations.test.ts`: over a hundred and twenty situations with word, reason and what must not be said, in both unit systems.',
  '- `core/readiness/properties.test.ts`: with animals in no statement asks for a dose; a worse reading is never milder; an unrelated entry',
  '  changes nothing; what speaks for a tank taken away never lets something in; what was passed stays passed.',
  '- `npm run accuracy -- --keeper`: a keeper who does what the app says and nothing else, on sixty tanks of another making for 120 days, with',
  '  every school, charts and meters, and mishaps (a dead bottle, a stuck heater, a spill, a death, a change with water of 29 ppt, a power',
  '  cut); and thirty quiet tanks for a year. Last measured on seeds 1 to 60, 1001 to 1060 and 5001 to 5060: no dose onto animals, free ammonia',
  '  over 0.05 never, none lost, at most 13 days on one sentence while the water was clear, every tank that was truly ready for two weeks',
  '  stocked; in ninety quiet years no false Act now and one false Watch. Since both are asked for in one sitting, measured again on',
  '  seeds 1 to 60: the same, at most 14 days on one sentence, 58 stocked, thirty quiet years without a false word.',
  '- `npx tsx bench/practice.mts`: the nine practice tanks, played by the app’s advice alone; [practice.md](practice.md).',
  '',
].join('\n');

await writePage('docs/judgement.md', text, 'npm run pages');
