/** The rules of the stocking plan in words: what a date waits for, what haste would break, why a wish is left out and what would let it in. */
import type { Concession } from '../planner/alternatives';
import type { Apart } from '../planner/apart';
import type { Changed } from '../planner/changed';
import type { StockingPlan } from '../planner/plan';
import type { Problem } from '../planner/problem';
import type { Reason } from '../planner/reasons';
import type { Rule } from '../planner/rules';
import { LINE_WORDS } from './animals';
import { daysBetween } from '../time';
import { capital, days, listed, plural } from './say';

/** How names, days and amounts are said. */
export interface PlanSaying {
  nameOf: (wishId: string) => string;
  day: (day: string) => string;
  litres: (litres: number) => string;
}

/** Who goes first (R7). */
const ORDER =
  'cleaners go before fish, one fish or a pair before all other fish, the gentle before the fierce';

/** What a date waits for, without subject or full stop. */
function bindingText(r: Reason, w: PlanSaying): string {
  const others = listed(r.with.map(w.nameOf));
  const on = r.day === null ? '' : w.day(r.day);
  switch (r.rule) {
    case 'R1':
      return r.day === null
        ? 'waits until the water is ready for its kind'
        : `waits until the water is ready for its kind, on ${on}`;
    case 'R2':
      return r.most === null
        ? 'waits for the days its quarantine must be seen clear'
        : `waits for the ${r.most} days its quarantine must be seen clear${r.away ? ': those you are away do not count' : ''}`;
    case 'R3':
      return others === ''
        ? 'waits for room in its quarantine'
        : `waits for the quarantine, free after ${others}${on ? ` on ${on}` : ''}`;
    case 'R4':
      return others === ''
        ? 'waits for the addition before it to settle'
        : `waits for ${others} to settle${on ? `, in on ${on}` : ''}`;
    case 'R5':
      return r.would === null || r.most === null
        ? 'waits because the load may at most double in thirty days'
        : `waits because the load may at most double in thirty days: a day earlier it would be ${r.would.toFixed(1)} of at most ${r.most.toFixed(1)} mg N a day`;
    case 'R6':
      return r.would === null
        ? 'waits because free ammonia would rise too far'
        : `waits because a day earlier free ammonia would rise to ${r.would.toFixed(3)} mg/L`;
    case 'R7':
      return others === '' ? `waits for those that go first: ${ORDER}` : `waits for ${others}: ${ORDER}`;
    case 'R8':
      return r.day === null
        ? 'waits for who lives there, or for a lid'
        : `waits until the tank is old enough for it, on ${on}`;
    case 'R9':
      if (r.away === 'tests')
        return 'waits because a day earlier a test after it would fall on days you are away';
      return r.away === 'days'
        ? `waits until you are back, on ${on}: nobody comes while you are away or about to leave`
        : 'waits for a day with a shop';
    case 'R10':
      return r.most === null
        ? 'waits for the budget of a month'
        : `waits for the budget of the next month: ${r.would?.toFixed(0) ?? ''} of ${r.most.toFixed(0)} in this one`;
    case 'horizon':
      return 'waits for nothing: it could not be sooner';
  }
}

/** What a batch waits for, in one sentence or two. @param batch its wishes, one or more */
export function batchWaits(r: Reason, w: PlanSaying, batch: readonly string[]): string {
  if (r.who.length === 0) return `${batch.length > 1 ? 'The batch' : 'It'} ${bindingText(r, w)}.`;
  return `${listed(r.who.map(w.nameOf))} ${mustWait(r, w)}. The rest of the batch leaves that day, too.`;
}

/** What one of a batch waits for, without subject or full stop. */
export const wishWaits = (r: Reason, w: PlanSaying, wishId: string): string =>
  r.who.length === 0 || r.who.includes(wishId)
    ? bindingText(r, w)
    : `leaves its quarantine with ${listed(r.who.map(w.nameOf))}, which ${mustWait(r, w)}`;

/** Who of a batch could come sooner, and how. */
export const soonerText = (
  { wishIds, releaseDay, buyDay }: NonNullable<Apart['sooner']>,
  w: PlanSaying,
): string =>
  `Bought on ${w.day(buyDay)}, ${listed(wishIds.map(w.nameOf))} could be in on ${w.day(releaseDay)}, in a batch of their own; all else as planned.`;

/** The rest of a batch, as if it were one of the wishes. */
const REST = '';

/** What some of a batch would wait for without the others, too; those of whom the same is to be said together.
 *  @param batch all of its wishes */
export function waitingTexts(waiting: Apart['waiting'], batch: readonly string[], w: PlanSaying): string[] {
  const said = new Map<string, { reason: Reason; who: string[]; mates: string[] }>();
  for (const { wishId, reasons } of waiting)
    for (const r of reasons) {
      const mates = r.with.filter((id) => batch.includes(id));
      const reason = { ...r, with: r.with.filter((id) => !batch.includes(id)) };
      const key = JSON.stringify([reason, mates.length > 0]);
      said.set(key, { reason, mates, who: [...(said.get(key)?.who ?? []), wishId] });
    }
  const saying = { ...w, nameOf: (id: string) => (id === REST ? 'the rest of this batch' : w.nameOf(id)) };
  return [...said.values()].map(({ reason, who, mates }) => {
    const others = mates.length > 0 && who.length + mates.length > 2 ? [REST] : mates;
    return `In another batch, too, ${listed(who.map(w.nameOf))} ${mustWait({ ...reason, with: [...reason.with, ...others] }, saying)}.`;
  });
}

/** The same of one or of many that are named. */
const mustWait = (r: Reason, w: PlanSaying): string =>
  bindingText(r, w)
    .replace(/^waits/, 'must wait')
    .replace(' for it,', ',');

/** What moving a batch to another day breaks. */
export function brokenText(r: Reason, w: PlanSaying): string {
  const others = listed(r.with.map(w.nameOf));
  switch (r.rule) {
    case 'R1':
      return `The water is not ready for its kind${r.day === null ? '' : ` before ${w.day(r.day)}`}.`;
    case 'R2':
      return `Its quarantine is not over: ${r.most ?? ''} days must be seen clear. What shows on day twenty would be in the display.`;
    case 'R3':
      return others
        ? `Its quarantine is taken by ${others} then.`
        : 'That is more than its quarantine may hold.';
    case 'R4':
      return `The addition before or after has not settled${others ? `: ${others}` : ''}.`;
    case 'R5':
      return r.would === null || r.most === null
        ? 'The load would more than double within thirty days.'
        : `The load would be ${r.would.toFixed(1)} mg N a day; at most ${r.most.toFixed(1)} keeps the filter in step.`;
    case 'R6':
      return r.would === null
        ? 'Free ammonia would rise too far.'
        : `Free ammonia would rise to ${r.would.toFixed(3)} mg/L.`;
    case 'R7':
      return `The order turns round${others ? `: ${others}` : ''}. ${capital(ORDER)}.`;
    case 'R8':
      return r.day === null
        ? 'It may not live there as things are: the lid, or who lives there.'
        : `The tank is too young for ${r.who.length > 0 ? listed(r.who.map(w.nameOf)) : 'it'} before ${w.day(r.day)}.`;
    case 'R9':
      if (r.away === 'tests') return 'A test after it falls on days you are away.';
      return r.away === 'days'
        ? `You are away or about to leave, and back on ${r.day === null ? '' : w.day(r.day)}.`
        : 'There is no shop on the day it would be bought.';
    case 'R10':
      return 'The month costs more than its budget.';
    case 'horizon':
      return 'That day is past, or beyond the plan.';
  }
}

/** Why a wish is in no plan. */
const LEFT_OUT_WORDS: Record<Rule, string> = {
  R1: 'The start has no day yet on which it passes its gates.',
  R2: 'No quarantine of its line has the days for it.',
  R3: 'It is more than a quarantine of its line may hold, or all of them are taken.',
  R4: 'No time is left for it to settle between the others.',
  R5: 'It would more than double the load within thirty days.',
  R6: 'Free ammonia would rise too far after it.',
  R7: `It would have to come before others that cannot wait: ${ORDER}.`,
  R8: 'It may not live here: the lid, the age of the tank, or who is there forbids it.',
  R9: 'You are away, or there is no shop day, when it could come.',
  R10: 'It is dearer than the budget of its months allows.',
  horizon: 'It does not fit before the plan ends.',
};

/** What keeps one in that was bought together with others. */
const WITH_ITS_BATCH: Partial<Record<Rule, string>> = {
  R5: 'all of its batch at once would more than double the load within thirty days',
  R6: 'with all of its batch at once free ammonia would rise too far',
  R8: 'it may not live with another of its batch as things are',
};

/** The same, of a wish in a problem: where nobody keeps a quarantine for it, that is said. @param out all who are in no plan */
export function leftOutText(
  p: Problem,
  { wishId, rule }: Pick<StockingPlan['leftOut'][number], 'wishId' | 'rule'>,
  out: readonly { wishId: string }[],
): string {
  const { wishes, quarantines, fishGate, fewFirst } = p;
  const wish = wishes.find((w) => w.id === wishId);
  const line = wish?.line;
  if (rule === 'R1' && line === 'fish' && fishGate === null)
    return 'The days without fish after an outbreak have not begun: some are still in.';
  if (rule === 'R7' && line === 'fish' && fewFirst && !wish?.few)
    return 'One fish or a pair comes before all others, and none of the wishes that could be it has a day.';
  const at = p.fixed.find((f) => f.release === null && wishes[f.wish]?.id === wishId);
  if (at && rule === 'R9' && quarantines[at.quarantine]?.bare)
    return (
      'It is in a bare quarantine, and you are away before its days are over: what is bare is never left alone. ' +
      'Somebody has to look after it and change its water. Once you are back the plan gives it a day.'
    );
  const isOut = (id: string | undefined) => out.some((l) => l.wishId === id);
  const leads = p.fixed.some(
    (f) =>
      f !== at &&
      f.buy === at?.buy &&
      f.quarantine === at.quarantine &&
      f.release === null &&
      !isOut(wishes[f.wish]?.id),
  );
  if (leads)
    return (
      `It stays in its quarantine: ${WITH_ITS_BATCH[rule] ?? 'it cannot be let in with all of its batch'}. ` +
      'Once the others are in, the plan gives it a day of its own.'
    );
  const clock = at && quarantines[at.quarantine]?.clockDays;
  if (at && clock !== undefined && at.buy + clock > p.today + p.horizonDays)
    return 'The day it is bought on, as you set it, is too late for a plan to have a day for it. Set a sooner one, or let it go.';
  return rule === 'R2' && line && !quarantines.some((q) => q.line === line)
    ? `No quarantine for ${LINE_WORDS[line].toLowerCase()} is open.`
    : LEFT_OUT_WORDS[rule];
}

/** What a day that the person set breaks. */
export const AGAINST_WORDS: Record<Rule, string> = {
  R1: 'It is let in before the water is ready for its kind.',
  R2: 'It does not pass the days in which its quarantine must be seen clear, or has no quarantine to wait in.',
  R3: 'Its quarantine holds more than it may, or others are in it.',
  R4: 'It is let in before another addition has settled.',
  R5: 'It more than doubles the load within thirty days.',
  R6: 'Free ammonia would rise too far after it.',
  R7: `${capital(ORDER)}: this turns it round.`,
  R8: 'It may not live here as things are: the lid, the age of the tank, or who is there.',
  R9: 'You are away, just leaving, or there is no shop day, when it is bought or let in.',
  R10: 'The month costs more than its budget.',
  horizon: 'A day of it is past, or beyond the plan.',
};

/** What would let it in, all of it together. @param who the wish, or several that stand alike */
export function concessionsText(set: readonly Concession[], w: PlanSaying, who = 'it'): string {
  const text = listed(set.map((c) => concessionText(c, w)));
  return `${text.charAt(0).toUpperCase()}${text.slice(1)} would let ${who} in.`;
}

function concessionText(c: Concession, w: PlanSaying): string {
  switch (c.kind) {
    case 'lid':
      return 'a lid';
    case 'quarantine':
      return `one quarantine more, for ${LINE_WORDS[c.line].toLowerCase()}, of ${w.litres(c.netL)} or more,`;
    case 'budget':
      return `a budget of ${c.aMonth} a month${c.isFirst ? ', if wanted before the others,' : ''}`;
    case 'withoutOther':
      return `doing without ${w.nameOf(c.wishId)}`;
    case 'laterPlan':
      return 'a later plan';
    case 'gate':
      return 'a start that passes its gates';
  }
}

/** What a change would win, or risk. */
export const ALTERNATIVE_WORDS = {
  secondQuarantine: 'With a second quarantine like it',
  secondBottle: 'With another bottle of live bacteria now, if it is alive,',
  noQuarantine: 'Without any quarantine',
} as const;

/** What another plan of the same wishes wins, without subject or full stop. */
export function wonText(plan: StockingPlan, other: StockingPlan): string {
  const more = other.steps.length - plan.steps.length;
  if (more > 0) return `${more} more would come`;
  if (plan.lastRelease === null || other.lastRelease === null) return 'nothing changes';
  const sooner = daysBetween(other.lastRelease, plan.lastRelease);
  if (sooner > 0) return `the last is in ${days(sooner)} sooner`;
  const fewer = plan.batches - other.batches;
  if (fewer > 0) return `all are in by the same day, in ${fewer} ${plural(fewer, 'batch', 'batches')} fewer`;
  const won = plan.steps.flatMap((s) => {
    const then = other.steps.find((o) => o.wishId === s.wishId);
    return then && then.releaseDay < s.releaseDay ? [daysBetween(then.releaseDay, s.releaseDay)] : [];
  });
  if (won.length > 0)
    return `the last is in no sooner, but ${won.length} ${plural(won.length, 'other is', 'others are')}, by up to ${days(Math.max(...won))}`;
  // Where each comes by itself no more batches would help either.
  return plan.batches < plan.steps.length ? 'nothing is sooner in as few batches' : 'nothing is sooner';
}

/** What an empty filter lives on until the first of a plan are in. @param by the day by which it is to be fed; null for now */
export function unfedText(first: string, by: string | null, isProved: boolean, w: PlanSaying): string {
  const when = by === null ? 'now' : `by ${w.day(by)}`;
  const until = `Until the first are in, on ${w.day(first)}, the filter has nothing to live on.`;
  return isProved
    ? `${until} Feed it ${when}, or its proof counts no more on that day: 2 mg/L of ammonia again, and a test after 24 hours.`
    : `${until} Feed it ${when}: a little ammonia or a pinch of food, and both at zero again before they come.`;
}

/** What moved since the plan was last made, and why: one sentence. */
export function changedText(changed: Changed, w: PlanSaying): string {
  const { sinceDay, lost, gained, cause } = changed;
  const has = (ids: readonly string[], what: string) => {
    const names = ids.map(w.nameOf);
    return ids.length === 0 ? [] : [`${listed(names)} ${isMany(names) ? 'have' : 'has'} ${what}`];
  };
  const what = [...has(lost, 'no day any more'), ...shiftText(changed, w), ...has(gained, 'a day now')];
  return `Since ${w.day(sinceDay)} ${what.length === 0 ? 'no date moved' : listed(what)}: ${causeText(cause, w)}.`;
}

function shiftText({ most, moved }: Changed, w: PlanSaying): string[] {
  if (most === null) return [];
  const days = Math.abs(most.days);
  const name = w.nameOf(most.wishId);
  const shift = `${name} ${isMany([name]) ? 'are' : 'is'} ${days} ${plural(days, 'day', 'days')} ${most.days > 0 ? 'later' : 'sooner'}`;
  const others = moved > 1 ? `, and ${moved - 1} more moved` : '';
  return [`${shift}${others}`];
}

/** "2 × Banggai cardinalfish are", but "Royal gramma is". */
const isMany = (names: readonly string[]): boolean =>
  names.length > 1 || names.some((n) => n.includes(' × '));

function causeText(cause: Changed['cause'], w: PlanSaying): string {
  const names = 'ids' in cause ? cause.ids.map(w.nameOf) : [];
  const they = listed(names);
  const is = isMany(names) ? 'are' : 'is';
  const was = isMany(names) ? 'were' : 'was';
  switch (cause.kind) {
    case 'choice':
      return 'it is made with other dates of the start';
    case 'gate':
    case 'coralGate': {
      const start = cause.kind === 'gate' ? 'the start' : 'the start of corals';
      return cause.to === null
        ? `${start} is out of sight`
        : `${start} is expected on ${w.day(cause.to)}${cause.from === null ? '' : ` instead of ${w.day(cause.from)}`}`;
    }
    case 'wished':
      return `${they} came to the wishes`;
    case 'unfit':
      return `${they} cannot live here as things are now`;
    case 'noLonger':
      return `${they} ${is} no longer among the wishes`;
    case 'gone':
      return `${they} ${is} gone`;
    case 'cameIn':
      return `${they} came in, which was not planned`;
    case 'away':
      return 'the days you are away changed';
    case 'back':
      return 'you are back';
    case 'fallow':
      return 'the display stands without fish after an outbreak';
    case 'notBought':
      return `${they} ${was} not bought on the day that was planned`;
    case 'notLetIn':
      return `${they} ${was} not let in on the day that was planned`;
    case 'boughtSooner':
      return `${they} ${was} bought sooner`;
    case 'boughtLater':
      return `${they} ${was} bought later`;
    case 'clock':
      return `the clock of ${they} began again, or days were not seen`;
    case 'looked':
      return `${they} ${was} seen clear on more days than was reckoned with`;
    case 'met':
      return `${they} ${is} in`;
    case 'better':
      return 'a better order was found, as of so many wishes not all can be tried each time';
    case 'load':
      return 'what the log says of the load, or of what the filter carries, changed';
    case 'other':
      return 'what the log says of load, room or choices changed';
  }
}
