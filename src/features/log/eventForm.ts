/** Events as texts, and from texts to an event or to faults. Plain functions, tested without rendering. */
import { FILMS, FOODS, MAX_NOTE, SEEDS, type EventKind, type TankEvent } from '../../../core/document';
import { DOSE_CEILING_MG_N_PER_L } from '../../../core/dosing';
import { SCHOOL_WORDS } from '../../../core/readiness';
import { formatDecimal, fromMgNPerL, readEntry, showQuantity, toMgNPerL, toUnit, type UnitPreferences } from '../../../core/units';

export const LOGGABLE = ['ammoniaDose', 'bacteria', 'food', 'seafoodOut', 'waterChange', 'topOff', 'film', 'note'] as const;
export type Loggable = (typeof LOGGABLE)[number];

export const EVENT_WORDS: Record<EventKind, string> = {
  ammoniaDose: 'Ammonia dose', bacteria: 'Bacteria added', food: 'Food or seafood in', seafoodOut: 'Seafood out', waterChange: 'Water change',
  topOff: 'Top-off', film: 'Film on glass and rock', note: 'Note', schoolChanged: 'School changed',
};
export const SEED_WORDS: Record<(typeof SEEDS)[number], string> = { bottle: 'Bottle', media: 'Media from a running tank', rock: 'Rock from a running tank', liveSand: 'Live sand' };
export const FOOD_WORDS: Record<(typeof FOODS)[number], string> = { pellets: 'Pellets, dry', frozen: 'Frozen', seafood: 'Raw seafood' };
export const FILM_WORDS: Record<(typeof FILMS)[number], string> = { brown: 'Brown film', green: 'Green film', hair: 'Hair algae', slime: 'Slime', stringy: 'Stringy brown', coralline: 'Coralline' };

export interface EventTexts {
  kind: Loggable;
  /** mg/L as NH4, millilitres, grams or a volume, by kind. */
  amount: string;
  seed: (typeof SEEDS)[number];
  food: (typeof FOODS)[number];
  film: (typeof FILMS)[number];
  extent: '0' | '1' | '2' | '3' | '4';
  atText: string;
  note: string;
}

export const emptyEvent = (kind: Loggable): EventTexts => ({ kind, amount: '', seed: 'bottle', food: 'pellets', film: 'brown', extent: '1', atText: '', note: '' });

/** Label and unit of the amount, null where there is none. */
export function amountOf(kind: Loggable, units: UnitPreferences): { label: string; unit: string; optional: boolean } | null {
  switch (kind) {
    case 'ammoniaDose':
      return { label: 'Rise it should make', unit: 'mg/L NH₄', optional: false };
    case 'bacteria':
      return { label: 'Amount', unit: 'mL', optional: true };
    case 'food':
      return { label: 'Amount as given', unit: 'g', optional: false };
    case 'waterChange':
    case 'topOff':
      return { label: 'Amount', unit: units.volume === 'gal' ? 'gal' : 'L', optional: false };
    default:
      return null;
  }
}

export type ReadEvent = { ok: true; event: TankEvent } | { ok: false; faults: { amount?: string; at?: string; note?: string } };

export function readEvent(t: EventTexts, c: { id: string; tankId: string; netL: number; units: UnitPreferences; nowMs: number; readTime: (text: string) => number | null }): ReadEvent {
  const faults: { amount?: string; at?: string; note?: string } = {};
  let atMs = c.nowMs;
  if (t.atText !== '') {
    const read = c.readTime(t.atText);
    if (read === null) faults.at = 'That is no date and time. Choose both.';
    else if (read > c.nowMs + 60_000) faults.at = 'That lies in the future. Log it when it is done.';
    else atMs = read;
  }
  if (t.note.length > MAX_NOTE) faults.note = `The note is too long: ${MAX_NOTE} characters is the most.`;
  if (t.kind === 'note' && t.note.trim() === '') faults.note = 'Write what you noticed.';
  const spec = amountOf(t.kind, c.units);
  let amount: number | null = null;
  if (spec) {
    const name = spec.label;
    if (!(spec.optional && t.amount.trim() === '')) {
      const volume = t.kind === 'waterChange' || t.kind === 'topOff';
      const max = t.kind === 'ammoniaDose' ? 20 : volume ? c.netL * (t.kind === 'topOff' ? 0.3 : 1.001) : 100000;
      const entry = readEntry(t.amount, { name, unit: volume ? c.units.volume : null, min: 0, max, above: true, hint: volume ? (t.kind === 'topOff' ? 'A top-off of nearly a third of the tank would be a water change.' : `The tank holds ${showQuantity('volume', c.netL, c.units, 0)}.`) : undefined });
      if (entry.ok) amount = entry.value;
      else faults.amount = entry.message;
    }
  }
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const base = { id: c.id, tankId: c.tankId, at: new Date(atMs).toISOString(), note: t.note };
  return { ok: true, event: build(t, base, amount ?? 0, amount, c.netL) };
}

function build(t: EventTexts, base: { id: string; tankId: string; at: string; note: string }, amount: number, optional: number | null, netL: number): TankEvent {
  switch (t.kind) {
    case 'ammoniaDose':
      return { ...base, kind: 'ammoniaDose', mgN: toMgNPerL('ammonia', 'ion', amount) * netL, mL: null };
    case 'bacteria':
      return { ...base, kind: 'bacteria', seed: t.seed, mL: optional };
    case 'food':
      return { ...base, kind: 'food', food: t.food, grams: amount };
    case 'seafoodOut':
      return { ...base, kind: 'seafoodOut' };
    case 'waterChange':
      return { ...base, kind: 'waterChange', litres: Math.min(amount, netL) };
    case 'topOff':
      return { ...base, kind: 'topOff', litres: amount };
    case 'film':
      return { ...base, kind: 'film', film: t.film, extent: Number(t.extent) };
    case 'note':
      return { ...base, kind: 'note' };
  }
}

/** Said before a dose that would take total ammonia where the second bacteria stall. */
export function doseGuard(riseMgNPerL: number, presentMgNPerL: number): string | null {
  const after = riseMgNPerL + presentMgNPerL;
  if (after <= DOSE_CEILING_MG_N_PER_L) return null;
  return `That would make about ${formatDecimal(fromMgNPerL('ammonia', 'ion', after), 1)} mg/L; above 4 to 5 the second bacteria are held back. Dose less, or wait.`;
}

/** An event in one line. */
export function eventWords(e: TankEvent, netL: number, units: UnitPreferences): string {
  switch (e.kind) {
    case 'ammoniaDose':
      return `+${formatDecimal(fromMgNPerL('ammonia', 'ion', e.mgN / netL), 1)} mg/L NH₄ (${e.mgN.toFixed(0)} mg N${e.mL === null ? '' : `, ${formatDecimal(e.mL, 1)} mL`})`;
    case 'bacteria':
      return SEED_WORDS[e.seed] + (e.mL === null ? '' : `, ${formatDecimal(e.mL, 0)} mL`);
    case 'food':
      return `${FOOD_WORDS[e.food]}, ${formatDecimal(e.grams, 1)} g`;
    case 'waterChange':
      return `${showQuantity('volume', e.litres, units, 0)}, ${Math.round((100 * e.litres) / netL)} %`;
    case 'topOff':
      return showQuantity('volume', e.litres, units);
    case 'film':
      return `${FILM_WORDS[e.film]} ${e.extent} of 4`;
    case 'schoolChanged':
      return `${SCHOOL_WORDS[e.from].title} → ${SCHOOL_WORDS[e.to].title}`;
    case 'seafoodOut':
    case 'note':
      return '';
  }
}

/** Texts that show a stored event for editing; null for kinds that are not edited. */
export function eventTextsOf(e: TankEvent, netL: number, units: UnitPreferences, fieldTime: (ms: number) => string): EventTexts | null {
  if (e.kind === 'schoolChanged') return null;
  const t: EventTexts = { ...emptyEvent(e.kind), atText: fieldTime(Date.parse(e.at)), note: e.note };
  if (e.kind === 'ammoniaDose') t.amount = formatDecimal(fromMgNPerL('ammonia', 'ion', e.mgN / netL), 3);
  if (e.kind === 'bacteria') Object.assign(t, { seed: e.seed, amount: e.mL === null ? '' : String(e.mL) });
  if (e.kind === 'food') Object.assign(t, { food: e.food, amount: String(e.grams) });
  if (e.kind === 'waterChange' || e.kind === 'topOff') t.amount = formatDecimal(toUnit(units.volume, e.litres), 2);
  if (e.kind === 'film') Object.assign(t, { film: e.film, extent: String(e.extent) });
  return t;
}

