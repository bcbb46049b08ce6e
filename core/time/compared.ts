/** Order of two texts by their code units: of days and moments it is their order in time, of ids the same everywhere. The language's own order
 *  (localeCompare) is for names; the first time it is asked it costs a browser some 15 ms. */
export const compared = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
