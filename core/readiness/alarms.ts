/** What holds besides the gates: doubts about instruments and kits, and what water without animals may be warned of. An alarm may only make
 *  a judgement more careful, never less. */
import { type Parameter } from '../document';
import { keptShare, lastOf, printed, spanOf, trusted, type Point, type WaterEvidence } from '../evidence';
import { disagreement, type InstrumentReading } from '../instruments';
import { LIVING, mishapFindings, note, type Finding } from '../living';
import type { Statement, Word } from '../statements';
import { DAY_MS } from '../time';
import { alkalinityWithDoses } from './found';
import { RULES } from './limits';

export interface Alarm {
  finding: Statement;
  /** The least careful word it allows; null where it only informs. */
  word: Word | null;
  /** What would end it, where it decides the word. */
  opens: Statement;
}

/** Alarms of water nobody lives in. */
export function emptyAlarms(e: WaterEvidence): Alarm[] {
  return [...mishapFindings(e), ...waterAlarms(e), ...instrumentFindings(e)];
}

function waterAlarms(e: WaterEvidence): Alarm[] {
  const alarms: Alarm[] = [];
  const ammonia = lastOf(trusted(e.series.ammonia));
  // A change made since is not asked for again.
  const leftMgN = ammonia ? ammonia.interval.mid * keptShare(e, ammonia.atMs, e.nowMs) : 0;
  if (ammonia && leftMgN > RULES.ammoniaStallMgN) {
    const fraction = Math.min(LIVING.largestChange, 1 - RULES.ammoniaEasedMgN / leftMgN);
    alarms.push({
      finding: { code: 'ammoniaTooHigh', ammonia: printed(ammonia, 'ammonia') },
      word: 'wait',
      opens: { code: 'noMoreDose', fraction, toMgN: leftMgN * (1 - fraction) },
    });
  }
  const alkalinity = alkalinityWithDoses(e);
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

/** What makes the newest readings doubtful, and what they say of food for plants: the same for living and for empty water. */
export const instrumentFindings = (e: WaterEvidence): Finding[] => [
  ...doubts(e),
  ...disagreements(e),
  ...nutrients(e),
];

const JUDGED: readonly Parameter[] = ['ammonia', 'nitrite', 'nitrate', 'salinity', 'alkalinity'];

/** The last reading of what is judged by, where its kit or instrument makes it doubtful. */
function doubts(e: WaterEvidence): Finding[] {
  return JUDGED.flatMap((parameter): Finding[] => {
    const found = lastOf(e.series[parameter])?.doubts ?? [];
    const findings: Finding[] = [];
    if (found.includes('expired')) {
      findings.push({
        finding: { code: 'expiredKit', parameter },
        word: 'test',
        opens: { code: 'newKit', parameter },
      });
    }
    if (found.includes('drift')) {
      findings.push({
        finding: { code: 'driftDoubt', parameter },
        word: 'test',
        opens: { code: 'readAgain', parameter },
      });
    }
    if (found.includes('nitriteInterferes')) findings.push(note({ code: 'nitrateDoubted' }));
    return findings;
  });
}

const COMPARED: readonly Parameter[] = [
  'temperature',
  'salinity',
  'ph',
  'alkalinity',
  'calcium',
  'magnesium',
];

function disagreements(e: WaterEvidence): Finding[] {
  return COMPARED.flatMap((parameter): Finding[] => {
    const lately = spanOf(trusted(e.series[parameter]), e.nowMs - LIVING.nearDays * DAY_MS);
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
function nutrients(e: WaterEvidence): Finding[] {
  if (!e.isInhabited) return [];
  return (['nitrate', 'phosphate'] as const)
    .filter((parameter) => lastOf(trusted(e.series[parameter]))?.zero)
    .map((parameter) => note({ code: 'nutrientZero', parameter }));
}
