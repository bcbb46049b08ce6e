/** One number the app judges by, with all a reader needs to question it. */
export interface Limit<V = number> {
  value: V;
  unit: string;
  /** What it is for, as a phrase. */
  meaning: string;
  /** A publication, a section of the science notes, or "common practice". */
  source: string;
}

export type LimitTable = Record<string, Limit<number | readonly number[]>>;

/** A limit on one line, keeping the literal type of its value. */
export const limit = <const V extends number | readonly number[]>(
  value: V,
  unit: string,
  meaning: string,
  source: string,
): Limit<V> => ({ value, unit, meaning, source });

/** The bare values of a table, for the rules to reckon with. */
export const valuesOf = <T extends LimitTable>(table: T): { readonly [K in keyof T]: T[K]['value'] } =>
  Object.fromEntries(Object.entries(table).map(([name, l]) => [name, l.value])) as {
    [K in keyof T]: T[K]['value'];
  };
