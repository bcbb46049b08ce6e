/** A report of one water for someone who helps: what it is, how it is judged and why, what was measured, who lives in it, what is open. */
import {
  isIn,
  isNitrogen,
  isOpen,
  parameterName,
  parameterUnit,
  PARAMETERS,
  placeOf,
  quarantinesOf,
  type Document,
  type MonitorDay,
  type Parameter,
  type Water,
} from '../../../core/document';
import type { Point, WaterEvidence } from '../../../core/evidence';
import { dayStretch, monitoredAs, type Monitored, type Stretch } from '../../../core/monitor';
import type { Assessment } from '../../../core/readiness';
import { compared, DAY_MS } from '../../../core/time';
import { formatDecimal, showQuantity } from '../../../core/units';
import {
  animalWords,
  GATE_NAMES,
  KIND_WORDS,
  SCHOOL_WORDS,
  sentence,
  WORDS,
  type WordsContext,
} from '../../../core/words';
import { monitorScale, monitorValue } from '../../../core/words/monitor';
import { shownScale } from '../../../core/words/scale';
import type { SheetPart } from '../shell/sheetHtml';
import { type Band, PAPER_WIDTH, trendSvg } from './trendSvg';

export interface ReportFacts {
  doc: Document;
  water: Water;
  evidence: WaterEvidence;
  assessment: Assessment;
  netL: number;
  nowMs: number;
  words: WordsContext;
  /** Of the days that are drawn, what a device showed (`lastDays`). */
  device: DeviceDays;
}
export type DeviceDays = Partial<Record<Monitored, MonitorDay[]>>;

/** Days drawn. */
const DRAWN_DAYS = 90;
export const DRAWN: readonly Parameter[] = [
  'ammonia',
  'freeAmmonia',
  'nitrite',
  'nitrate',
  'alkalinity',
  'salinity',
  'temperature',
  'ph',
  'phosphate',
];

export const reportTitle = ({ water, words, nowMs }: ReportFacts): string =>
  `${water.name}, ${words.day(nowMs)}`;

export function reportLead({ assessment }: ReportFacts): string {
  const { living, fish } = assessment;
  return living ? `${WORDS[living.word]}. Of additions: ${WORDS[fish.word]}.` : `${WORDS[fish.word]}.`;
}

/** In order; what is drawn stands between the two. */
export const partsBefore = (f: ReportFacts): SheetPart[] =>
  [setUp(f), judged(f), measured(f)].filter(hasWords);
export const partsAfter = (f: ReportFacts): SheetPart[] => [lives(f), arrivals(f), open(f)].filter(hasWords);
const hasWords = ({ lines }: SheetPart): boolean => lines.length > 0;

export const reportParts = (f: ReportFacts): SheetPart[] => [
  ...partsBefore(f),
  ...DRAWN.flatMap((p) => drawn(f, p) ?? []),
  ...partsAfter(f),
];

/** In one look through all days of all devices: some ten thousand after ten years. */
export function lastDays(all: Document['monitorDays'], waterId: string, nowMs: number): DeviceDays {
  const from = new Date(nowMs - DRAWN_DAYS * DAY_MS).toISOString().slice(0, 10);
  const days: DeviceDays = {};
  for (const id in all) {
    const day = all[id];
    if (day && day.waterId === waterId && day.day >= from) (days[day.what] ??= []).push(day);
  }
  for (const of of Object.values(days)) of.sort((a, b) => compared(a.day, b.day));
  return days;
}

function setUp({ doc, water, netL, words, evidence }: ReportFacts): SheetPart {
  const volume = (litres: number) => showQuantity('volume', litres, words.units, 0);
  const { size } = water;
  const length = (cm: number) => showQuantity('length', cm, words.units, 0);
  const glass =
    size.kind === 'volume'
      ? ''
      : `, glass ${length(size.lengthCm)} × ${length(size.widthCm)} × ${length(size.waterHeightCm)} of water`;
  const parts = Object.values(doc.equipment).filter((e) => e.waterId === water.id && e.endedDay === null);
  const changes = evidence.changes.slice(-3);
  return {
    title: 'What it is',
    lines: [
      `${KIND_WORDS[water.kind]}, ${volume(netL)} of water${glass}.`,
      water.startDay === null ? 'Not filled yet.' : `Filled on ${words.written(water.startDay)}.`,
      ...(water.kind === 'display'
        ? [`Judged by: ${SCHOOL_WORDS[water.school].title}. ${SCHOOL_WORDS[water.school].rule}`]
        : []),
      ...(parts.length > 0 ? [`Equipment: ${parts.map((e) => e.name).join(', ')}.`] : []),
      ...(changes.length > 0
        ? [
            `Last changes: ${changes.map((c) => `${Math.round(100 * c.fraction)} % on ${words.day(c.atMs)}`).join(', ')}.`,
          ]
        : []),
    ],
  };
}

function judged({ assessment, words }: ReportFacts): SheetPart {
  const { living, fish, coral, gates } = assessment;
  const of = (name: string, j: { word: keyof typeof WORDS; reason: Parameters<typeof sentence>[0] }) =>
    `${name}: ${WORDS[j.word]}. ${sentence(j.reason, words)}`;
  return {
    title: 'How it is judged, and why',
    lines: [
      ...(living ? [of('The water', living)] : []),
      of('What may be added', fish),
      ...(gates.length > 0 ? [of('Corals', coral)] : []),
      ...gates.map((g) => `${GATE_NAMES[g.id].title}: ${where(g, words)}`),
    ],
  };
}

/** Where a gate stands, and by what. */
function where(g: ReportFacts['assessment']['gates'][number], words: ReportFacts['words']): string {
  if (g.status === 'ahead') return 'ahead.';
  const found = sentence(g.finding, words);
  if (g.status === 'here') return found;
  return `passed${g.passedMs ? ` on ${words.day(g.passedMs)}` : ''}: ${found}`;
}

/** Each parameter's newest reading with its kit, and what a device showed last. */
function measured(facts: ReportFacts): SheetPart {
  const { doc, evidence, words } = facts;
  const newest = PARAMETERS.flatMap((p): string[] => {
    const last = evidence.series[p].at(-1);
    const what = monitoredAs(p);
    const day = what && facts.device[what]?.at(-1);
    const shown = day && dayStretch(day);
    const name = parameterName(p, doc.ownParameters);
    return [
      ...(last
        ? [
            `${name}: ${valueWords(p, last, doc, words)} on ${words.day(last.atMs)}, by ${last.kit.name}${last.doubts.length > 0 ? ' (doubted)' : ''}.`,
          ]
        : []),
      ...(shown ? [`${name}, by the device: ${spanWords(shown, day.what, words)}.`] : []),
    ];
  });
  return { title: 'What was measured last', lines: newest };
}

const BAND_WORDS =
  'The grey band is the device, from the lowest to the highest of each day, its mean as a line.';
const LINE_WORDS = 'The black line is what was tested by hand.';

/** One parameter's course as far as it is drawn; null of a single reading. */
export function drawn(
  { doc, evidence, nowMs, words, device }: ReportFacts,
  p: Parameter,
  width: number = PAPER_WIDTH,
): SheetPart | null {
  const from = nowMs - DRAWN_DAYS * DAY_MS;
  const show = shownIn(p, words);
  const points = evidence.series[p].filter((x) => x.atMs >= from);
  const what = monitoredAs(p);
  const bands = ((what && device[what]) ?? []).flatMap((day) => shownOn(day, p, words) ?? []);
  if (points.length < 2 && bands.length < 2) return null;
  const name = parameterName(p, doc.ownParameters);
  return {
    title: `${name}, ${unitOf(p, doc, words) || 'no unit'}, ${DRAWN_DAYS} days`,
    lines: bands.length > 0 ? [`${BAND_WORDS}${points.length > 0 ? ` ${LINE_WORDS}` : ''}`] : [],
    svg: trendSvg(
      points.map((x) => ({ atMs: x.atMs, value: show(x.interval.mid) })),
      bands.map((b) => ({ ...b, fromMs: Math.max(from, b.fromMs) })),
      from,
      nowMs,
      words.day,
      name,
      width,
    ),
  };
}

const spanWords = ({ low, high, fromMs }: Stretch, what: Monitored, { units, day }: WordsContext): string =>
  `${monitorValue(what, low, units)} to ${monitorValue(what, high, units)} on ${day(fromMs)}`;

/** What a device showed on a day, in the person's units; null without a reading, or where a unit cannot say it. */
function shownOn(day: MonitorDay, p: Parameter, words: WordsContext): Band | null {
  const whole = dayStretch(day);
  if (!whole) return null;
  const show = shownIn(p, words);
  const [low, high] = [show(whole.low), show(whole.high)];
  return Number.isFinite(low + high) ? { ...whole, low, high, mean: show(whole.mean) } : null;
}

/** Nitrogen is drawn as N; others in the person's units. */
const shownIn = (p: Parameter, { units }: WordsContext): ((stored: number) => number) =>
  isNitrogen(p) ? (x) => x : shownScale(p, units).show;

const unitOf = (p: Parameter, doc: Document, { units }: WordsContext): string =>
  isNitrogen(p)
    ? 'mg/L N'
    : p === 'freeAmmonia'
      ? monitorScale(p, units).label
      : shownScale(p, units).label || parameterUnit(p, doc.ownParameters);

function valueWords(p: Parameter, point: Point, doc: Document, { units }: WordsContext): string {
  if (isNitrogen(p)) return `${point.text} mg/L as ${point.kit.basis ?? 'ion'}`;
  if (p === 'salinity' || p === 'temperature') return showQuantity(p, point.interval.mid, units);
  return `${formatDecimal(point.interval.mid, 2)} ${parameterUnit(p, doc.ownParameters)}`.trim();
}

function lives({ doc, water }: ReportFacts): SheetPart {
  const all = Object.values(doc.animals);
  const names = (list: typeof all) => list.map((a) => animalWords(doc, a)).join(', ');
  const here = all.filter((a) => isIn(a, water.id));
  const wished = all.filter((a) => a.homeId === water.id && placeOf(a).kind === 'wish');
  return {
    title: 'Who lives in it',
    lines: [
      here.length > 0 ? `${names(here)}.` : 'Nobody yet.',
      ...quarantinesOf(doc, water.id)
        .filter(isOpen)
        .flatMap((q) => {
          const inIt = all.filter((a) => isIn(a, q.id));
          return inIt.length > 0 ? [`In ${q.name}: ${names(inIt)}.`] : [];
        }),
      ...(wished.length > 0 ? [`Wished for: ${names(wished)}.`] : []),
    ],
  };
}

const arrivals = ({ doc, water, words }: ReportFacts): SheetPart => ({
  title: 'Arrivals',
  lines: Object.values(doc.purchases)
    .filter((p) => p.waterId === water.id)
    .sort((a, b) => compared(b.at, a.at))
    .slice(0, 10)
    .map((p) => {
      const came = p.animalIds.flatMap((id) => (doc.animals[id] ? [animalWords(doc, doc.animals[id])] : []));
      return `${words.day(Date.parse(p.at))}: ${came.join(', ') || 'nobody of them is left'}.`;
    }),
});

const open = ({ assessment, words, evidence }: ReportFacts): SheetPart => ({
  title: 'Open questions',
  lines: [
    ...assessment.alarms.map((a) => sentence(a, words)),
    ...(assessment.living ? [sentence(assessment.living.opens, words)] : []),
    sentence(assessment.fish.opens, words),
    ...PARAMETERS.flatMap((p) => {
      const doubted = evidence.series[p].filter((x) => x.doubts.length > 0).length;
      return doubted > 0
        ? [`${doubted} ${doubted === 1 ? 'reading' : 'readings'} of ${p} kept and not trusted.`]
        : [];
    }),
  ].filter((line, i, all) => line !== '' && all.indexOf(line) === i),
});
