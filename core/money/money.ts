/** What a tank costs: animals bought and wished for, and a month of running it. In the person's own currency; nothing is converted. */
import { waterOf, type Display, type Document } from '../document';
import { learnedStrength, saltFor } from '../dosing/saltMix';
import { money as ofEquipment } from '../equipment';
import { membersOf } from '../company';
import { DAY_MS } from '../time';

export interface AnimalMoney {
  /** All purchases noted with a price, and those of the calendar month. */
  spent: number;
  spentThisMonth: number;
  /** Groups that were let in or are on their way, of which no price is noted. */
  spentUnpriced: number;
  /** Prices of the wishes, and how many have none. */
  wished: number;
  unpriced: number;
}

/** @param monthOf calendar month of a moment where the person is, "2026-03" */
export function animalMoney(
  doc: Document,
  display: Display,
  nowMs: number,
  monthOf: (ms: number) => string,
): AnimalMoney {
  const bought = Object.values(doc.purchases).filter((p) => p.waterId === display.id);
  const sum = (list: typeof bought) => list.reduce((total, p) => total + (p.price ?? 0), 0);
  const paid = new Set(bought.flatMap((p) => (p.price === null ? [] : p.animalIds)));
  const members = membersOf(doc, display);
  const wishes = members.filter((m) => m.stage === 'wish').map((m) => doc.animals[m.id]?.wish?.price);
  return {
    spent: sum(bought),
    spentThisMonth: sum(bought.filter((p) => monthOf(Date.parse(p.at)) === monthOf(nowMs))),
    spentUnpriced: members.filter((m) => m.stage !== 'wish' && !paid.has(m.id)).length,
    wished: wishes.reduce<number>((total, price) => total + (price ?? 0), 0),
    unpriced: wishes.filter((price) => price === undefined).length,
  };
}

export interface SetUpMoney {
  equipment: number;
  /** Parts without a price. */
  unpriced: number;
  animals: number;
  all: number;
}

/** What was put in so far: the equipment, out of use or not, and the animals. */
export function setUpMoney(doc: Document, display: Display): SetUpMoney {
  const parts = Object.values(doc.equipment).filter((e) => e.waterId === display.id && e.loan === null);
  const equipment = ofEquipment(parts, 0).spent;
  const animals = Object.values(doc.purchases)
    .filter((p) => p.waterId === display.id)
    .reduce((sum, p) => sum + (p.price ?? 0), 0);
  return {
    equipment,
    unpriced: parts.filter((e) => e.price === null).length,
    animals,
    all: equipment + animals,
  };
}

export interface MonthMoney {
  current: number | null;
  stated: number;
  salt: number | null;
  tests: number | null;
  /** Litres changed a month: as planned, else as logged over the last two months. */
  changedL: number;
}

const MONTH_DAYS = 30;
const LOOK_BACK_DAYS = 60;

/** Null where its price is not said. */
export function monthMoney(doc: Document, display: Display, netL: number, nowMs: number): MonthMoney {
  const { perKWh = null, saltPerKg = null, testsAMonth = null } = display.costs ?? {};
  const equipment = Object.values(doc.equipment).filter((e) => e.waterId === display.id);
  const stated = ofEquipment(equipment, 0).perMonth;
  const changedL = changedAMonth(doc, display, netL, nowMs);
  const kg = changedL > 0 ? saltFor(changedL, SALINITY, learnedStrength([]).gramsPerLitre) / 1000 : 0;
  return {
    current: perKWh === null ? null : ofEquipment(equipment, perKWh).perMonth - stated,
    stated,
    salt: saltPerKg === null ? null : kg * saltPerKg,
    tests: testsAMonth,
    changedL,
  };
}

const SALINITY = 35;

function changedAMonth(doc: Document, display: Display, netL: number, nowMs: number): number {
  const planned = display.planned?.change;
  if (planned) return (planned.share * netL * MONTH_DAYS) / planned.everyDays;
  const litres = Object.values(doc.events).reduce((sum, e) => {
    const ago = nowMs - Date.parse(e.at);
    const counts =
      e.kind === 'waterChange' && e.waterId === display.id && ago >= 0 && ago < LOOK_BACK_DAYS * DAY_MS;
    return counts ? sum + e.litres : sum;
  }, 0);
  return (litres * MONTH_DAYS) / LOOK_BACK_DAYS;
}

/** Those at home or wished for that jump, and what was or would be paid for them, where no lid is noted. */
export function jumpersWithoutLid(doc: Document, display: Display): { ids: string[]; worth: number } {
  if (display.hasLid) return { ids: [], worth: 0 };
  const ids = membersOf(doc, display).flatMap((m) => (m.species.jumps ? [m.id] : []));
  const worth = ids.reduce((sum, id) => sum + (doc.animals[id]?.wish?.price ?? paidFor(doc, id)), 0);
  return { ids, worth };
}

/** Its share of the purchase it came with. */
function paidFor(doc: Document, animalId: string): number {
  const purchase = Object.values(doc.purchases).find((p) => p.animalIds.includes(animalId));
  if (!purchase || purchase.price === null) return 0;
  const count = (id: string) => {
    const animal = doc.animals[id];
    return animal && animal.moves.some((m) => waterOf(m.to) !== null) ? animal.count : 0;
  };
  const all = purchase.animalIds.reduce((sum, id) => sum + count(id), 0);
  return all > 0 ? (purchase.price * count(animalId)) / all : 0;
}

/** Days until something is used up; null where none is used. */
export const consumed = (left: number, perDay: number): number | null => (perDay > 0 ? left / perDay : null);
