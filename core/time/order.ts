/** In which order a language writes a date. */
export type DayOrder = 'dayFirst' | 'monthFirst' | 'yearFirst';

/** @param language a BCP 47 tag; one that is none counts as English of Europe. Source: CLDR, as the engine carries it. */
export function dayOrder(language: string): DayOrder {
  let format: Intl.DateTimeFormat;
  try {
    format = new Intl.DateTimeFormat(language, { year: 'numeric', month: 'numeric', day: 'numeric' });
  } catch {
    return 'dayFirst';
  }
  const first = format.formatToParts(0).find((part) => part.type !== 'literal')?.type;
  if (first === 'year') return 'yearFirst';
  return first === 'month' ? 'monthFirst' : 'dayFirst';
}
