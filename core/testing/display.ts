/** A document with one display in it, "t", for tests that tell its log. */
import {
  DEFAULT_SETTINGS,
  emptyDocument,
  type Display,
  type Document,
  type Kit,
  type Quarantine,
  type QuarantineLine,
} from '../document';

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

/** One of a line, in use, that serves it. */
export const aQuarantine = (line: QuarantineLine, more: Partial<Quarantine> = {}): Quarantine => ({
  id: `for-${line}`,
  kind: 'quarantine',
  name: line,
  startDay: '2026-01-01',
  sumpL: 0,
  rockKg: 0,
  sandKg: 0,
  hasLid: true,
  serves: ['t'],
  line,
  size: { kind: 'volume', volumeL: 40 },
  filter: 'cycled',
  clockDays: 28,
  runs: [{ openedDay: '2026-01-01', closedDay: null }],
  ...more,
});
