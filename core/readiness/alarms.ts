/** What holds besides the gates. An alarm may only make a judgement more careful, never less. */
import { lostFrom, type GoneReason, type Parameter } from '../document';
import { lastOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { disagreement, type InstrumentReading } from '../instruments';
import { FREE_AMMONIA } from '../seawater';
import type { Statement } from '../statements';
import { DAY_MS } from '../time';
import { inRange } from './fresh';
import { printed } from './gates';
import type { Alarm, FreeAmmonia } from './judgement';
import { livingAlarms } from './living';
import { ask } from './judgement';
import { RULES } from './limits';

/** Every alarm of a water, what to act on first. */
export function findAlarms(e: WaterEvidence, free: FreeAmmonia | null): Alarm[] {
  const all = [
    ...freeAmmoniaAlarms(e, free),
    ...livingAlarms(e, free),
    ...waterAlarms(e),
    ...instrumentAlarms(e),
    ...disagreements(e),
    ...nutrientAlarms(e),
  ];
  return [...all.filter((a) => a.word === 'actNow'), ...all.filter((a) => a.word !== 'actNow')];
}

const note = (finding: Statement): Alarm => ({ finding, word: null, opens: finding });

function freeAmmoniaAlarms(e: WaterEvidence, free: FreeAmmonia | null): Alarm[] {
  if (e.residents.length === 0 || !free || e.nowMs - free.atMs > RULES.staleDays * DAY_MS) return [];
  const nh3MgN = free.mgNPerL;
  if (nh3MgN >= FREE_AMMONIA.act) {
    return [{ finding: { code: 'freeAmmoniaAct', nh3MgN }, word: 'actNow', opens: { code: 'changeNow' } }];
  }
  if (nh3MgN >= FREE_AMMONIA.longTerm) {
    return [
      { finding: { code: 'freeAmmoniaWatch', nh3MgN }, word: 'wait', opens: { code: 'ammoniaZeroAgain' } },
    ];
  }
  return [];
}

function waterAlarms(e: WaterEvidence): Alarm[] {
  const alarms: Alarm[] = [];
  const salinity = lastOf(trusted(e.series.salinity))?.interval.mid;
  if (e.residents.length > 0 && salinity !== undefined && !inRange(salinity, RULES.salinity)) {
    alarms.push({
      finding: { code: 'salinityOff', salinity },
      word: 'wait',
      opens: { code: 'bringSalinity' },
    });
  }
  const ammonia = lastOf(trusted(e.series.ammonia));
  if (ammonia && ammonia.interval.mid > RULES.ammoniaStallMgN) {
    alarms.push({
      finding: { code: 'ammoniaTooHigh', ammonia: printed(ammonia, 'ammonia') },
      word: 'wait',
      opens: { code: 'noMoreDose' },
    });
  }
  const alkalinity = lastOf(trusted(e.series.alkalinity))?.interval.mid;
  if (alkalinity !== undefined && alkalinity < RULES.alkalinityMin) {
    alarms.push({
      finding: {
        code: alkalinity < RULES.alkalinityStall ? 'alkalinityStall' : 'alkalinityLow',
        alkalinity,
      },
      word: 'wait',
      opens: { code: 'raiseAlkalinity' },
    });
  }
  return alarms;
}

const JUDGED = ['ammonia', 'nitrite', 'nitrate', 'salinity', 'alkalinity'] as const;

/** The last reading of what is judged by, where its kit or instrument makes it doubtful. */
function instrumentAlarms(e: WaterEvidence): Alarm[] {
  return JUDGED.flatMap((parameter): Alarm[] => {
    const doubts = lastOf(e.series[parameter])?.doubts ?? [];
    const alarms: Alarm[] = [];
    if (doubts.includes('expired')) {
      alarms.push({
        finding: { code: 'expiredKit', parameter },
        word: 'test',
        opens: { code: 'newKit', parameter },
      });
    }
    if (doubts.includes('drift')) {
      alarms.push({
        finding: { code: 'driftDoubt', parameter },
        word: 'test',
        opens: { code: 'readAgain', parameter },
      });
    }
    if (doubts.includes('nitriteInterferes')) alarms.push(note({ code: 'nitrateDoubted' }));
    return alarms;
  });
}

const COMPARED = ['temperature', 'salinity', 'ph', 'alkalinity', 'calcium', 'magnesium'] as const;

function disagreements(e: WaterEvidence): Alarm[] {
  return COMPARED.flatMap((parameter): Alarm[] => {
    const lately = trusted(e.series[parameter]).filter((p) => p.atMs >= e.nowMs - RULES.nearDays * DAY_MS);
    const found = disagreement(parameter, lately.map(asInstrument));
    if (!found) return [];
    const said = (r: InstrumentReading) => ({ by: r.kitName, value: r.value });
    return [note({ code: 'instrumentsDisagree', parameter, one: said(found.one), other: said(found.other) })];
  });
}

const asInstrument = (p: Point): InstrumentReading => ({
  kitId: p.kit.id,
  kitName: p.kit.name,
  shop: p.kit.shop === true,
  atMs: p.atMs,
  value: p.interval.mid,
  half: Number.isFinite(p.interval.high) ? (p.interval.high - p.interval.low) / 2 : p.interval.mid,
});

/** Nutrients have a lower alarm too. */
function nutrientAlarms(e: WaterEvidence): Alarm[] {
  if (e.residents.length === 0) return [];
  return (['nitrate', 'phosphate'] as const)
    .filter((parameter) => lastOf(trusted(e.series[parameter]))?.zero)
    .map((parameter) => note({ code: 'nutrientZero', parameter }));
}

/** Something that asks for an ammonia test before anything else is said: a loss, or an animal not seen. */
export function asksForTest(e: WaterEvidence): Alarm | null {
  if (lostRecently(e)) return { finding: { code: 'deathAsksTest' }, word: 'test', opens: ask('ammonia') };
  const missing = missingSince(e);
  return missing === null
    ? null
    : { finding: { code: 'missingAsksTest', missing }, word: 'test', opens: ask('ammonia') };
}

const untested = (e: WaterEvidence, atMs: number, parameter: Parameter): boolean =>
  e.nowMs - atMs <= RULES.staleDays * DAY_MS && !e.series[parameter].some((p) => p.atMs > atMs);

/** What leaves nothing behind that could rot. */
const LEFT_ALIVE: readonly GoneReason[] = ['rehomed', 'returned'];

/** An animal lost from the water within three days, with no ammonia test since. */
function lostRecently(e: WaterEvidence): boolean {
  return e.joined.some(({ animal }) => {
    const lost = lostFrom(animal);
    return (
      lost?.waterId === e.water.id &&
      !LEFT_ALIVE.includes(lost.reason) &&
      untested(e, Date.parse(lost.at), 'ammonia')
    );
  });
}

/** What an observation of the last three days did not see, with no ammonia test since; null when all was seen. */
function missingSince(e: WaterEvidence): string | null {
  const told = lastOf(e.events.filter((x) => x.kind === 'observation'));
  if (!told || told.missing === '') return null;
  return untested(e, Date.parse(told.at), 'ammonia') ? told.missing : null;
}
