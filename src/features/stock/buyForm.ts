/** A purchase, as texts, and from texts to what is stored. Plain functions. */
import { MAX_NAME, MAX_NOTE, type Purchase } from '../../../core/document';
import { readEntry, toMgNPerL, type UnitPreferences } from '../../../core/units';

/** One kind in the basket. */
export interface BasketRow {
  speciesId: string;
  count: number;
  waterId: string;
}
export interface BuyTexts {
  rows: BasketRow[];
  from: Purchase['from'];
  fromWhom: string;
  price: string;
  quarantinedDays: string;
  treatedWith: string;
  salinity: string;
  tempC: string;
  ph: string;
  ammonia: string;
  hours: string;
  why: string;
}
export type BuyFaults = Partial<Record<keyof BuyTexts, string>>;

export const newBasket = (): BuyTexts => ({
  rows: [],
  from: 'shop',
  fromWhom: '',
  price: '',
  quarantinedDays: '',
  treatedWith: '',
  salinity: '',
  tempC: '',
  ph: '',
  ammonia: '',
  hours: '',
  why: '',
});

/** Most of one kind in a purchase. */
const MOST = 200;

/** One more of a kind: into the water it goes to already, or the one proposed. */
export function withOneMore(rows: readonly BasketRow[], speciesId: string, waterId: string): BasketRow[] {
  const has = rows.some((r) => r.speciesId === speciesId);
  return has
    ? rows.map((r) => (r.speciesId === speciesId ? { ...r, count: Math.min(MOST, r.count + 1) } : r))
    : [...rows, { speciesId, count: 1, waterId }];
}

/** One less; none left leaves the basket. */
export const withOneLess = (rows: readonly BasketRow[], index: number): BasketRow[] =>
  rows.flatMap((r, i) => (i !== index ? [r] : r.count > 1 ? [{ ...r, count: r.count - 1 }] : []));

/** Half of a kind as a row of its own, to go elsewhere. */
export const splitRow = (rows: readonly BasketRow[], index: number): BasketRow[] =>
  rows.flatMap((r, i) => {
    if (i !== index || r.count < 2) return [r];
    const half = Math.floor(r.count / 2);
    return [
      { ...r, count: r.count - half },
      { ...r, count: half },
    ];
  });

type Said = Pick<Purchase, 'from' | 'fromWhom' | 'price' | 'quarantinedDays' | 'treatedWith' | 'bag'>;

/** @param o.guarded something speaks against one of them where it goes: then a reason is asked */
export function readBuy(
  t: BuyTexts,
  o: { units: UnitPreferences; guarded: boolean; never: boolean },
): { ok: true; rows: BasketRow[]; why: string; said: Said } | { ok: false; faults: BuyFaults } {
  const faults: BuyFaults = {};
  const optional = (field: keyof BuyTexts, rule: Parameters<typeof readEntry>[1]): number | undefined => {
    const text = t[field] as string;
    if (text.trim() === '') return undefined;
    const entry = readEntry(text, rule);
    if (entry.ok) return entry.value;
    faults[field] = entry.message;
    return undefined;
  };
  if (t.rows.length === 0) faults.rows = 'Choose what was bought.';
  if (o.never)
    faults.rows = 'One of them would go into water that has held copper. Choose another water for it.';
  if (o.guarded && t.why.trim() === '')
    faults.why = 'Say in your words why it goes in all the same. It stays with the animal.';
  if (t.fromWhom.length > MAX_NAME) faults.fromWhom = `At most ${MAX_NAME} characters.`;
  if (t.treatedWith.length > MAX_NOTE) faults.treatedWith = `At most ${MAX_NOTE} characters.`;
  const price = optional('price', { name: 'Price', unit: null, min: 0, max: 1e6 });
  const quarantinedDays = optional('quarantinedDays', {
    name: 'Days',
    unit: null,
    min: 0,
    max: 1000,
    whole: true,
  });
  const salinity = optional('salinity', {
    name: 'Salinity of the bag',
    unit: o.units.salinity,
    min: 2,
    max: 42,
    hint: 'Salinity is read between 2 and 42 ppt.',
  });
  const tempC = optional('tempC', {
    name: 'Temperature of the bag',
    unit: o.units.temperature,
    min: 5,
    max: 38,
  });
  const ph = optional('ph', { name: 'pH of the bag', unit: null, min: 5, max: 9.5 });
  const ammonia = optional('ammonia', { name: 'Ammonia of the bag', unit: null, min: 0, max: 20 });
  const hours = optional('hours', { name: 'Hours in the bag', unit: null, min: 0, max: 240 });
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    rows: t.rows,
    why: t.why,
    said: {
      from: t.from,
      fromWhom: t.fromWhom.trim(),
      price: price ?? null,
      quarantinedDays: quarantinedDays ?? null,
      treatedWith: t.treatedWith.trim(),
      bag: {
        ...(salinity === undefined ? {} : { salinity }),
        ...(tempC === undefined ? {} : { tempC }),
        ...(ph === undefined ? {} : { ph }),
        ...(ammonia === undefined ? {} : { tanMgN: toMgNPerL('ammonia', 'ion', ammonia) }),
        ...(hours === undefined ? {} : { hours }),
      },
    },
  };
}
