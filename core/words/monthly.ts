/** A water's month in words: parts with their lines, for the page, for paper and for a file. */
import { PARAMETER_NAMES } from '../document';
import type { MonthLook } from '../monthly';
import { formatDecimal, showDifference, showQuantity } from '../units';
import { capital, days, plural, type WordsContext } from './say';

const UNIT = {
  alkalinity: 'dKH',
  calcium: 'mg/L',
  magnesium: 'mg/L',
  nitrate: 'mg/L',
  phosphate: 'mg/L',
} as const;

export function monthWords(look: MonthLook, w: WordsContext): { title: string; lines: string[] }[] {
  const { used, spent } = look;
  const litres = (x: number) => showQuantity('volume', x, w.units, 0);
  const grams = (g: number) =>
    w.units.mass === 'g' && g >= 1000 ? `${formatDecimal(g / 1000, 2)} kg` : showQuantity('mass', g, w.units);
  const some = (n: number, line: string): string[] => (n > 0 ? [line] : []);
  return [
    {
      title: 'Used',
      lines: [
        ...some(used.changedL, `${litres(used.changedL)} changed.`),
        ...some(used.toppedL, `${litres(used.toppedL)} topped up.`),
        ...some(used.madeL, `${litres(used.madeL)} of RO/DI water made.`),
        ...some(used.saltGrams, `${grams(used.saltGrams)} of salt mixed.`),
        ...some(used.foodGrams, `${grams(used.foodGrams)} fed.`),
        `${used.tests} ${plural(used.tests, 'reading', 'readings')} in ` +
          `${used.samples} ${plural(used.samples, 'sitting', 'sittings')}, ` +
          `the longest gap ${days(look.longestGapDays)}.`,
      ],
    },
    {
      title: 'Spent',
      lines: [
        ...some(spent.equipment, `${spent.equipment.toFixed(2)} on equipment.`),
        ...some(spent.animals, `${spent.animals.toFixed(2)} on animals.`),
        ...(spent.equipment + spent.animals === 0 ? ['Nothing with a price was entered.'] : []),
      ],
    },
    {
      title: 'Made and used up by the tank',
      lines:
        look.born.length === 0
          ? ['Three readings over three days of the month tell it.']
          : look.born.map(({ parameter, use }) => {
              const made = use.perDay < 0;
              const unit = UNIT[parameter];
              const [low, high] = made ? [-use.high, -use.low] : [use.low, use.high];
              const perDay = `${formatDecimal(Math.abs(use.perDay), 3)} ${unit} a day ${made ? 'made' : 'used'}`;
              const between = `nine in ten between ${formatDecimal(low, 3)} and ${formatDecimal(high, 3)}`;
              return `${capital(PARAMETER_NAMES[parameter])}: ${perDay}, ${between}.`;
            }),
    },
    {
      title: 'Animals',
      lines: [
        ...some(look.joined, `${look.joined} joined.`),
        ...some(look.lost, `${look.lost} ${plural(look.lost, 'was', 'were')} lost.`),
        ...(look.joined + look.lost === 0 ? ['None came, none was lost.'] : []),
      ],
    },
    {
      title: 'What drifts',
      lines: [
        ...look.drifts.map((d) => {
          const by =
            d.parameter === 'temperature' || d.parameter === 'salinity'
              ? showDifference(d.parameter, d.perWeek, w.units)
              : `${formatDecimal(d.perWeek, 2)}${d.parameter === 'alkalinity' ? ' dKH' : ''}`;
          return `${capital(PARAMETER_NAMES[d.parameter])}: ${by} a week.`;
        }),
        ...(look.membrane ? [heldBack(look.membrane)] : []),
        ...(look.drifts.length === 0 ? ['Nothing wanders by more than usual.'] : []),
      ],
    },
  ];
}

/** What the membrane holds back now, and in the beginning where that was more. */
function heldBack({ first, last }: NonNullable<MonthLook['membrane']>): string {
  const percent = (x: number) => `${formatDecimal(x * 100, 1)} %`;
  const before = first - last > 0.01 ? `, ${percent(first)} at the beginning` : '';
  return `The membrane holds back ${percent(last)}${before}.`;
}
