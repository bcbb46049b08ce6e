/** Whether a quarantine is large enough and its water moves enough, in the person's units. */
import type { Quarantine } from '../document';
import { fitOf } from '../quarantine';
import { showQuantity, showRange, type UnitPreferences } from '../units';

export function fitWords(
  water: Quarantine,
  netL: number,
  units: UnitPreferences,
): { text: string; fits: boolean }[] {
  const { leastL, turnover } = fitOf(water, netL);
  const litres = (l: number) => showQuantity('volume', l, units, 0);
  return [
    ...(leastL === null
      ? []
      : [
          {
            fits: netL >= leastL,
            text:
              netL >= leastL
                ? `Large enough for an animal of ${showQuantity('length', water.largestCm ?? 0, units, 0)}.`
                : `An animal of ${showQuantity('length', water.largestCm ?? 0, units, 0)} wants ${litres(leastL)} at least; this holds ${litres(netL)}.`,
          },
        ]),
    ...(turnover === null
      ? []
      : [
          {
            fits: turnover.fits,
            text: `The pump turns it over ${turnover.perHour.toFixed(1)} times an hour; ${turnover.least} to ${turnover.most} is usual, ${showRange('volume', [turnover.least * netL, turnover.most * netL], units, 0)} an hour.`,
          },
        ]),
  ];
}
