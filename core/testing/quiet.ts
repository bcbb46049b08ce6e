/** A quiet tank: nothing happens to it for a year but the swings of day and night, evaporation and kits that err. What the app says of it
 *  beyond "steady" and "test" is a false alarm. */
import { IN, STARTER_KITS, type Document, type Parameter } from '../document';
import { seededRandom } from '../random';
import { assessWater } from '../readiness';
import { DAY_MS } from '../time';
import { oneDisplay } from './display';
import { drawFrom } from '../practice/world';
import { readBy, withMeters } from '../practice/kit';

export interface QuietYear {
  seed: number;
  days: number;
  /** Spells of Watch: a spell ends with the first other word. */
  watches: number;
  actNows: number;
  /** What was said of each, by code. */
  codes: Record<string, number>;
  tests: number;
}

const START = Date.UTC(2026, 0, 1);

/** Lives one tank through so many days, testing what is due in the evening. */
export function quietYear(seed: number, days = 365): QuietYear {
  const d = drawFrom(seededRandom(seed * 7907 + 3));
  const kits = seed % 2 === 0 ? STARTER_KITS : withMeters(STARTER_KITS);
  const doc: Document = {
    ...oneDisplay(kits, Math.round(d.between(60, 300)), {
      name: `Quiet ${seed}`,
      startDay: '2025-06-01',
      school: 'zeroZero',
      told: { stage: 'animalsIn', day: '2026-01-01' },
    }),
    animals: Object.fromEntries(
      ['ocellaris-clownfish', 'turban-snail', ...(seed % 3 === 0 ? ['zoanthid'] : [])].map((speciesId, i) => [
        `a${i}`,
        {
          id: `a${i}`,
          homeId: 't',
          speciesId,
          count: 1,
          moves: [{ to: IN('t'), at: '2025-09-01T12:00:00.000Z', why: '' }],
          plannedDay: null,
        },
      ]),
    ),
  };
  const ph = d.between(8, 8.2);
  const heat = d.between(24.6, 25.6);
  let salinity = 35;
  let dkh = 8.5;
  const out: QuietYear = { seed, days, watches: 0, actNows: 0, codes: {}, tests: 0 };
  let was = '';
  for (let i = 0; i < days * 2; i++) {
    const day = i / 2 + d.between(0.3, 0.45);
    const nowMs = START + Math.round(day * DAY_MS);
    salinity += 0.1 * (35 - salinity) + 0.08 * d.gauss();
    dkh += 0.1 * (8.4 - dkh) + 0.08 * d.gauss();
    const hour = 2 * Math.PI * (day % 1);
    const truth: Partial<Record<Parameter, [number, number]>> = {
      ammonia: [Math.abs(0.005 * d.gauss()), 0.02],
      nitrite: [Math.abs(0.005 * d.gauss()), 0.02],
      nitrate: [10 + 2 * d.gauss(), 0.5],
      alkalinity: [dkh, 0.15],
      temperature: [heat + 0.4 * Math.sin(hour - 2.5), 0.15],
      salinity: [salinity, 0.2],
      ph: [ph + 0.1 * Math.sin(hour - 2.5), 0.04],
      phosphate: [0.06, 0.01],
    };
    let a = assessWater(doc, 't', nowMs);
    for (let round = 0; round < 2 && a.due.length > 0; round++) {
      const readings = a.due.flatMap((parameter) => {
        const found = truth[parameter];
        const kit = doc.kits[`kit-${parameter}`];
        if (!found || !kit) return [];
        const [value, noise] = found;
        // Scales that start at nothing err by a share; thermometers and their like by their noise.
        const share = parameter === 'nitrate' || parameter === 'phosphate' ? 0.1 : 0;
        return [{ parameter, kitId: kit.id, value: readBy(kit, value, { share, noise, slip: 0.02 }, d) }];
      });
      if (readings.length === 0) break;
      const id = `s${i}-${round}`;
      out.tests += 1;
      const at = new Date(nowMs - (2 - round) * 1000).toISOString();
      doc.samples = { ...doc.samples, [id]: { id, waterId: 't', at, readings, note: '' } };
      a = assessWater(doc, 't', nowMs);
    }
    const word = a.living?.word ?? '';
    if (word !== was && (word === 'watch' || word === 'actNow')) {
      const code = `${word} ${a.living?.reason.code}`;
      out.codes[code] = (out.codes[code] ?? 0) + 1;
      if (word === 'watch') out.watches += 1;
      else out.actNows += 1;
    }
    was = word;
  }
  return out;
}
