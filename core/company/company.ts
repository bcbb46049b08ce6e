/** The company of a tank as a whole: every rule over everybody, what going without one changes, and the fewest that must go. */
import { dailyLoadMgN } from '../stocking';
import { ofOne } from './alone';
import { finding, type Finding, type Severity } from './finding';
import { ofTheFood } from './food';
import { COMPANY } from './limits';
import type { Member, Tank } from './member';
import { ofTwo } from './pairs';

const GRAVEST: Record<Severity, number> = { no: 0, onlyIf: 1, note: 2 };

/** All that is found of these together, the gravest first and what lasts before what passes. */
export function companyOf(tank: Tank, members: readonly Member[]): Finding[] {
  const found = [
    ...members.flatMap((m) => ofOne(tank, m)),
    ...members.flatMap((a, i) =>
      members.slice(i + 1).flatMap((b) => (a.species.id === b.species.id ? [] : ofTwo(tank, a, b))),
    ),
    ...ofKinds(members),
    ...ofCorals(members),
    ...ofTheFirst(members),
    ...ofTheLoad(tank, members),
    ...ofTheFood(tank, members),
  ];
  const here = new Set(members.flatMap((m) => (m.stage === 'here' ? [m.id] : [])));
  const isNow = ({ ids }: Finding) => Number(ids.every((id) => here.has(id)));
  const lack = lacking(found);
  return found.sort(
    (a, b) =>
      GRAVEST[a.severity] - GRAVEST[b.severity] ||
      Number(b.lasting) - Number(a.lasting) ||
      // What goes wrong for those who live here comes before what would.
      isNow(b) - isNow(a) ||
      a.ids.length - b.ids.length ||
      lack(b) - lack(a),
  );
}

/** How many times the room of this glass somebody wants, at the most; nothing for whoever has it. */
function lacking(found: readonly Finding[]): (f: Finding) => number {
  const most = new Map<string, number>();
  for (const { ids, says } of found) {
    const times =
      says.code === 'tooLargeForTank'
        ? says.minTankL / says.glassL
        : says.code === 'tooLongForTank'
          ? says.minTankCm / says.lengthCm
          : 0;
    for (const id of ids) most.set(id, Math.max(times, most.get(id) ?? 0));
  }
  return ({ ids }) => (ids.length === 1 ? (most.get(ids[0] as string) ?? 0) : 0);
}

/** How many there are of each kind, and how many there should be. */
function ofKinds(members: readonly Member[]): Finding[] {
  const groups = new Map<string, Member[]>();
  for (const m of members) groups.set(m.species.id, [...(groups.get(m.species.id) ?? []), m]);
  return [...groups.values()].flatMap((same): Finding[] => {
    const species = same[0]?.species;
    if (!species) return [];
    const { common: name, maxPerTank: most, leastGroup: least } = species;
    const ids = same.map((m) => m.id);
    const count = same.reduce((sum, m) => sum + m.count, 0);
    if (most !== null && count > most)
      return [finding(ids, { code: 'tooManyOfKind', name, most, would: count })];
    return count < least ? [finding(ids, { code: 'tooFewOfKind', name, least, count })] : [];
  });
}

/** Corals that reach others, anemones that walk among them, fish that may nip them. */
function ofCorals(members: readonly Member[]): Finding[] {
  const sessile = members.filter((m) => m.species.group === 'coral' || m.species.is.includes('clam'));
  return members.flatMap((m): Finding[] => {
    const { common: name, coral, reefSafe, is } = m.species;
    const others = sessile.filter((s) => s !== m && s.species.id !== m.species.id);
    if (others.length === 0 && reefSafe !== 'no') return [];
    const found: Finding[] = [];
    if (coral && coral.stingCm >= COMPANY.reachesCm)
      found.push(finding([m.id], { code: 'stingReach', name, reachCm: coral.stingCm }));
    if (is.includes('anemone')) found.push(finding([m.id], { code: 'walksAndStings', name }));
    else if (reefSafe === 'caution' && !m.species.crew)
      found.push(finding([m.id], { code: 'notAlwaysReefSafe', name }));
    if (reefSafe === 'no')
      found.push(finding([m.id], { code: 'notReefSafe', name }, others.length > 0 ? { severity: 'no' } : {}));
    return found;
  });
}

/** A territorial fish that would be the first of all. */
function ofTheFirst(members: readonly Member[]): Finding[] {
  const fish = members.filter((m) => m.species.group === 'fish');
  const inside = fish.some((m) => m.stage !== 'wish');
  if (inside) return [];
  return fish
    .filter((m) => m.species.temperament === 'territorial')
    .map((m) => finding([m.id], { code: 'territorialFirst', name: m.species.common }));
}

/** mg N a day of all when grown up. */
export const grownMgN = (members: readonly Member[]): number =>
  members.reduce((sum, m) => sum + m.count * dailyLoadMgN(m.species, m.species.adultCm), 0);

function ofTheLoad({ carriesMgN }: Tank, members: readonly Member[]): Finding[] {
  const mgN = grownMgN(members);
  if (carriesMgN === null || mgN <= carriesMgN) return [];
  const ids = members.filter((m) => dailyLoadMgN(m.species, m.species.adultCm) > 0).map((m) => m.id);
  return [finding(ids, { code: 'grownLoad', mgN, carriesMgN })];
}

/** What there is to say of one of them. */
export const findingsOf = (found: readonly Finding[], id: string): Finding[] =>
  found.filter((f) => f.says.code !== 'grownLoad' && f.ids.includes(id));

/** What taking some out does: the findings that go, and those that stay for the rest. */
export function without(
  tank: Tank,
  members: readonly Member[],
  out: ReadonlySet<string>,
): { gone: Finding[]; stays: Finding[] } {
  const before = companyOf(tank, members);
  const stays = companyOf(
    tank,
    members.filter((m) => !out.has(m.id)),
  );
  const left = new Set(stays.map((f) => JSON.stringify(f.says)));
  return { gone: before.filter((f) => !left.has(JSON.stringify(f.says))), stays };
}

/** What lasts and goes wrong: no day is right for it. */
const isMisfit = (f: Finding): boolean => f.severity === 'no' && f.lasting;

/** What a plan must leave apart. */
export interface Apart {
  /** Wishes no day is right for, by themselves or with those who are not asked, and why. */
  never: ReadonlyMap<string, Finding>;
  /** Of the other wishes those that may not both come. */
  pairs: { ids: readonly [string, string]; finding: Finding }[];
}

/** @param settled those at home, and those bought already; @param wishes who is asked about */
export function apartOf(tank: Tank, settled: readonly Member[], wishes: readonly Member[]): Apart {
  const never = new Map<string, Finding>();
  for (const wish of wishes) {
    const misfit = findingsOf(companyOf(tank, [...settled, wish]), wish.id).find(isMisfit);
    if (misfit) never.set(wish.id, misfit);
  }
  const asked = wishes.filter((w) => !never.has(w.id));
  // Of those at home only the same kind adds to what a pair is to each other.
  const kin = (a: Member, b: Member) =>
    a.species.id === b.species.id ? settled.filter((s) => s.species.id === a.species.id) : [];
  const pairs = asked.flatMap((a, i) =>
    asked.slice(i + 1).flatMap((b): Apart['pairs'] => {
      const together = companyOf(tank, [...kin(a, b), a, b]);
      const clash = findingsOf(together, a.id).find((f) => isMisfit(f) && f.ids.includes(b.id));
      return clash ? [{ ids: [a.id, b.id], finding: clash }] : [];
    }),
  );
  return { never, pairs };
}

/** How dear one is to take out: wishes cost nothing yet, those on their way come next, those at home last. */
const DEAR: Record<Member['stage'], number> = { wish: 1, coming: 1.01, here: 1.02 };

/** The fewest groups without which nothing lasting goes wrong, wishes before those that are bought and before those at home. Exact: of the
 *  members of each misfit that still stands one must go, each is tried, and no set dearer than the best is followed. Null where more than a
 *  handful would have to go. */
export function fewestToGo(tank: Tank, members: readonly Member[]): string[] | null {
  let best: { out: string[]; cost: number } | null = null;
  const follow = (left: readonly Member[], out: string[], cost: number) => {
    if (best && cost >= best.cost) return;
    const misfit = companyOf(tank, left).find(isMisfit);
    if (!misfit) {
      best = { out, cost };
      return;
    }
    if (out.length >= COMPANY.removalMost) return;
    const those = left.filter((m) => misfit.ids.includes(m.id)).sort((a, b) => DEAR[a.stage] - DEAR[b.stage]);
    for (const m of those)
      follow(
        left.filter((l) => l !== m),
        [...out, m.id],
        cost + DEAR[m.stage],
      );
  };
  follow(members, [], 0);
  return (best as { out: string[]; cost: number } | null)?.out ?? null;
}
