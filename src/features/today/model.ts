/** Today's screen as plain data: rows of evidence from the tank's history. Tested without rendering. */
import { DAY_MS } from '../../../core/time';
import { isNitrogen, PARAMETER_NAMES, parameterUnit, type Kit, type Parameter } from '../../../core/document';
import { basisLabel, formatDecimal, showQuantity, type UnitPreferences } from '../../../core/units';
import { type Assessment, type Gate } from '../../../core/readiness';
import type { Point, WaterEvidence } from '../../../core/evidence';
import { GATE_NAMES, sentence, type WordsContext } from '../../../core/words';

export interface EvidenceRow {
  atMs: number;
  ammonia: string;
  nitrite: string;
  nitrate: string;
}

const shown = (p: Point | undefined): string => (p ? `${p.text}${p.doubts.length > 0 ? ' ?' : ''}` : '–');

/** The last few sittings with any nitrogen reading, newest first. "?" marks a reading kept but not trusted. */
export function evidenceRows(e: WaterEvidence, count: number): EvidenceRow[] {
  const atBySample = new Map<string, number>();
  const find = (points: readonly Point[]) =>
    new Map(
      points.slice(-3 * count).map((p) => {
        atBySample.set(p.sampleId, p.atMs);
        return [p.sampleId, p];
      }),
    );
  const ammonia = find(e.series.ammonia);
  const nitrite = find(e.series.nitrite);
  const nitrate = find(e.series.nitrate);
  return [...atBySample.entries()]
    .sort((a, b) => b[1] - a[1])
    .slice(0, count)
    .map(([id, atMs]) => ({
      atMs,
      ammonia: shown(ammonia.get(id)),
      nitrite: shown(nitrite.get(id)),
      nitrate: shown(nitrate.get(id)),
    }));
}

/** A newest value in the person's unit: nitrogen as its kit prints it, the rest as it is reckoned with, corrections laid over. */
export function readingWords(parameter: Parameter, point: Point, units: UnitPreferences): string {
  if (isNitrogen(parameter)) return `${point.text} mg/L`;
  if (parameter === 'salinity' || parameter === 'temperature')
    return showQuantity(parameter, point.interval.mid, units);
  return `${formatDecimal(point.interval.mid, 2)} ${parameterUnit(parameter, {})}`.trim();
}

/** "mg/L as NH₄, NO₂, NO₃ · ? kept, not trusted", from the kits last used. */
export function evidenceFootnote(e: WaterEvidence): string {
  const label = (s: 'ammonia' | 'nitrite' | 'nitrate') => {
    const last = e.series[s][e.series[s].length - 1];
    return basisLabel(s, last?.kit.basis ?? 'ion');
  };
  const doubted = (['ammonia', 'nitrite', 'nitrate'] as const).some((s) =>
    e.series[s].some((p) => p.doubts.length > 0),
  );
  return `mg/L as ${label('ammonia')}, ${label('nitrite')}, ${label('nitrate')}${doubted ? ' · ? kept, not trusted' : ''}`;
}

export interface StaffRow {
  id: string;
  title: string;
  note: string;
  status: Gate['status'];
}

/** Gates as marks of the staff, bottom to top. What the page says above already, the mark does not say again. */
export function staffRows(assessment: Assessment, words: WordsContext): StaffRow[] {
  const above = sentence(assessment.fish.reason, words);
  return assessment.gates.map((g) => ({
    id: g.id,
    title: GATE_NAMES[g.id].title,
    status: g.status,
    note:
      g.status === 'ahead' || (g.status === 'here' && sentence(g.finding, words) === above)
        ? GATE_NAMES[g.id].ahead
        : g.status === 'passed'
          ? `${sentence(g.finding, words)}${g.passedMs && !['bothClear', 'firstAnimals'].includes(g.id) ? ` · ${words.day(g.passedMs)}` : ''}`
          : sentence(g.finding, words),
  }));
}

/** What the log holds besides, in one line; null when the school asks for all there is. */
export function besidesWords(gates: readonly Gate[], words: WordsContext): string | null {
  const found = gates.map(
    (g) =>
      `${GATE_NAMES[g.id].title.toLowerCase()} (${sentence(g.finding, words).replace(/[.\s]+$/, '')}${g.passedMs ? `, ${words.day(g.passedMs)}` : ''})`,
  );
  return found.length === 0 ? null : `Also in the log, not asked by this school: ${found.join('; ')}.`;
}

/** The sitting that teaches most, as the forecast found it. */
export interface Telling {
  parameters: readonly Parameter[];
  atMs: number;
  /** Why, as a sentence. */
  why: string;
}

/** The next sitting in two lines: what to test, and why or with how many tests left. `weekday` names a day ("Fri 27 Nov"). */
export function testWords(
  due: readonly Parameter[],
  kitOf: (p: Parameter) => Kit | undefined,
  telling: Telling | null,
  nowMs: number,
  weekday: (ms: number) => string,
): { title: string; text: string } {
  const names = (list: readonly Parameter[]) => list.map((p) => PARAMETER_NAMES[p]).join(' and ');
  const ahead = telling === null ? Infinity : telling.atMs - nowMs;
  const tellsNow = ahead < DAY_MS / 2;
  if (due.length === 0) {
    if (!telling) return { title: 'No test is due', text: 'A reading is welcome all the same.' };
    const day = tellsNow ? 'today' : ahead < 1.5 * DAY_MS ? 'tomorrow' : `on ${weekday(telling.atMs)}`;
    return { title: `Test ${names(telling.parameters)} ${day}`, text: telling.why };
  }
  // What teaches most is named first.
  const first = telling ? telling.parameters.filter((p) => due.includes(p)) : [];
  const order = [...first, ...due.filter((p) => !first.includes(p))];
  const rest = order.slice(2).map((p) => PARAMETER_NAMES[p]);
  const waits = order.slice(0, 2).flatMap((p) => kitOf(p)?.waitMinutes ?? []);
  const few = order.flatMap((p) => {
    const left = kitOf(p)?.testsLeft;
    return left !== undefined && left <= 5
      ? [`${left} ${PARAMETER_NAMES[p]} test${left === 1 ? '' : 's'} left`]
      : [];
  });
  const parts = [
    ...(rest.length > 0
      ? [`and ${rest.slice(0, 3).join(', ')}${rest.length > 3 ? `, ${rest.length - 3} more` : ''}`]
      : []),
    ...(tellsNow && first[0] ? [`${PARAMETER_NAMES[first[0]]} tells the most`] : []),
    ...(waits.length > 0 && rest.length === 0 ? [`${Math.max(...waits)} min`] : []),
    ...few,
  ];
  return {
    title: `Test ${order
      .slice(0, 2)
      .map((p) => PARAMETER_NAMES[p])
      .join(' and ')}${order.length > 2 ? '' : ' today'}`,
    text: parts.join(' · ') || 'One sitting, kits in date.',
  };
}
