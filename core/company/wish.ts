/** Which of the wishes may come next: the first against which nothing speaks so far. */
import { asWanted, isComing, placeOf, type Animal, type Document } from '../document';
import type { WaterEvidence } from '../evidence';
import type { Assessment } from '../readiness';
import { speciesOf } from '../species';
import { provedCapacity } from '../stocking';
import type { AdditionPeaks } from '../stocking/peaks';
import { apartOf, companyOf } from './company';
import type { Finding } from './finding';
import { additionWarnings, paceOf, type AdditionForecast, type Warning } from './joining';
import { openLines } from './lines';
import { membersOf, tankOf } from './member';
import { compared } from '../time';

export interface NextWish {
  animal: Animal;
  /** How many of them now: of corals one, as long as the answer for corals is to go small. */
  count: number;
  forecast: AdditionForecast;
  /** What is to be seen to before; nothing that stops it. */
  warnings: Warning[];
  /** What the filter carries at invisible ammonia, mg N a day; null where nothing is proved. */
  carriesMgN: number | null;
}

/** Wishes by their planned day, then as they are wanted; one still in quarantine is not asked for. Null when there is none without a stop. */
export function nextWish(
  doc: Document,
  e: WaterEvidence,
  assessment: Assessment,
  dayOfMs: (ms: number) => string,
  peaks: AdditionPeaks | null = null,
): NextWish | null {
  const wishes = asWanted(
    Object.values(doc.animals).filter(
      (a) => a.homeId === e.water.id && isComing(a) && placeOf(a).kind === 'wish',
    ),
  ).sort((a, b) => compared(a.plannedDay ?? '9999', b.plannedDay ?? '9999'));
  const others = membersOf(doc, e.water).filter((m) => m.stage !== 'wish');
  const lines = openLines(doc, e.water);
  for (const animal of wishes) {
    const species = speciesOf(doc, animal.speciesId);
    const count = species.group === 'coral' && assessment.coral.word === 'goSmall' ? 1 : animal.count;
    const { warnings, forecast } = additionWarnings(
      e,
      assessment,
      { id: animal.id, species, count, stage: 'wish' },
      { others, lines, dayOfMs, peaks },
    );
    if (warnings.some((w) => w.severity === 'no')) continue;
    return { animal, count, forecast, warnings, carriesMgN: provedCapacity(e)?.nearZeroNowMgN ?? null };
  }
  return null;
}

/** What is said of some who are let in together, beside those at home: as of one at its wish, their loads taken together. */
export function saidOfThem(
  doc: Document,
  e: WaterEvidence,
  assessment: Pick<Assessment, 'freeAmmonia'>,
  coming: readonly Animal[],
  dayOfMs: (ms: number) => string,
): Warning[] {
  if (coming.length === 0) return [];
  const ids = new Set(coming.map((a) => a.id));
  const members = membersOf(doc, e.water).filter((m) => m.stage === 'here' || ids.has(m.id));
  const found = companyOf(tankOf(e, dayOfMs), members);
  const group = coming.map(({ speciesId, count }) => ({ species: speciesOf(doc, speciesId), count }));
  return [
    ...found.filter((f) => f.says.code !== 'grownLoad' && f.ids.some((id) => ids.has(id))),
    // That they are many for a first time the guard says, with a reason to be given.
    ...paceOf(e, assessment, group, dayOfMs).warnings.filter((w) => w.says.code !== 'manyFirst'),
  ];
}

/** Wishes no day is right for, each with its reason. */
export function hopelessWishes(doc: Document, e: WaterEvidence, dayOfMs: (ms: number) => string): Finding[] {
  const members = membersOf(doc, e.water);
  const { never } = apartOf(
    tankOf(e, dayOfMs),
    members.filter((m) => m.stage !== 'wish'),
    members.filter((m) => m.stage === 'wish'),
  );
  return [...never.values()];
}
