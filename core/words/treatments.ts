/** Treatments in words. None proposes a medicine or a dose: amounts are the label's, carried over to the water there is. */
import type { Treatment } from '../document';
import type { TreatmentAsk, TreatmentConflict } from '../quarantine';
import { formatDecimal, showQuantity, type UnitPreferences } from '../units';

export const CONFLICT_WORDS: Record<TreatmentConflict, string> = {
  copperWithInvertebrates:
    'Copper kills the invertebrates and corals in this water. They must be elsewhere before anything is given.',
  copperInDisplay:
    'Copper in a display ends it for invertebrates and corals: rock, sand and silicone give it back for years.',
  copperWithMedia:
    'Rock and media soak up copper: its level falls and comes back unforeseen. A bare tank is the one to treat in.',
  antibioticWithFilter:
    'Antibiotics kill the bacteria of the filter: reckon with ammonia as in a bare tank, and test daily.',
  ammoniaHidden:
    'While it is in the water ammonia kits may mislead: change water by the plan, not by the kit.',
};

export const HOLDS_WORDS: Record<Treatment['holds'], string> = {
  copper: 'Copper',
  antibiotic: 'An antibiotic',
  other: 'Something else',
};

export function askWords(ask: TreatmentAsk, t: Treatment, units: UnitPreferences): string {
  switch (ask.code) {
    case 'redose': {
      const litres = showQuantity('volume', ask.litres, units, 0);
      const amount =
        ask.amount === null || !t.per
          ? ''
          : ` That share of it is ${formatDecimal(ask.amount, 2)} ${t.per.unit}.`;
      return `${litres} were changed since ${t.product} was last given: look at the label whether it is replaced.${amount}`;
    }
    case 'endDay':
      return `${t.product} ends today, as you wrote from the label or the vet.`;
    case 'filtersOn':
      return `${t.product} has ended: carbon and ultraviolet are still off.`;
  }
}
