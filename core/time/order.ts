/** In which order a language writes a date. */
export type DayOrder = 'dayFirst' | 'monthFirst' | 'yearFirst';

/** The languages met most. Asking the engine for the first time costs it some 50 ms, and the first screen waits for it. Source: CLDR. */
export const KNOWN: Readonly<Record<DayOrder, readonly string[]>> = {
  dayFirst: [
    ...['en-GB', 'en-IE', 'en-AU', 'en-NZ', 'en-IN', 'de', 'de-DE', 'de-AT', 'de-CH', 'fr', 'fr-FR', 'fr-BE'],
    ...['es', 'es-ES', 'es-MX', 'it', 'it-IT', 'nl', 'nl-NL', 'nl-BE', 'pt', 'pt-BR', 'pt-PT', 'pl', 'pl-PL'],
  ],
  monthFirst: ['en', 'en-US'],
  yearFirst: ['en-CA', 'ja', 'ja-JP', 'sv-SE', 'hu-HU', 'zh-CN'],
};

/** @param language a BCP 47 tag; one that is none counts as English of Europe. Source: CLDR, as the engine carries it. */
export function dayOrder(language: string): DayOrder {
  const known = (Object.keys(KNOWN) as DayOrder[]).find((order) => KNOWN[order].includes(language));
  return known ?? dayOrderByEngine(language);
}

/** The same, asked of the engine for any language. */
export function dayOrderByEngine(language: string): DayOrder {
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
