/** What may become of a partial plan: who could still be placed, and who is in every plan that places the most. */
import { type Month } from './calendar';
import { ALWAYS, type MayEnter, mayEnterAfter, roughlyWhoMayEnter, whoMayEnter } from './doubling';
import { SLACK, type Wish } from './problem';
import { BITS, type Case, type Label, LATE, type Prospect } from './label';
import type { World } from './world';

/** Who could still be placed after a label, as far as order, company and what is set go. */
function possible(world: World, label: Label): readonly number[] {
  const { p } = world;
  const out: number[] = [];
  for (let i = 0; i < p.wishes.length; i++)
    if (!label.placed[i] && world.least[i] !== null && mayStill(world, label, i)) out.push(i);
  return world.rough
    ? roughlyWhoMayEnter(world, label, out)
    : whoMayEnter(mayEnterAfter(world, label), out, []);
}

function mayStill(world: World, label: Label, i: number): boolean {
  const { p } = world;
  const w = p.wishes[i] as Wish;
  for (const other of world.conflicts[i] as number[]) if (label.placed[other]) return false;
  if ((world.quarantinesOf[i] as number[]).length === 0 || label.day > (world.latest[i] as number))
    return false;
  const [a, b, c] = label.fishFirst;
  if (w.line === 'invertebrate' && w.crew && Math.min(a, b, c) < LATE) return false;
  if (w.line === 'fish') {
    const t = w.temperament ?? 0;
    const fiercer = Math.min(t < 1 ? b : LATE, t < 2 ? c : LATE);
    // On the very day of the fiercer it may still come.
    if (fiercer < label.day) return false;
  }
  return true;
}

/** Whoever is at a level is there in every plan that places so many of it, and keeps others of lower ones out: their enemies, and those with whom
 *  the load of one could never enter. */
export function prospectOf(world: World, label: Label): Prospect {
  const money =
    world.p.budget === null ? LATE : Math.min(moneyLeft(world, label), costOfRest(world, label)) + SLACK;
  if (world.rough || world.p.wishes.length > BITS) return reckoned(world, label, money);
  const state = stateOf(world, label);
  let known = world.prospects.get(state);
  if (!known) world.prospects.set(state, (known = new Map()));
  let prospect = known.get(money);
  if (!prospect) known.set(money, (prospect = reckoned(world, label, money)));
  return prospect;
}

/** All that a prospect hangs on but money: who is placed, whether a fiercer fish came on an earlier day, how much of what is set is there, and whom that
 *  lets come no more. */
function stateOf({ setLoads, set }: World, { mask, day, fishFirst: [, middling, fierce] }: Label): number {
  const passed = (fierce < day ? 2 : 0) + (Math.min(middling, fierce) < day ? 1 : 0);
  let there = 0;
  for (const r of setLoads) if (r.day <= day) there++;
  // Cleaners come no later than the day before, which counts for them as the day itself.
  for (const s of set) there += s.release < day ? 2 : s.release === day ? 1 : 0;
  return ((mask >>> 0) * 4 + passed) * (setLoads.length + 2 * set.length + 1) + there;
}

function reckoned(world: World, label: Label, budget: number): Prospect {
  const left = possible(world, label);
  const most = [...label.worth.placed];
  const mayEnter = mayEnterAfter(world, label);
  const sure: number[] = [];
  const pairs: Pair[] = [];
  let money = budget;
  let pool = left;
  for (let level = 0; level < most.length; level++) {
    const here = pool.filter((i) => world.levelOf[i] === level);
    if (here.length === 0) continue;
    const lost = pairsAmong(world, mayEnter, pool, here, sure);
    const count = here.length - lost.length;
    if (world.p.budget !== null) {
      const paid = paidFor(world, here, money, count);
      money -= paid.price;
      if (paid.count < count) {
        most[level]! += paid.count;
        continue;
      }
    }
    most[level]! += count;
    pairs.push(...lost);
    for (const i of here) if (!isPaired(lost, i)) sure.push(i);
    if (level + 1 < most.length) pool = besides(world, mayEnter, pool, sure);
  }
  return { left, most, sure, cases: casesOf(world, { left, sure }, pairs) };
}

/** With more pairs than this the others are left open. */
const MOST_PAIRS = 2;

/** By who of each pair is placed. */
function casesOf(world: World, first: Case, pairs: readonly Pair[]): Case[] {
  let cases = [first];
  if (world.rough) return cases;
  for (const pair of pairs.slice(0, MOST_PAIRS))
    cases = cases.flatMap(({ left, sure }) =>
      pair.map((chosen) => ({
        left: left.filter((i) => !(world.conflicts[chosen] as number[]).includes(i)),
        sure: [...sure, chosen],
      })),
    );
  return cases;
}

/** Those who could be there together with all that are sure, and these. */
function besides(
  world: World,
  mayEnter: MayEnter,
  pool: readonly number[],
  sure: readonly number[],
): readonly number[] {
  const met =
    world.p.forbidden.length === 0
      ? pool
      : pool.filter((i) => !(world.conflicts[i] as number[]).some((other) => sure.includes(other)));
  if (mayEnter === ALWAYS) return met;
  const able = whoMayEnter(mayEnter, met, sure);
  return able.filter((i) => sure.includes(i) || sure.every((k) => mayEnter(k, able, [...sure, i])));
}

/** The cheapest of some, as many as money is there for. */
function paidFor(
  world: World,
  here: readonly number[],
  money: number,
  most: number,
): { count: number; price: number } {
  const prices = here.map((i) => world.prices[i] as number).sort((a, b) => a - b);
  let count = 0;
  let price = 0;
  while (count < most && price + (prices[count] as number) <= money) price += prices[count++] as number;
  return { count, price };
}

type Pair = readonly [number, number];

const isPaired = (pairs: readonly Pair[], i: number): boolean => pairs.some(([a, b]) => a === i || b === i);

/** Pairs of whom one is lost, nobody in two of them: they may not meet, or with the one there the other's load never may enter. */
function pairsAmong(
  world: World,
  mayEnter: MayEnter,
  pool: readonly number[],
  here: readonly number[],
  sure: readonly number[],
): Pair[] {
  const pairs: Pair[] = [];
  if (world.p.forbidden.length === 0 && mayEnter === ALWAYS) return pairs;
  const keepsOut = (a: number, b: number) => mayEnter !== ALWAYS && !mayEnter(b, pool, [...sure, a]);
  for (const a of here)
    for (const b of here) {
      if (b <= a || isPaired(pairs, a) || isPaired(pairs, b)) continue;
      if ((world.conflicts[a] as number[]).includes(b) || keepsOut(a, b) || keepsOut(b, a))
        pairs.push([a, b]);
    }
  return pairs;
}

/** What all who are not placed cost: more money is of no use. */
function costOfRest({ prices }: World, { placed }: Label): number {
  let cost = 0;
  for (let i = 0; i < placed.length; i++) if (!placed[i]) cost += prices[i] as number;
  return cost;
}

/** What may still be spent in all, up to the last month whose purchase can be out in time. */
function moneyLeft({ calendar }: World, label: Label): number {
  let k = calendar.months.length - 1;
  while (k >= 0 && (calendar.months[k] as Month).out >= calendar.end) k--;
  return label.leftBy[k] ?? 0;
}
