/** Letting animals into a water: the one way, from whatever door. */
import { IN, moved, split, type Animal, type Edit, type Water } from '../document';
import type { Risk } from './guard';

export interface Admission {
  animal: Animal;
  /** How many of them go. */
  count: number;
  /** For the part that goes, where some stay. */
  partId: string;
}

export type Admitted =
  | { ok: true; edits: Edit[] }
  /** `never`: copper. Else a reason in words is asked for. */
  | { ok: false; never: boolean };

/** Moves animals into a water. Against the guard only with a reason, and into copper not at all; both are kept with the move.
 *  A display it moves into is its home from then on. @param risksOf what admissionRisks says of each */
export function admit(
  who: readonly Admission[],
  to: Water,
  o: { at: string; why: string; risksOf: (animal: Animal) => readonly Risk[] },
): Admitted {
  const risks = who.map(({ animal }) => o.risksOf(animal));
  if (risks.some(hasCopper)) return { ok: false, never: true };
  if (o.why.trim() === '' && risks.some((r) => r.length > 0)) return { ok: false, never: false };
  const edits = who.flatMap(({ animal, count, partId }, i): Edit[] => {
    const whole = count >= animal.count;
    const { stay, go } = whole ? { stay: null, go: animal } : split(animal, count, partId);
    const homeId = to.kind === 'display' ? to.id : go.homeId;
    const entity = withRisks(moved({ ...go, homeId }, IN(to.id), o.at, o.why), risks[i] ?? []);
    return [...(stay ? [{ put: 'animals' as const, entity: stay }] : []), { put: 'animals', entity }];
  });
  return { ok: true, edits };
}

const hasCopper = (risks: readonly Risk[]): boolean => risks.some((r) => r.code === 'riskCopper');

/** The animal with what spoke against its last move. */
export function withRisks(animal: Animal, risks: readonly Risk[]): Animal {
  const last = animal.moves[animal.moves.length - 1];
  if (!last || risks.length === 0) return animal;
  return { ...animal, moves: [...animal.moves.slice(0, -1), { ...last, against: risks.map((r) => r.code) }] };
}
