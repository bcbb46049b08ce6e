/** Today's screen as plain data: rows of evidence from the tank's history. Tested without rendering. */
import { basisLabel } from '../../../core/units';
import { GATE_NAMES, sentence, type Assessment, type Point, type TankEvidence, type WordsContext } from '../../../core/readiness';

export interface EvidenceRow {
  atMs: number;
  ammonia: string;
  nitrite: string;
  nitrate: string;
}

const shown = (p: Point | undefined): string => (p ? `${p.text}${p.doubts.length > 0 ? ' ?' : ''}` : '–');

/** The last few sittings with any nitrogen reading, newest first. "?" marks a reading kept but not trusted. */
export function evidenceRows(e: TankEvidence, count: number): EvidenceRow[] {
  const atBySample = new Map<string, number>();
  const find = (points: readonly Point[]) => new Map(points.slice(-3 * count).map((p) => {
    atBySample.set(p.sampleId, p.atMs);
    return [p.sampleId, p];
  }));
  const ammonia = find(e.series.ammonia);
  const nitrite = find(e.series.nitrite);
  const nitrate = find(e.series.nitrate);
  return [...atBySample.entries()]
    .sort((a, b) => b[1] - a[1])
    .slice(0, count)
    .map(([id, atMs]) => ({ atMs, ammonia: shown(ammonia.get(id)), nitrite: shown(nitrite.get(id)), nitrate: shown(nitrate.get(id)) }));
}

/** "mg/L as NH₄, NO₂, NO₃ · ? kept, not trusted", from the kits last used. */
export function evidenceFootnote(e: TankEvidence): string {
  const label = (s: 'ammonia' | 'nitrite' | 'nitrate') => {
    const last = e.series[s][e.series[s].length - 1];
    return basisLabel(s, last?.kit.basis ?? 'ion');
  };
  const doubted = (['ammonia', 'nitrite', 'nitrate'] as const).some((s) => e.series[s].some((p) => p.doubts.length > 0));
  return `mg/L as ${label('ammonia')}, ${label('nitrite')}, ${label('nitrate')}${doubted ? ' · ? kept, not trusted' : ''}`;
}

export interface StaffRow {
  id: string;
  title: string;
  note: string;
  status: 'passed' | 'here' | 'ahead';
}

/** Gates as marks of the staff, bottom to top. */
export function staffRows(assessment: Assessment, words: WordsContext): StaffRow[] {
  return assessment.gates.map((g) => ({
    id: g.id,
    title: GATE_NAMES[g.id].title,
    status: g.status,
    note: g.status === 'ahead' ? GATE_NAMES[g.id].ahead : g.status === 'passed' ? `${sentence(g.finding, words)}${g.passedMs && !['bothClear', 'firstAnimals'].includes(g.id) ? ` · ${words.day(g.passedMs)}` : ''}` : sentence(g.finding, words),
  }));
}
