/** One thing that is due: what, where, when, why, and how it is done. */
import type { Animal, Kit, Parameter, Quarantine, Switched, Task, Treatment } from '../document';
import type { BareOutlook } from '../arrivals';
import type { TreatmentAsk } from '../quarantine';
import type { Statement } from '../statements';

export type AgendaSays =
  /** Was switched off and is not confirmed on again. */
  | { code: 'backOn'; eventId: string; parts: readonly Switched[]; sinceMs: number }
  | { code: 'dripOpen'; dripId: string; check: 'topOffBackOn' | 'dripWaterReplaced' | 'bagWaterAway' }
  | { code: 'actNow'; reason: Statement }
  /** The cycle waits for ammonia; nobody lives in it. */
  | { code: 'dose'; opens: Statement }
  /** Nobody lives in a water that is ready: its bacteria starve. */
  | { code: 'feedFilter'; fedMs: number; fadesMs: number | null }
  | { code: 'tests'; parameters: readonly Parameter[]; lastMs: number | null }
  | { code: 'testsAhead'; parameters: readonly Parameter[]; everyDays: number }
  | { code: 'look'; water: Quarantine; animals: readonly Animal[] }
  | { code: 'bareChange'; outlook: BareOutlook }
  | { code: 'treatment'; ask: TreatmentAsk; treatment: Treatment }
  | { code: 'service'; equipmentId: string; name: string }
  /** A stage of the RO/DI unit is due by what is measured behind it or went through it, before its rhythm says so. */
  | { code: 'stageDue'; equipmentId: string; name: string; why: 'reading' | 'litres' }
  | { code: 'partBack'; equipmentId: string; name: string; from: string }
  | { code: 'brokenIn'; equipmentId: string; name: string }
  | { code: 'calibrate'; kit: Kit; days: number }
  | { code: 'kitEnds'; kit: Kit }
  | { code: 'kitRunsOut'; kit: Kit; left: number }
  | { code: 'animalBack'; animal: Animal; from: string }
  | { code: 'buy'; animals: readonly Animal[] }
  | { code: 'letIn'; animals: readonly Animal[] }
  | { code: 'beforeAway'; eventId: string; untilMs: number }
  | { code: 'task'; task: Task };

export interface AgendaItem {
  /** Names the thing, whenever it falls due: a calendar moves it by this. */
  uid: string;
  /** Names this time of it: what was put off or left out is kept by this. */
  key: string;
  /** Null where it is about no one water: a kit. */
  waterId: string | null;
  /** The day it falls due, or fell. */
  day: string;
  says: AgendaSays;
  /** Nothing suffers if it is a few days late. */
  canWait: boolean;
  /** Comes every day until a day, as looks do. */
  dailyUntil: string | null;
}

/** Does it ask for ammonia? Whatever outlives the log does not carry it: by then somebody may live in the water. */
export const asksForAmmonia = ({ says }: Pick<AgendaItem, 'says'>): boolean =>
  says.code === 'dose' || says.code === 'feedFilter';

/** Where an item stands: what cannot wait, what is for today, what for this week, what comes after. */
export type AgendaGroup = 'now' | 'today' | 'week' | 'later';
