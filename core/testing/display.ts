/** A document with one display in it, "t", for tests that tell its log. */
import { DEFAULT_SETTINGS, emptyDocument, type Display, type Document, type Kit } from '../document';

export function oneDisplay(kits: readonly Kit[], volumeL: number, more: Partial<Display> = {}): Document {
  return {
    ...emptyDocument(),
    settings: { person: DEFAULT_SETTINGS },
    kits: Object.fromEntries(kits.map((k) => [k.id, k])),
    waters: {
      t: {
        id: 't',
        name: 'Test',
        startDay: '2026-01-01',
        kind: 'display',
        size: { kind: 'volume', volumeL },
        sumpL: 0,
        rockKg: 0,
        sandKg: 0,
        hasLid: true,
        ammoniaSource: 'bottled',
        bacteriaSources: ['bottle'],
        school: 'proof24',
        ...more,
      },
    },
  };
}
