/** What happened between two decisions, in one line; and readings as the kits show them. */
import { type Document, type Kit, type Reading, readingText } from '../../../core/document';
import {
  decisionsOf,
  PRACTICE_WATER,
  PRICES,
  type CarefulCourse,
  type Decision,
  type DecisionCost,
  type Scenario,
  type Truth,
} from '../../../core/practice';
import { animalWords, listed } from '../../../core/words';
import { DAY_MS } from '../../../core/time';
import { formatDecimal, fromMgNPerL, showQuantity, type UnitPreferences } from '../../../core/units';

/** @returns what somebody standing before the tank would have noticed; a quiet line where that was nothing */
export function between(scenario: Scenario, startMs: number, fromMs: number, toMs: number): string {
  const [from, to] = [(fromMs - startMs) / DAY_MS, (toMs - startMs) / DAY_MS];
  const seen = scenario.mishaps.filter((m) => m.day > from && m.day <= to);
  const words = seen.map((m) => {
    switch (m.kind) {
      case 'heater':
        return 'The water feels warm.';
      case 'spill':
        return 'A lot of food lies on the sand.';
      case 'powerCut':
        return 'The power was gone for some hours.';
      case 'away':
        return `You leave for ${m.days} days.`;
      case 'signs':
        return 'Whoever is in quarantine looks different.';
    }
  });
  return words.length > 0 ? words.join(' ') : 'Nothing was to be seen.';
}

/** What a hand feels as too warm, °C. */
const WARM_C = 27.5;

/** What whoever stands before the waters sees and feels now, without a kit. */
export function seenNow(truth: Pick<Truth, 'signs' | 'tempC'>, inQuarantine: boolean): string[] {
  const seen: string[] = [];
  if (truth.tempC > WARM_C) seen.push('The water feels warm.');
  if (inQuarantine)
    seen.push(
      truth.signs
        ? 'Whoever is in quarantine has spots: log the sign you see.'
        : 'Whoever is in quarantine looks well.',
    );
  return seen;
}

/** "0.5", "over 5", "25.1 °C". */
export function readingLine(reading: Reading, kits: Record<string, Kit>, units: UnitPreferences): string {
  const kit = kits[reading.kitId];
  const { value } = reading;
  if (value.kind === 'exact' && (reading.parameter === 'temperature' || reading.parameter === 'salinity'))
    return showQuantity(reading.parameter, value.value, units);
  return `${readingText(value)}${kit ? `, by ${kit.name}` : ''}`;
}

/** "Ammonia dosed, 2 mg/L NH₄", "40 L changed", "Turbo snail let in". */
export function decisionWords(
  { what }: Decision,
  doc: Document,
  litres: number,
  units: UnitPreferences,
): string {
  if (what.kind === 'animal') {
    const animal = doc.animals[what.animalId];
    return animal ? `${animalWords(doc, animal)} let in` : 'An animal let in';
  }
  const { event } = what;
  switch (event.kind) {
    case 'ammoniaDose':
      return `Ammonia dosed, ${formatDecimal(fromMgNPerL('ammonia', 'ion', event.mgN / litres), 1)} mg/L NH₄`;
    case 'waterChange':
      return `${showQuantity('volume', event.litres, units, 0)} changed`;
    case 'bacteria':
      return event.seed === 'bottle' ? 'A bottle of bacteria' : 'Running media put in';
    case 'food':
      return event.food === 'seafood' ? 'Seafood put in' : 'Fed';
    case 'dose':
      return `${event.what} raised`;
    default:
      return 'Something switched off';
  }
}

/** "It would have put in a bottle on day 1, dosed on days 1, 29 and 37, and changed 90 L on day 40." */
export function carefulWords({ doc, startMs }: CarefulCourse, units: UnitPreferences): string {
  const done = decisionsOf(doc, PRACTICE_WATER, Infinity);
  const on = (kind: Decision['what']['kind'], words: (days: string, litres: number) => string): string[] => {
    const these = done.filter((d) => d.what.kind === kind);
    if (these.length === 0) return [];
    const days = [...new Set(these.map((d) => String(Math.floor((d.atMs - startMs) / DAY_MS) + 1)))];
    const changed = these.reduce(
      (sum, { what }) =>
        sum + (what.kind === 'waterChange' && 'litres' in what.event ? what.event.litres : 0),
      0,
    );
    return [words(`day${days.length === 1 ? '' : 's'} ${listed(days)}`, changed)];
  };
  const parts = [
    ...on('bacteria', (days) => `put in a bottle on ${days}`),
    ...on('ammoniaDose', (days) => `dosed 2 mg/L NH₄ on ${days}`),
    ...on('dose', (days) => `raised alkalinity on ${days}`),
    ...on('waterChange', (days, of) => `changed ${showQuantity('volume', of, units, 0)} on ${days}`),
  ];
  return parts.length === 0 ? 'It would have done nothing.' : `It would have ${listed(parts)}.`;
}

/** What it came to, each part that counts: the day of the proof, animals, nitrogen, money. Calm where it came to nothing. */
export function costWords(cost: DecisionCost, decision: Decision): string {
  const parts = [...animalsOf(cost), dayOfProof(cost)];
  const mg = Math.round(cost.nitrogenMg);
  if (mg !== 0) parts.push(mg > 0 ? `${mg} mg N in` : `${-mg} mg N out`);
  const price = priceOf(decision);
  if (price >= 0.05) parts.push(`cost ${price.toFixed(1)}`);
  return parts.join('; ');
}

const animalsOf = ({ lost, saved }: DecisionCost): string[] => [
  ...(lost > 0 ? [`cost ${lost === 1 ? 'an animal its life' : `${lost} animals their lives`}`] : []),
  ...(saved > 0 ? [`kept ${saved === 1 ? 'an animal' : `${saved} animals`} alive`] : []),
];

function dayOfProof({ readyWith, readyWithout, moreCapacity }: DecisionCost): string {
  const day = (at: number): string => `day ${Math.floor(at) + 1}`;
  if (readyWith !== null && readyWithout !== null) {
    const by = Math.round(readyWith - readyWithout);
    if (by === 0) return 'the proof no sooner and no later';
    const days = `${Math.abs(by)} day${Math.abs(by) === 1 ? '' : 's'}`;
    return by < 0 ? `the proof ${days} sooner` : `the proof ${days} later`;
  }
  if (readyWith !== null) return `without it no proof by now, with it from ${day(readyWith)}`;
  if (readyWithout !== null) return `without it a proof from ${day(readyWithout)}, with it none by now`;
  const share = Math.round(100 * moreCapacity);
  if (Math.abs(share) < 2) return 'no proof by now either way';
  return `no proof by now either way, the slower bacteria ${Math.abs(share)} % ${share > 0 ? 'stronger' : 'weaker'} by it`;
}

function priceOf({ what }: Decision): number {
  if (what.kind === 'animal') return PRICES.animal;
  const { event } = what;
  if (event.kind === 'waterChange') return event.litres * PRICES.changePerL;
  if (event.kind === 'bacteria') return event.seed === 'bottle' ? PRICES.bottle : PRICES.media;
  return event.kind === 'dose' || event.kind === 'ammoniaDose' ? PRICES.dose : 0;
}
