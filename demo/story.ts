/** From a story in days to entities: the core's own model runs the water, kits round what they see, a seeded eye misreads a little. */
import { addDays, DAY_MS } from '../core/time';
import type { Kit, Reading, ReadingValue, Sample, Water } from '../core/document';
import { STARTER_KITS } from '../core/document';
import { fromMgNPerL } from '../core/units';
import {
  EMPTY_STATE,
  simulateNitrogen,
  type NitrogenInput,
  type NitrogenParams,
  type NitrogenState,
} from '../core/nitrogen';
import type { Random } from '../core/random';
import { netVolume } from '../core/volume';

export interface Story {
  believedL: number;
  today: string;
  /** ISO time of a story day. */
  at: (day: number) => string;
  /** Calendar day of a story day. */
  dayOf: (day: number) => string;
}

/** @param dayOfMs calendar day of a time where the person is */
export function storyOf(
  water: Water,
  ageDays: number,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): Story {
  const ms = (day: number) => nowMs - (ageDays - day) * DAY_MS;
  return {
    believedL: netVolume(water).netL,
    today: dayOfMs(nowMs),
    at: (day) => new Date(ms(day)).toISOString(),
    // By the calendar: on the night the clocks change a day is not 24 hours.
    dayOf: (day) => addDays(dayOfMs(nowMs), Math.floor(day) - ageDays),
  };
}

/** Nitrogen at the sittings. The real volume is a few percent below the believed one, as it usually is. */
export function runWater(
  doses: { day: number; mgNPerL: number }[],
  seed: NitrogenInput,
  change: { day: number; fraction: number } | null,
  params: NitrogenParams,
  sittings: number[],
): NitrogenState[] {
  const realShare = 0.95;
  const inputs: NitrogenInput[] = [
    seed,
    ...doses.map((d): NitrogenInput => ({ day: d.day, kind: 'ammonia', mgNPerL: d.mgNPerL / realShare })),
  ];
  if (change)
    inputs.push({
      day: change.day,
      kind: 'change',
      fraction: change.fraction / realShare,
      alkalinityDkh: 8.6,
    });
  return simulateNitrogen({ ...EMPTY_STATE, alkalinityDkh: 11 }, params, inputs, sittings);
}

const kitFor = (parameter: Reading['parameter']): Kit => {
  const kit = STARTER_KITS.find((k) => k.parameter === parameter);
  if (!kit) throw new Error(`no kit for ${parameter}`);
  return kit;
};

/** What a kit shows of a true value: the nearest step, "between" near the middle, open at the top. */
function seen(kit: Kit, truth: number): ReadingValue {
  if (kit.scale.kind === 'number') {
    const r = kit.scale.resolution;
    return { kind: 'exact', value: Number((Math.round(truth / r) * r).toFixed(3)) };
  }
  const { steps } = kit.scale;
  const top = steps[steps.length - 1] ?? 0;
  if (truth > top * 1.2) return { kind: 'over', low: top };
  const above = steps.find((s) => s >= truth) ?? top;
  const below = [...steps].reverse().find((s) => s <= truth) ?? 0;
  const share = above === below ? 0 : (truth - below) / (above - below);
  if (share > 0.4 && share < 0.6) return { kind: 'between', low: below, high: above };
  return { kind: 'exact', value: share < 0.5 ? below : above };
}

/** One sample from the water's state, with a reader's small error. Nitrate kits see some nitrite as nitrate. */
export function readSample(
  id: string,
  water: Water,
  at: string,
  state: NitrogenState,
  random: Random,
  extra: boolean,
  phosphate: number,
): Sample {
  const misread = () => 1 + (random() - 0.5) * 0.12;
  const nitrite = fromMgNPerL('nitrite', 'ion', state.nitrite);
  const take = (parameter: Reading['parameter'], truth: number): Reading => {
    const kit = kitFor(parameter);
    return { parameter, kitId: kit.id, value: seen(kit, Math.max(0, truth)) };
  };
  const readings = [
    take('temperature', 25.1 + (random() - 0.5) * 0.5),
    take('salinity', 35 + (random() - 0.5) * 0.5),
    take('ammonia', fromMgNPerL('ammonia', 'ion', state.ammonia) * misread()),
    take('nitrite', nitrite * misread()),
    take('nitrate', (fromMgNPerL('nitrate', 'ion', state.nitrate) + 2 * nitrite) * misread()),
  ];
  if (extra)
    readings.push(
      take('ph', 8.05 + random() * 0.15),
      take('alkalinity', state.alkalinityDkh + (random() - 0.5) * 0.2),
      take('phosphate', phosphate),
    );
  return { id, waterId: water.id, at, readings, note: '' };
}
