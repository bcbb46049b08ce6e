/** The clock of a quarantine as the document has it. */
import { lastRun, waterOf, type Animal, type Document, type Quarantine } from '../document';
import { quarantineClock, type QuarantineClock } from './clock';
import { maskedBy } from './treatments';

/** Days on which animals joined a quarantine in its present time in use: every move of one of them into it. */
export function quarantineJoinDays(
  quarantine: Quarantine,
  animals: readonly Animal[],
  dayOfMs: (ms: number) => string,
): string[] {
  const { openedDay } = lastRun(quarantine);
  return animals
    .flatMap((a) =>
      // A group that was split joined once, as one.
      a.moves.filter(
        (m, i) => waterOf(m.to) === quarantine.id && waterOf(a.moves[i - 1]?.to) !== quarantine.id,
      ),
    )
    .map((m) => dayOfMs(Date.parse(m.at)))
    .filter((day) => day >= openedDay);
}

/** Days on which one that was in it died or was missing, in its present time in use. */
export function quarantineLossDays(
  quarantine: Quarantine,
  animals: readonly Animal[],
  dayOfMs: (ms: number) => string,
): string[] {
  const { openedDay } = lastRun(quarantine);
  return animals
    .flatMap((a) =>
      a.moves.filter(
        (m, i) =>
          m.to.kind === 'gone' &&
          (m.to.reason === 'died' || m.to.reason === 'missing' || m.to.reason === 'notSaid') &&
          waterOf(a.moves[i - 1]?.to) === quarantine.id,
      ),
    )
    .map((m) => dayOfMs(Date.parse(m.at)))
    .filter((day) => day >= openedDay);
}

/** The clock of a quarantine as the document has it; one that is closed stands where it stood. @param dayOfMs calendar day of a time where
 *  the person is */
export function clockOf(
  doc: Document,
  quarantine: Quarantine,
  nowMs: number,
  dayOfMs: (ms: number) => string,
): QuarantineClock {
  const animals = Object.values(doc.animals);
  const today = lastRun(quarantine).closedDay ?? dayOfMs(nowMs);
  return quarantineClock({
    joins: quarantineJoinDays(quarantine, animals, dayOfMs),
    looks: Object.values(doc.looks).filter((l) => l.waterId === quarantine.id),
    losses: quarantineLossDays(quarantine, animals, dayOfMs),
    masked: maskedBy(doc, quarantine),
    clockDays: quarantine.clockDays,
    today,
  });
}
