/** Events as texts, and from texts to an event or to faults. Plain functions, tested without rendering. */
import { DAY_MS, MINUTE_MS } from '../../../core/time';
import {
  type CLARITIES,
  type FILMS,
  type FOODS,
  MAX_NAME,
  MAX_NOTE,
  type SEEDS,
  type SMELLS,
  type SOUNDS,
  type DOSED,
  type IncidentKind,
  type WaterEvent,
} from '../../../core/document';
import {
  formatDecimal,
  fromMgNPerL,
  readEntry,
  showQuantity,
  toMgNPerL,
  toUnit,
  type UnitPreferences,
} from '../../../core/units';
import { DOSED_WORDS } from './eventWords';

export const LOGGABLE = [
  'ammoniaDose',
  'bacteria',
  'food',
  'seafoodOut',
  'waterChange',
  'topOff',
  'dose',
  'incident',
  'observation',
  'film',
  'saltMixed',
  'waterMade',
  'away',
  'note',
] as const;
export type Loggable = (typeof LOGGABLE)[number];

/** What a water change may be for. */
export const PURPOSES = ['routine', 'ammonia', 'nitrate', 'phosphate', 'alkalinity', 'salinity'] as const;

export interface EventTexts {
  kind: Loggable;
  /** mg/L as NH4, millilitres, grams or a volume, by kind. */
  amount: string;
  seed: (typeof SEEDS)[number];
  food: (typeof FOODS)[number];
  film: (typeof FILMS)[number];
  extent: '0' | '1' | '2' | '3' | '4';
  smell: (typeof SMELLS)[number];
  sound: (typeof SOUNDS)[number];
  clarity: (typeof CLARITIES)[number];
  /** What happened, its name as printed, and when it ended. */
  incident: IncidentKind;
  name: string;
  untilText: string;
  missing: string;
  seen: string;
  what: (typeof DOSED)[number];
  /** Second amounts: grams and salinity of a batch, minutes of production. */
  grams: string;
  salinity: string;
  /** What a change is for: what is tested before and after it. Not stored; the test after it is planned. */
  purpose: (typeof PURPOSES)[number];
  /** Of the new water of a change. */
  tempC: string;
  alkalinity: string;
  calcium: string;
  magnesium: string;
  /** Bacteria: from where, its date, days it ran there, kept wet, share into the sump in percent. */
  from: string;
  expires: string;
  ranDays: string;
  keptWet: boolean;
  sumpPercent: string;
  /** Of a bottle: what it promises, where it was kept. */
  label: string;
  storage: string;
  atText: string;
  note: string;
}

export const emptyEvent = (kind: Loggable): EventTexts => ({
  kind,
  amount: '',
  seed: 'bottle',
  food: 'pellets',
  film: 'brown',
  extent: '1',
  smell: 'none',
  sound: 'usual',
  clarity: 'clear',
  incident: 'foodSpilled',
  name: '',
  untilText: '',
  missing: '',
  seen: '',
  what: 'alkalinity',
  grams: '',
  salinity: '',
  purpose: 'routine',
  tempC: '',
  alkalinity: '',
  calcium: '',
  magnesium: '',
  from: '',
  expires: '',
  ranDays: '',
  keptWet: true,
  sumpPercent: '',
  label: '',
  storage: '',
  atText: '',
  note: '',
});

/** Label and unit of the amount, null where there is none. */
export function amountOf(
  kind: Loggable,
  units: UnitPreferences,
  what: (typeof DOSED)[number] = 'alkalinity',
): { label: string; unit: string; optional: boolean } | null {
  switch (kind) {
    case 'ammoniaDose':
      return { label: 'Rise it should make', unit: 'mg/L NH₄', optional: false };
    case 'bacteria':
      return { label: 'Amount', unit: 'mL', optional: true };
    case 'food':
      return { label: 'Amount as given', unit: 'g', optional: false };
    case 'dose':
      return { label: 'Rise it should make', unit: DOSED_WORDS[what].unit, optional: false };
    case 'waterChange':
    case 'topOff':
    case 'saltMixed':
    case 'waterMade':
      return { label: 'Amount', unit: units.volume === 'gal' ? 'gal' : 'L', optional: false };
    default:
      return null;
  }
}

export type ReadEvent = { ok: true; event: WaterEvent } | { ok: false; faults: EventFaults };
export interface EventFaults {
  from?: string;
  label?: string;
  storage?: string;
  ranDays?: string;
  sumpPercent?: string;
  amount?: string;
  grams?: string;
  salinity?: string;
  tempC?: string;
  alkalinity?: string;
  calcium?: string;
  magnesium?: string;
  name?: string;
  untilText?: string;
  missing?: string;
  seen?: string;
  atText?: string;
  note?: string;
}

export function readEvent(
  t: EventTexts,
  c: {
    id: string;
    waterId: string;
    netL: number;
    units: UnitPreferences;
    nowMs: number;
    readTime: (text: string) => number | null;
  },
): ReadEvent {
  const faults: EventFaults = {};
  let atMs = c.nowMs;
  if (t.atText !== '') {
    const read = c.readTime(t.atText);
    if (read === null) faults.atText = 'That is no date and time. Choose both.';
    // An absence is said before it begins, so that everything can keep clear of it.
    else if (read > c.nowMs + MINUTE_MS && t.kind !== 'away')
      faults.atText = 'That lies in the future. Log it when it is done.';
    else atMs = read;
  }
  if (t.note.length > MAX_NOTE) faults.note = `The note is too long: ${MAX_NOTE} characters is the most.`;
  if (t.kind === 'note' && t.note.trim() === '') faults.note = 'Write what you noticed.';
  const spec = amountOf(t.kind, c.units, t.what);
  let amount: number | null = null;
  if (spec) {
    const name = spec.label;
    if (!(spec.optional && t.amount.trim() === '')) {
      const made = t.kind === 'saltMixed' || t.kind === 'waterMade';
      const volume = t.kind === 'waterChange' || t.kind === 'topOff' || made;
      const max =
        t.kind === 'ammoniaDose'
          ? 20
          : t.kind === 'dose'
            ? DOSED_WORDS[t.what].max
            : volume && !made
              ? c.netL * (t.kind === 'topOff' ? 0.3 : 1.001)
              : 100000;
      const entry = readEntry(t.amount, {
        name,
        unit: volume ? c.units.volume : null,
        min: 0,
        max,
        above: true,
        hint:
          volume && !made
            ? t.kind === 'topOff'
              ? 'A top-off of nearly a third of the tank would be a water change.'
              : `The tank holds ${showQuantity('volume', c.netL, c.units, 0)}.`
            : undefined,
      });
      if (entry.ok) amount = entry.value;
      else faults.amount = entry.message;
    }
  }
  const untilMs = readUntil(t, atMs, c, faults);
  const extra = { ...readExtra(t, c.units, faults), untilMs };
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const base = { id: c.id, waterId: c.waterId, at: new Date(atMs).toISOString(), note: t.note };
  return { ok: true, event: build(t, base, amount ?? 0, amount, c.netL, extra) };
}

/** When what lasts ended. An absence may still go on, and must say until when; anything else ends when it ends. */
function readUntil(
  t: EventTexts,
  atMs: number,
  c: { nowMs: number; readTime: (text: string) => number | null },
  faults: EventFaults,
): number | null {
  if (t.kind !== 'incident' && t.kind !== 'away') return null;
  if (t.untilText === '') {
    if (t.kind === 'away') faults.untilText = 'Say until when you are away.';
    return null;
  }
  const until = c.readTime(t.untilText);
  if (until === null) faults.untilText = 'That is no date and time. Choose both.';
  else if (until <= atMs) faults.untilText = 'It ends before it begins. Check both times.';
  else if (t.kind === 'incident' && until > c.nowMs + MINUTE_MS)
    faults.untilText = 'That lies in the future. Leave it empty while it still goes on.';
  return until;
}

/** An absence of so many days is more often a wrong year than a journey. */
const LONG_AWAY_DAYS = 180;

/** A question about an absence longer than most are; none about others. */
export function awayQuestion(
  t: EventTexts,
  nowMs: number,
  readTime: (text: string) => number | null,
): string | null {
  const until = readTime(t.untilText);
  const from = t.atText === '' ? nowMs : readTime(t.atText);
  if (t.kind !== 'away' || until === null || from === null) return null;
  const days = Math.round((until - from) / DAY_MS);
  return days > LONG_AWAY_DAYS ? `That would be ${days} days away. Is the year right?` : null;
}

/** What new water brings besides salt and heat, and the most that can be. */
const BROUGHT = [
  ['alkalinity', 40],
  ['calcium', 1500],
  ['magnesium', 4000],
] as const;

interface Extra {
  grams: number | null;
  salinity: number | null;
  tempC: number | null;
  alkalinity: number | null;
  calcium: number | null;
  magnesium: number | null;
}

/** The second amounts, each where its kind has one. */
function readExtra(t: EventTexts, units: UnitPreferences, faults: EventFaults): Extra {
  const extra: Extra = {
    grams: null,
    salinity: null,
    tempC: null,
    alkalinity: null,
    calcium: null,
    magnesium: null,
  };
  if (t.kind === 'waterChange' && t.tempC.trim() !== '') {
    const tempC = readEntry(t.tempC, {
      name: 'Temperature of the new water',
      unit: units.temperature,
      min: 0,
      max: 45,
    });
    if (tempC.ok) extra.tempC = tempC.value;
    else faults.tempC = tempC.message;
  }
  for (const [what, max] of BROUGHT) {
    if (t.kind !== 'waterChange' || t[what].trim() === '') continue;
    const entry = readEntry(t[what], { name: `Its ${what}`, unit: null, min: 0, max });
    if (entry.ok) extra[what] = entry.value;
    else faults[what] = entry.message;
  }
  if (t.kind === 'incident' && t.name.length > MAX_NAME)
    faults.name = `Too long: ${MAX_NAME} characters is the most.`;
  if (t.kind === 'saltMixed' || (t.kind === 'dose' && t.grams.trim() !== '')) {
    const grams = readEntry(t.grams, {
      name: t.kind === 'dose' ? 'Powder' : 'Salt',
      unit: null,
      min: 0,
      max: 1e6,
      above: true,
    });
    if (grams.ok) extra.grams = grams.value;
    else faults.grams = grams.message;
  }
  if (t.kind === 'waterMade' && t.grams.trim() !== '') {
    const minutes = readEntry(t.grams, { name: 'Minutes', unit: null, min: 0, max: 100000, above: true });
    if (minutes.ok) extra.grams = minutes.value;
    else faults.grams = minutes.message;
  }
  if (t.kind === 'saltMixed' || (t.kind === 'waterChange' && t.salinity.trim() !== '')) {
    const salinity = readEntry(t.salinity, {
      name: 'Salinity of the new water',
      unit: units.salinity,
      min: 2,
      max: 42,
    });
    if (salinity.ok) extra.salinity = salinity.value;
    else faults.salinity = salinity.message;
  }
  if (t.kind === 'bacteria') {
    if (t.label.length > MAX_NAME) faults.label = `Too long: ${MAX_NAME} characters is the most.`;
    if (t.storage.length > MAX_NAME) faults.storage = `Too long: ${MAX_NAME} characters is the most.`;
    if (t.from.length > MAX_NAME) faults.from = `Too long: ${MAX_NAME} characters is the most.`;
    const ran = readEntry(t.ranDays, {
      name: 'Days it ran there',
      unit: null,
      min: 0,
      max: 10000,
      whenEmpty: 0,
    });
    if (!ran.ok) faults.ranDays = ran.message;
    const share = readEntry(t.sumpPercent, {
      name: 'Share into the sump',
      unit: null,
      min: 0,
      max: 100,
      whenEmpty: 0,
    });
    if (!share.ok) faults.sumpPercent = share.message;
  }
  if (t.kind === 'observation' && t.missing.length > 200)
    faults.missing = 'Too long: 200 characters is the most.';
  if (t.kind === 'observation' && t.seen.length > 200) faults.seen = 'Too long: 200 characters is the most.';
  return extra;
}

function build(
  t: EventTexts,
  base: { id: string; waterId: string; at: string; note: string },
  amount: number,
  optional: number | null,
  netL: number,
  extra: Extra & { untilMs: number | null },
): WaterEvent {
  switch (t.kind) {
    case 'ammoniaDose':
      return { ...base, kind: 'ammoniaDose', mgN: toMgNPerL('ammonia', 'ion', amount) * netL, mL: null };
    case 'bacteria':
      return { ...base, kind: 'bacteria', seed: t.seed, mL: optional, ...originOf(t) };
    case 'food':
      return { ...base, kind: 'food', food: t.food, grams: amount };
    case 'seafoodOut':
      return { ...base, kind: 'seafoodOut' };
    case 'waterChange':
      return {
        ...base,
        kind: 'waterChange',
        litres: Math.min(amount, netL),
        ...(extra.salinity === null ? {} : { salinity: extra.salinity }),
        ...(extra.tempC === null ? {} : { tempC: extra.tempC }),
        ...(extra.alkalinity === null ? {} : { alkalinity: extra.alkalinity }),
        ...(extra.calcium === null ? {} : { calcium: extra.calcium }),
        ...(extra.magnesium === null ? {} : { magnesium: extra.magnesium }),
      };
    case 'incident':
      return {
        ...base,
        kind: 'incident',
        what: t.incident,
        ...(extra.untilMs === null ? {} : { until: new Date(extra.untilMs).toISOString() }),
        ...(t.name.trim() === '' ? {} : { name: t.name.trim() }),
      };
    case 'away':
      return { ...base, kind: 'away', until: new Date(extra.untilMs ?? 0).toISOString() };
    case 'observation':
      return {
        ...base,
        kind: 'observation',
        smell: t.smell,
        sound: t.sound,
        clarity: t.clarity,
        missing: t.missing.trim(),
        ...(t.seen.trim() === '' ? {} : { seen: t.seen.trim() }),
      };
    case 'saltMixed':
      return {
        ...base,
        kind: 'saltMixed',
        litres: amount,
        grams: extra.grams ?? 0,
        salinity: extra.salinity ?? 0,
      };
    case 'waterMade':
      return { ...base, kind: 'waterMade', litres: amount, minutes: extra.grams };
    case 'dose':
      return { ...base, kind: 'dose', what: t.what, rise: amount, grams: extra.grams };
    case 'topOff':
      return { ...base, kind: 'topOff', litres: amount };
    case 'film':
      return { ...base, kind: 'film', film: t.film, extent: Number(t.extent) };
    case 'note':
      return { ...base, kind: 'note' };
  }
}

/** What is known of a bottle or of moved media; nothing is stored for what was left empty. */
function originOf(t: EventTexts): {
  from?: string;
  expires?: string;
  ranDays?: number;
  keptWet?: boolean;
  toSumpShare?: number;
  label?: string;
  storage?: string;
} {
  const number = (text: string) => Number(text.trim().replace(',', '.'));
  return {
    ...(t.from.trim() === '' ? {} : { from: t.from.trim() }),
    ...(t.seed === 'bottle' && /^\d{4}-\d{2}-\d{2}$/.test(t.expires) ? { expires: t.expires } : {}),
    ...(t.seed === 'bottle' && t.label.trim() !== '' ? { label: t.label.trim() } : {}),
    ...(t.seed === 'bottle' && t.storage.trim() !== '' ? { storage: t.storage.trim() } : {}),
    ...(t.seed !== 'bottle' && t.ranDays.trim() !== '' ? { ranDays: number(t.ranDays) } : {}),
    ...(t.seed !== 'bottle' ? { keptWet: t.keptWet } : {}),
    ...(t.sumpPercent.trim() === '' ? {} : { toSumpShare: number(t.sumpPercent) / 100 }),
  };
}

/** Texts that show a stored event for editing; null for kinds that are not edited. */
export function eventTextsOf(
  e: WaterEvent,
  netL: number,
  units: UnitPreferences,
  fieldTime: (ms: number) => string,
): EventTexts | null {
  if (e.kind === 'schoolChanged' || e.kind === 'seaweed' || e.kind === 'switchedOff') return null;
  const t: EventTexts = { ...emptyEvent(e.kind), atText: fieldTime(Date.parse(e.at)), note: e.note };
  if (e.kind === 'ammoniaDose') t.amount = formatDecimal(fromMgNPerL('ammonia', 'ion', e.mgN / netL), 3);
  if (e.kind === 'bacteria')
    Object.assign(t, {
      seed: e.seed,
      amount: e.mL === null ? '' : String(e.mL),
      from: e.from ?? '',
      expires: e.expires ?? '',
      ranDays: e.ranDays === undefined ? '' : String(e.ranDays),
      keptWet: e.keptWet ?? true,
      sumpPercent: e.toSumpShare === undefined ? '' : String(e.toSumpShare * 100),
      label: e.label ?? '',
      storage: e.storage ?? '',
    });
  if (e.kind === 'food') Object.assign(t, { food: e.food, amount: String(e.grams) });
  if (e.kind === 'waterChange' || e.kind === 'topOff')
    t.amount = formatDecimal(toUnit(units.volume, e.litres), 2);
  if (e.kind === 'waterChange' && e.salinity !== undefined) t.salinity = shownIn(units.salinity, e.salinity);
  if (e.kind === 'waterChange' && e.tempC !== undefined) t.tempC = shownIn(units.temperature, e.tempC);
  if (e.kind === 'waterChange')
    for (const [what] of BROUGHT) if (e[what] !== undefined) t[what] = formatDecimal(e[what], 2);
  if (e.kind === 'incident') Object.assign(t, { incident: e.what, name: e.name ?? '' });
  if ((e.kind === 'incident' || e.kind === 'away') && e.until !== undefined)
    t.untilText = fieldTime(Date.parse(e.until));
  if (e.kind === 'observation')
    Object.assign(t, {
      smell: e.smell,
      sound: e.sound,
      clarity: e.clarity,
      missing: e.missing,
      seen: e.seen ?? '',
    });
  if (e.kind === 'saltMixed')
    Object.assign(t, {
      amount: shownIn(units.volume, e.litres),
      grams: formatDecimal(e.grams, 1),
      salinity: shownIn(units.salinity, e.salinity),
    });
  if (e.kind === 'waterMade')
    Object.assign(t, {
      amount: shownIn(units.volume, e.litres),
      grams: e.minutes === null ? '' : formatDecimal(e.minutes, 1),
    });
  if (e.kind === 'dose')
    Object.assign(t, {
      what: e.what,
      amount: formatDecimal(e.rise, 3),
      grams: e.grams === null ? '' : formatDecimal(e.grams, 2),
    });
  if (e.kind === 'film') Object.assign(t, { film: e.film, extent: String(e.extent) });
  return t;
}

const shownIn = (unit: string, stored: number): string => formatDecimal(toUnit(unit, stored), 4);

/** A corrected event: where no more than note and moment were touched, every amount stays as it was stored, not as it was shown. */
export function keepingAmounts(
  before: WaterEvent,
  shown: EventTexts,
  typed: EventTexts,
  read: WaterEvent,
): WaterEvent {
  const at = shown.atText === typed.atText ? before.at : read.at;
  const amountsTouched = (Object.keys(typed) as (keyof EventTexts)[]).some(
    (key) => key !== 'note' && key !== 'atText' && typed[key] !== shown[key],
  );
  if (!amountsTouched) return { ...before, at, note: read.note };
  // What is said to whoever looks after it is asked on a page of its own.
  const carer = before.kind === 'away' && before.carer ? { carer: before.carer } : {};
  return { ...read, ...carer, at };
}
