/** The agenda as plain data: how each item is done, and what is said over the list. */
import type { AgendaItem } from '../../../core/agenda';
import type { AgendaGroup } from '../../../core/agenda';
import { groupOf } from '../../../core/agenda';
import type { Document, Edit, Task } from '../../../core/document';
import { DAY_MS } from '../../../core/time';
import { nextDay } from '../../../formats/recurrence';

/** How an item is done: at once by these edits, or by an entry on another page. */
export type Doing =
  { kind: 'edits'; label: string; edits: Edit[] } | { kind: 'go'; label: string; href: string };

/** @param at the moment it is done */
export function doingOf(doc: Document, { says, waterId }: AgendaItem, at: string, today: string): Doing {
  const water = `/water/${waterId ?? ''}`;
  const go = (label: string, href: string): Doing => ({ kind: 'go', label, href });
  const edits = (label: string, list: Edit[]): Doing => ({ kind: 'edits', label, edits: list });
  switch (says.code) {
    case 'backOn': {
      const event = doc.events[says.eventId];
      return event?.kind === 'switchedOff'
        ? edits('On again', [{ put: 'events', entity: { ...event, onAt: at } }])
        : go('To the log', `${water}/log/history`);
    }
    case 'dripOpen':
      return go('Put it right', `${water}/drip/${says.dripId}`);
    case 'actNow':
      return go('What to do', water);
    case 'dose':
    case 'feedFilter':
      return go('The dose', `${water}/cycle/dose`);
    case 'tests':
    case 'testsAhead':
      return go('Log it', `${water}/log`);
    case 'look':
      return go('Look', water);
    case 'bareChange':
      return go('Log the change', `${water}/log/event?kind=waterChange`);
    case 'treatment':
      return go('To it', water);
    case 'stageDue':
    case 'service': {
      const part = doc.equipment[says.equipmentId];
      return part
        ? edits('Done', [
            { put: 'equipment', entity: { ...part, services: [...part.services, { day: today, note: '' }] } },
          ])
        : go('To the part', `${water}/equipment/${says.equipmentId}`);
    }
    case 'partBack': {
      const part = doc.equipment[says.equipmentId];
      return part?.loan
        ? edits('Given back', [
            { put: 'equipment', entity: { ...part, loan: { ...part.loan, returnedDay: today } } },
          ])
        : go('To the part', `${water}/equipment/${says.equipmentId}`);
    }
    case 'brokenIn':
      return go('To the part', `${water}/equipment/${says.equipmentId}`);
    case 'calibrate':
    case 'kitEnds':
    case 'kitRunsOut':
      return go('To the kit', `/kits/${says.kit.id}`);
    case 'animalBack':
      return says.animal.loan
        ? edits('Given back', [
            {
              put: 'animals',
              entity: { ...says.animal, loan: { ...says.animal.loan, returnedDay: today } },
            },
          ])
        : go('To the animal', `${water}/stock/${says.animal.id}`);
    case 'buy':
      return go('They came home', `${water}/stock/buy`);
    case 'letIn':
      return go('To the plan', `${water}/stock/plan`);
    case 'beforeAway':
      return go('The note', `${water}/carer?id=${says.eventId}`);
    case 'task':
      return edits('Done', [taskDone(says.task, at, today)]);
  }
}

/** A task done, or left out with a reason: one that comes again moves on to its next day. */
function taskDone(task: Task, at: string, today: string, skipped?: string): Edit {
  const next = task.repeat ? nextDay(task.repeat, task.day, today) : null;
  if (next === null) return { put: 'tasks', entity: { ...task, doneAt: at } };
  const past = [...(task.past ?? []), { day: task.day, at, ...(skipped === undefined ? {} : { skipped }) }];
  return { put: 'tasks', entity: { ...task, day: next, past: past.slice(-100) } };
}

/** Put off until a moment, or left out this time. What can wait is only moved; nothing is lost by it. */
export const putOff = ({ key, waterId }: AgendaItem, until: string, fallback: string): Edit => ({
  put: 'agenda',
  entity: { id: key, waterId: waterId ?? fallback, until },
});
export function leftOut(item: AgendaItem, at: string, today: string, why: string, fallback: string): Edit {
  if (item.says.code === 'task' && item.says.task.repeat) return taskDone(item.says.task, at, today, why);
  return { put: 'agenda', entity: { id: item.key, waterId: item.waterId ?? fallback, skipped: { at, why } } };
}

export type Grouped = readonly { group: AgendaGroup; items: AgendaItem[] }[];

export function grouped(items: readonly AgendaItem[], today: string): Grouped {
  return (['now', 'today', 'week', 'later'] as const).flatMap((group) => {
    const here = items.filter((i) => groupOf(i, today) === group);
    return here.length > 0 ? [{ group, items: here }] : [];
  });
}

/** Without an entry for so long nobody has looked after the log: no reproach, but first things first. */
const QUIET_DAYS = 21;

const later = (a: string, b: string): string => (a > b ? a : b);
/** The last entry of any kind, where it is long ago; null where the log is kept. */
export function quietSince(doc: Document, nowMs: number): number | null {
  // Moments are written in one form: their texts are in their order. The log of somebody who keeps it is not walked to its end.
  const quietFrom = new Date(nowMs - QUIET_DAYS * DAY_MS).toISOString();
  let latest = '';
  for (const list of [doc.samples, doc.events])
    for (const id in list) {
      const { at } = list[id] as { at: string };
      if (at >= quietFrom) return null;
      latest = later(latest, at);
    }
  for (const l of Object.values(doc.looks)) latest = later(latest, `${l.day}T12:00:00.000Z`);
  const last = Date.parse(latest);
  return nowMs - last > QUIET_DAYS * DAY_MS ? last : null;
}

/** After a quiet month: what stands first is the water of those with animals, as tests and trouble; all else comes after. */
export function firstThings(items: readonly AgendaItem[]): { first: AgendaItem[]; rest: AgendaItem[] } {
  const codes = new Set(['backOn', 'actNow', 'tests', 'look']);
  const first = items.filter((i) => codes.has(i.says.code) && !i.canWait);
  return { first, rest: items.filter((i) => !first.includes(i)) };
}

/** "3 things today", "Nothing is due". */
export function agendaTitleWords(groups: Grouped): string {
  const of = (group: AgendaGroup) => groups.find((g) => g.group === group)?.items ?? [];
  const now = of('now').length;
  const today = of('today').filter((i) => !i.canWait).length;
  if (now > 0) return now === 1 ? 'One thing now' : `${now} things now`;
  if (today > 0) return today === 1 ? 'One thing today' : `${today} things today`;
  return of('today').length > 0 ? 'Nothing that cannot wait' : 'Nothing is due today';
}
