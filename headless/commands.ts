/** The headless commands over the core: a file in, JSON out. @throws CommandError with a sentence for anything wrong. */
import { DAY_MS, UTC } from '../core/time';
import { z } from 'zod';
import { COLLECTION_NAMES, documentAsOf, type Document } from '../core/document';
import { readDocument } from '../core/document/checks';
import { answerNow, type Quantiles } from '../core/forecast';
import {
  EMPTY_STATE,
  DEFAULT_PARAMS,
  nitrogenLedger,
  simulateNitrogen,
  type NitrogenInput,
} from '../core/nitrogen';
import { assessWater, besides } from '../core/readiness';
import { gatherEvidence, isOfDisplay } from '../core/evidence';
import { sentence, SCHOOL_WORDS, WORDS } from '../core/words';
import { freeAmmoniaFraction } from '../core/seawater';
import { fromMgNPerL, fromUnit, METRIC, toMgNPerL, toUnit } from '../core/units';
import { netVolume } from '../core/volume';

export class CommandError extends Error {}

export interface Flags {
  /** The water asked about; `tank` is the same by the name it had first. */
  water?: string;
  tank?: string;
  at?: string;
  seed?: string;
  days?: string;
}

/** The document in a file's text. @throws CommandError naming what is wrong and where. */
function open(text: string): Document {
  const read = readDocument(text);
  if (read.status === 'ok') return read.document;
  if (read.status === 'invalid')
    throw new CommandError(
      `the file does not hold together: ${read.faults
        .slice(0, 5)
        .map((f) => `${f.path}: ${f.message}`)
        .join('; ')}${read.faults.length > 5 ? `; and ${read.faults.length - 5} more` : ''}`,
    );
  throw new CommandError(read.message);
}

export function validate(text: string): object {
  const read = readDocument(text);
  if (read.status === 'ok')
    return {
      valid: true,
      fromVersion: read.fromVersion,
      counts: Object.fromEntries(
        COLLECTION_NAMES.map((name) => [name, Object.keys(read.document[name]).length]),
      ),
    };
  throw new CommandError(
    JSON.stringify({
      valid: false,
      status: read.status,
      faults: read.status === 'invalid' ? read.faults : [{ path: 'the file', message: read.message }],
    }),
  );
}

const TIME = z.iso.datetime({ offset: true });

/** The moment asked about: --at, or now as the caller gives it. */
export function momentOf(at: string | undefined, nowMs: number): number {
  if (at === undefined) return nowMs;
  const dayOnly = /^\d{4}-\d{2}-\d{2}$/.test(at) ? `${at}T00:00:00Z` : at;
  if (!TIME.safeParse(dayOnly).success)
    throw new CommandError(`--at must be a time like 2026-01-31T20:15:00Z, got "${at}"`);
  return Date.parse(dayOnly);
}

/** The water that is asked about, or the only display there is. */
function waterOf(doc: Document, flags: Flags): string {
  const id = flags.water ?? flags.tank;
  const all = Object.values(doc.waters);
  const ids = all.filter((w) => id !== undefined || w.kind === 'display').map((w) => w.id);
  ids.sort();
  if (id !== undefined) {
    if (!Object.hasOwn(doc.waters, id))
      throw new CommandError(`there is no water "${id}" in the file; it has ${ids.join(', ') || 'none'}`);
    return id;
  }
  const [only] = ids;
  if (ids.length !== 1 || only === undefined)
    throw new CommandError(
      ids.length === 0
        ? 'the file has no display'
        : `the file has ${ids.length} displays: choose one with --water (${ids.join(', ')})`,
    );
  return only;
}

function whole(name: string, text: string | undefined, usual: number, min: number, max: number): number {
  if (text === undefined) return usual;
  const value = Number(text);
  if (!Number.isInteger(value) || value < min || value > max)
    throw new CommandError(`--${name} must be a whole number from ${min} to ${max}, got "${text}"`);
  return value;
}

export const words = {
  units: METRIC,
  day: (ms: number) => new Date(ms).toISOString().slice(0, 10),
  written: (day: string) => day,
  hour: (ms: number) => new Date(ms).toISOString().slice(0, 16),
};

export function verdict(text: string, flags: Flags, nowMs: number): object {
  const doc = open(text);
  const id = waterOf(doc, flags);
  const atMs = momentOf(flags.at, nowMs);
  const known = documentAsOf(doc, atMs);
  const e = gatherEvidence(known, id, atMs);
  const a = assessWater(known, id, atMs);
  const said = (j: typeof a.fish) => ({
    word: j.word,
    says: WORDS[j.word],
    reason: j.reason.code,
    because: sentence(j.reason, words),
    opens: sentence(j.opens, words),
  });
  return {
    tank: id,
    at: new Date(atMs).toISOString(),
    school: a.school,
    rule: a.school === null ? null : SCHOOL_WORDS[a.school].rule,
    water: a.living && {
      ...said(a.living),
      also: a.living.also.map((f) => ({ code: f.finding.code, text: sentence(f.finding, words) })),
      steps: (a.living.plan?.steps ?? []).map((s) => ({ ...s, text: sentence(s, words) })),
      avoid: (a.living.plan?.avoid ?? []).map((s) => sentence(s, words)),
    },
    fish: said(a.fish),
    crew: said(a.crew),
    coral: said(a.coral),
    gates: a.gates.map((g) => ({
      id: g.id,
      status: g.status,
      passedAt: g.passedMs === null ? null : new Date(g.passedMs).toISOString(),
      finding: g.finding.code,
    })),
    besides: (isOfDisplay(e) ? besides(e, UTC.dayOf) : []).map((g) => ({
      id: g.id,
      passedAt: g.passedMs === null ? null : new Date(g.passedMs).toISOString(),
      finding: g.finding.code,
    })),
    alarms: a.alarms.map((f) => ({ code: f.code, text: sentence(f, words) })),
    due: a.due,
    freeAmmoniaMgNPerL: a.freeAmmonia?.mgNPerL ?? null,
  };
}

export function forecastCommand(text: string, flags: Flags, nowMs: number): object {
  const doc = open(text);
  const id = waterOf(doc, flags);
  const atMs = momentOf(flags.at, nowMs);
  const days = whole('days', flags.days, 90, 1, 365);
  const out = answerNow(doc, {
    waterId: id,
    atMs,
    seed: whole('seed', flags.seed, 1, 0, 2 ** 31 - 1),
    horizonDays: days,
    plan: 'asSoFar',
    loadMgN: null,
  });
  const none = { p10: null, p50: null, p90: null };
  const head = { tank: id, at: new Date(atMs).toISOString(), horizonDays: days };
  if (out.status !== 'ok')
    return {
      ...head,
      status: out.status,
      reason: out.because.code,
      because: sentence(out.because, words),
      readyAt: none,
      ammoniaClearAt: none,
      nitriteClearAt: none,
      bands: [],
    };
  const date = (d: number | null) => (d === null ? null : new Date(atMs + d * DAY_MS).toISOString());
  const dates = (q: Quantiles) => ({ p10: date(q.p10), p50: date(q.p50), p90: date(q.p90) });
  const band = ([p10, p50, p90]: [number, number, number]) => ({ p10, p50, p90 });
  const f = out.forecast;
  return {
    ...head,
    status: 'ok',
    proved: out.proved,
    plan: out.plan,
    readyAt: dates(f.ready),
    ammoniaClearAt: dates(f.ammoniaClear),
    nitriteClearAt: dates(f.nitriteClear),
    nextTest: out.nextTest,
    neverShare: f.neverShare,
    readyNowShare: f.readyNowShare,
    doublingHours: { first: band(f.doublingA), second: band(f.doublingN) },
    alkalinity7At: dates(f.alkalinity7),
    alkalinity5At: dates(f.alkalinity5),
    readings: out.readings,
    surprises: out.surprises,
    bands: f.bands.map((b) => ({
      at: date(b.day),
      ammonia: band(b.ammonia),
      nitrite: band(b.nitrite),
      nitrate: band(b.nitrate),
      alkalinity: band(b.alkalinity),
    })),
  };
}

export function ledger(text: string, flags: Flags, nowMs: number): object {
  const doc = open(text);
  const id = waterOf(doc, flags);
  const atMs = momentOf(flags.at, nowMs);
  const water = doc.waters[id];
  if (!water) throw new CommandError('the file has no tank');
  const volume = netVolume(water);
  return {
    tank: id,
    at: new Date(atMs).toISOString(),
    unit: 'mg N',
    ...nitrogenLedger(gatherEvidence(documentAsOf(doc, atMs), id, atMs), volume.sdL / volume.netL),
  };
}

const amount = z.number().min(0).max(1e5);
const scenarioSchema = z.strictObject({
  start: z
    .strictObject({
      organic: amount,
      ammonia: amount,
      nitrite: amount,
      nitrate: amount,
      capacityA: amount,
      capacityN: amount,
      alkalinityDkh: amount,
    })
    .partial()
    .default({}),
  params: z
    .strictObject({
      rotPerDay: amount,
      kaMgNPerL: z.number().gt(0),
      knMgNPerL: z.number().gt(0),
      muA: amount,
      muN: amount,
      decayPerDay: amount,
      maxA: z.number().gt(0),
      maxN: z.number().gt(0),
      tempC: z.number().min(0).max(45),
    })
    .partial()
    .default({}),
  inputs: z
    .array(
      z.discriminatedUnion('kind', [
        z.strictObject({ day: amount, kind: z.literal('ammonia'), mgNPerL: amount }),
        z.strictObject({ day: amount, kind: z.literal('organic'), mgNPerL: amount }),
        z.strictObject({ day: amount, kind: z.literal('seed'), capacityA: amount, capacityN: amount }),
        z.strictObject({
          day: amount,
          kind: z.literal('change'),
          fraction: z.number().min(0).max(1),
          alkalinityDkh: amount,
        }),
      ]),
    )
    .max(10000)
    .default([]),
  days: z.number().int().min(1).max(3650).default(60),
});

export function simulate(text: string): object {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    throw new CommandError(`the scenario is not JSON: ${error instanceof Error ? error.message : ''}`);
  }
  const read = scenarioSchema.safeParse(raw);
  if (!read.success)
    throw new CommandError(
      `the scenario does not fit: ${read.error.issues
        .slice(0, 5)
        .map((i) => `${i.path.join('.') || 'the whole'}: ${i.message}`)
        .join('; ')}`,
    );
  const s = read.data;
  const days = Array.from({ length: s.days + 1 }, (_, i) => i);
  const states = simulateNitrogen(
    { ...EMPTY_STATE, ...s.start },
    { ...DEFAULT_PARAMS, ...s.params },
    s.inputs as NitrogenInput[],
    days,
  );
  return { unit: 'mg N/L', days: states.map((state, day) => ({ day, ...state })) };
}

const SPECIES = ['ammonia', 'nitrite', 'nitrate'] as const;
const UNITS = ['L', 'gal', 'C', 'F', 'ppt', 'sg2525', 'sg2020', 'mScm', 'cm', 'in', 'g', 'lb'];
const KINDS: Record<string, string> = {
  L: 'v',
  gal: 'v',
  C: 't',
  F: 't',
  ppt: 's',
  sg2525: 's',
  sg2020: 's',
  mScm: 's',
  cm: 'l',
  in: 'l',
  g: 'm',
  lb: 'm',
};

/** convert VALUE FROM TO, or convert nh3 TOTAL_MG_N PH TEMP_C SALINITY. */
export function convert(args: readonly string[]): object {
  if (args[0] === 'nh3') {
    const [total, ph, tempC, salinity] = args.slice(1).map(Number) as [number, number, number, number];
    if ([total, ph, tempC, salinity].some((x) => !Number.isFinite(x)))
      throw new CommandError(
        'convert nh3 needs four numbers: total ammonia in mg N/L, pH, temperature in C, salinity',
      );
    const fraction = freeAmmoniaFraction(ph, tempC, salinity);
    return { freeFraction: fraction, freeMgNPerL: total * fraction };
  }
  const [text = '', from = '', to = ''] = args;
  const value = Number(text.replace(',', '.'));
  if (text === '' || !Number.isFinite(value))
    throw new CommandError(`convert needs a number first, got "${text}"`);
  const nitrogen = (s: string) => {
    const [species, basis] = s.split(':');
    return SPECIES.find((x) => x === species) && (basis === 'N' || basis === 'ion' || basis === 'NH3')
      ? { species: species as (typeof SPECIES)[number], basis: basis as 'N' | 'ion' | 'NH3' }
      : null;
  };
  const [a, b] = [nitrogen(from), nitrogen(to)];
  if (a && b) {
    if (a.species !== b.species)
      throw new CommandError(`${a.species} does not become ${b.species} by a unit`);
    return { value: fromMgNPerL(b.species, b.basis, toMgNPerL(a.species, a.basis, value)), unit: to };
  }
  if (!UNITS.includes(from) || !UNITS.includes(to))
    throw new CommandError(
      `units are ${UNITS.join(', ')} or SPECIES:BASIS such as ammonia:ion; got "${from}" and "${to}"`,
    );
  if (KINDS[from] !== KINDS[to]) throw new CommandError(`${from} and ${to} measure different things`);
  return { value: toUnit(to, fromUnit(from, value)), unit: to };
}
