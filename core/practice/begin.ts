/** A practice tank at its start: the document the player finds. */
import {
  DEFAULT_SETTINGS,
  emptyDocument,
  IN,
  STARTER_KITS,
  type Document,
  type Reading,
  type Parameter,
} from '../document';
import { seededRandom } from '../random';
import { toMgNPerL } from '../units';
import { DAY_MS } from '../time';
import { readBy } from './kit';
import type { Scenario } from './scenario';
import { readable, type Truth } from './truth';
import { drawFrom } from './world';

/** The practice water's id in its document. */
export const PRACTICE_WATER = 'practice';

/** @param dayOf the calendar day of a time where the player is */
export function begin(scenario: Scenario, startMs: number, dayOf: (ms: number) => string): Document {
  const { start } = scenario;
  const at = (day: number): string => new Date(startMs + day * DAY_MS).toISOString();
  const doc = emptyDocument();
  doc.settings = { person: DEFAULT_SETTINGS };
  doc.kits = Object.fromEntries(STARTER_KITS.map((k) => [k.id, k]));
  doc.waters = {
    [PRACTICE_WATER]: {
      id: PRACTICE_WATER,
      kind: 'display',
      name: `Practice: ${scenario.title}`.slice(0, 80),
      startDay: dayOf(startMs),
      size: { kind: 'volume', volumeL: start.litres },
      sumpL: 0,
      rockKg: 0,
      sandKg: 0,
      rockKind: start.rockKind,
      hasLid: true,
      ammoniaSource: start.ammoniaSource,
      bacteriaSources: start.bacteriaSources,
      school: scenario.school,
    },
  };
  start.done.forEach((d, i) => {
    const base = { id: `start-${i}`, waterId: PRACTICE_WATER, at: at(d.day), note: '' };
    if (d.what === 'dose')
      doc.events[base.id] = {
        ...base,
        kind: 'ammoniaDose',
        mgN: toMgNPerL('ammonia', 'ion', d.mgPerL) * start.litres,
        mL: null,
      };
    else if (d.what === 'bacteria')
      doc.events[base.id] = { ...base, kind: 'bacteria', seed: d.seed, mL: null };
    else
      doc.animals[base.id] = {
        id: base.id,
        homeId: PRACTICE_WATER,
        speciesId: d.speciesId,
        count: d.count,
        moves: [{ to: IN(PRACTICE_WATER), at: base.at, why: 'In on the first day' }],
        plannedDay: null,
      };
  });
  return doc;
}

/** What the player reads off their kits now. The same sitting is read the same again: its eye is drawn from seed and moment. */
export function sitting(
  doc: Pick<Document, 'kits'>,
  truth: Truth,
  parameters: readonly Parameter[],
  seed: number,
): Reading[] {
  const shown = readable(truth);
  return parameters.flatMap((parameter): Reading[] => {
    const found = shown[parameter];
    const kit = Object.values(doc.kits).find((k) => k.parameter === parameter && !k.archived);
    if (!found || !kit) return [];
    const d = drawFrom(seededRandom(seed * 131 + Math.round(truth.day * 100) * 17 + parameter.length));
    const [value, noise] = found;
    return [
      {
        parameter,
        kitId: kit.id,
        value: readBy(kit, value, { share: noise < 0.03 ? 0.06 : 0.012, noise, slip: 0.02 }, d),
      },
    ];
  });
}
