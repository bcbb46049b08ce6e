/** Histories of a tank written as a story, for tests of judgement. */
import { gatherEvidence, isOfDisplay, type DisplayEvidence } from '../evidence';
import { DAY_MS } from '../time';
import {
  IN,
  STARTER_KITS,
  type Document,
  type Kit,
  type Parameter,
  type ReadingValue,
  type Sample,
  type School,
  type WaterEvent,
} from '../document';
import { toMgNPerL } from '../units';
import { oneDisplay } from './display';

export const START_MS = Date.UTC(2026, 0, 1, 20);
export const DAY = DAY_MS;

type Value = number | 'over' | [number, number];
export type Readings = Partial<Record<Parameter, Value>>;

const valueOf = (v: Value): ReadingValue =>
  v === 'over'
    ? { kind: 'over', low: 5 }
    : Array.isArray(v)
      ? { kind: 'between', low: v[0], high: v[1] }
      : { kind: 'exact', value: v };

/** A 100 L tank (by volume, nothing displaced) whose log is told day by day. */
export class History {
  private readonly told: Document;
  /** Told since the document was last asked for. */
  private samples: Record<string, Sample> = {};
  private n = 0;

  constructor(school: School = 'proof24', kits: readonly Kit[] = STARTER_KITS) {
    this.told = oneDisplay(kits, 100, { school });
  }

  /** The document so far. Its samples are another collection once more were told, as after every act. */
  get doc(): Document {
    if (Object.keys(this.samples).length > 0) {
      this.told.samples = { ...this.told.samples, ...this.samples };
      this.samples = {};
    }
    return this.told;
  }

  at(day: number): string {
    return new Date(START_MS + day * DAY).toISOString();
  }

  test(day: number, readings: Readings): this {
    const id = `s${this.n++}`;
    this.samples[id] = {
      id,
      waterId: 't',
      at: this.at(day),
      note: '',
      readings: Object.entries(readings).map(([parameter, v]) => ({
        parameter: parameter as Parameter,
        kitId: `kit-${parameter}`,
        value: valueOf(v),
      })),
    };
    return this;
  }

  event(
    day: number,
    event: {
      [K in WaterEvent['kind']]: Omit<Extract<WaterEvent, { kind: K }>, 'id' | 'waterId' | 'at' | 'note'>;
    }[WaterEvent['kind']],
  ): this {
    const id = `e${this.n++}`;
    this.told.events[id] = { id, waterId: 't', at: this.at(day), note: '', ...event } as WaterEvent;
    return this;
  }

  /** Dose in mg/L as NH4. */
  dose(day: number, mgPerL: number): this {
    return this.event(day, { kind: 'ammoniaDose', mgN: toMgNPerL('ammonia', 'ion', mgPerL) * 100, mL: null });
  }

  animal(day: number, speciesId: string, count = 1): this {
    const id = `a${this.n++}`;
    this.told.animals[id] = {
      id,
      homeId: 't',
      speciesId,
      count,
      moves: [{ to: IN('t'), at: this.at(day), why: '' }],
      plannedDay: null,
    };
    return this;
  }

  /** Good water on a day. */
  water(day: number, more: Readings = {}): this {
    return this.test(day, { salinity: 35, temperature: 25, alkalinity: 8.2, ...more });
  }
}

/** A cycle that ran well: clear on days 24 and 26, a proof dose on day 27 cleared on day 28, reset on day 29. */
export function provedHistory(school: School = 'proof24'): History {
  return new History(school)
    .water(0, { ammonia: 0, nitrite: 0, nitrate: 0 })
    .dose(1, 2)
    .test(2, { ammonia: 2, nitrite: 0, nitrate: 0 })
    .test(10, { ammonia: 0.5, nitrite: 2, nitrate: 10 })
    .test(18, { ammonia: 0, nitrite: 1, nitrate: 10 })
    .water(24, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .test(26, { ammonia: 0, nitrite: 0, nitrate: 10 })
    .dose(27, 2)
    .water(28, { ammonia: 0, nitrite: 0, nitrate: 20, ph: 8.1 });
}

/** The evidence of the test's display at a moment. @throws Error when it is none */
export function displayEvidence(doc: Document, nowMs: number): DisplayEvidence {
  const e = gatherEvidence(doc, 't', nowMs);
  if (!isOfDisplay(e)) throw new Error('"t" is no display');
  return e;
}
