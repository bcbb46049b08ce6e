/** The calendar file as other programs read it: by a second parser, and by the rules of RFC 5545. */
import ICAL from 'ical.js';
import { calendar } from '../headless/calendar';
import { agendaOf } from '../core/agenda';
import { gatherEvidence } from '../core/evidence';
import { assessWater } from '../core/readiness';
import { DAY, provedHistory, START_MS } from '../core/testing/history';
import { UTC } from '../core/time';
import { makeDemo } from '../demo';
import type { Document, Task } from '../core/document';
import { writeDocument } from '../core/document/checks';
import { isRule, nextByRule, nextDay } from './recurrence';

const NOW = Date.UTC(2026, 5, 1, 18);
const AT = new Date(NOW).toISOString();
const demo = (): Document => makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));
const task = (more: Partial<Task>): Task => ({
  id: 'mine',
  waterId: 'north-window',
  day: '2026-06-10',
  title: 'Clean the glass; inside, and out',
  note: 'Scraper, "soft" one\nnot the old',
  doneAt: null,
  ...more,
});
const withTask = (more: Partial<Task> = {}): Document => {
  const doc = demo();
  return { ...doc, tasks: { mine: task(more) } };
};
const textOf = (doc: Document, days?: string, at = AT): string =>
  calendar(writeDocument(doc), { at, days }, 0);
const eventsOf = (text: string) => {
  const all = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  return all.map((c) => ({ c, e: new ICAL.Event(c) }));
};
const mine = (doc: Document, days?: string, at = AT) =>
  eventsOf(textOf(doc, days, at)).find(({ e }) => e.summary.includes('Clean the glass'))!;

test('a second parser reads every event: whole days, an alarm at nine, texts as they were', () => {
  const events = eventsOf(textOf(withTask()));
  expect(events.length).toBeGreaterThan(5);
  for (const { c, e } of events) {
    expect(e.startDate.isDate).toBe(true);
    expect(e.endDate.subtractDate(e.startDate).toSeconds()).toBe(86_400);
    const [alarm, ...more] = c.getAllSubcomponents('valarm');
    expect(more).toEqual([]);
    expect(alarm?.getFirstPropertyValue('action')).toBe('DISPLAY');
    const trigger = alarm?.getFirstProperty('trigger');
    expect(String(trigger?.getFirstValue())).toBe('PT9H');
    // From the start of the day, not from its end.
    expect(trigger?.getParameter('related') ?? 'START').toBe('START');
  }
  const { e } = mine(withTask());
  expect(e.startDate.toString()).toBe('2026-06-10');
  expect(e.summary).toBe('North Window: Clean the glass; inside, and out');
  expect(e.description).toBe('Scraper, "soft" one\nnot the old');
});
test('by RFC 5545: lines of at most 75 octets ended by CR LF, one calendar, what an event must have, no UID twice', () => {
  const text = textOf(withTask({ note: 'ä'.repeat(300) }));
  const lines = text.split('\r\n');
  for (const line of lines) {
    expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(line).not.toMatch(/[\n\r]/);
  }
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(lines.filter((l) => l === 'VERSION:2.0')).toHaveLength(1);
  expect(lines.filter((l) => l.startsWith('PRODID:'))).toHaveLength(1);
  const uids = eventsOf(text).map(({ e }) => e.uid);
  expect(new Set(uids).size).toBe(uids.length);
  for (const { c } of eventsOf(text))
    for (const name of ['uid', 'dtstamp', 'dtstart', 'sequence']) expect(c.hasProperty(name)).toBe(true);
});
test('the same thing keeps its UID, and a later file is the newer', () => {
  const first = mine(withTask());
  const later = mine(withTask({ title: 'Clean the glass once more' }), undefined, '2026-06-02T18:00:00.000Z');
  expect(later.e.uid).toBe(first.e.uid);
  const look = (at: string) =>
    eventsOf(textOf(demo(), undefined, at)).find(({ e }) => e.summary.includes('Look at'));
  expect(look('2026-06-02T18:00:00.000Z')?.e.uid).toBe(look(AT)?.e.uid);
  expect(later.e.sequence).toBeGreaterThan(first.e.sequence);
});
test('what is overdue stands on the day it is asked; so many days ahead as are asked, sixty without', () => {
  expect(mine(withTask({ day: '2026-05-20' })).e.startDate.toString()).toBe('2026-06-01');
  expect(mine(withTask({ day: '2026-07-31' })).e.startDate.toString()).toBe('2026-07-31');
  expect(mine(withTask({ day: '2026-08-01' }))).toBeUndefined();
  expect(mine(withTask({ day: '2026-06-10' }), '8')).toBeUndefined();
  expect(mine(withTask({ day: '2026-06-10' }), '9')).toBeTruthy();
});
test('a task that comes again is one event with its rule, and so is the daily look', () => {
  const { e } = mine(
    withTask({ repeat: { kind: 'rule', rule: 'FREQ=WEEKLY;BYDAY=WE', from: '2026-06-10' } }),
  );
  const next = e.iterator();
  expect([next.next(), next.next()].map(String)).toEqual(['2026-06-10', '2026-06-17']);
  const look = eventsOf(textOf(demo())).find((x) => x.e.summary.includes('Look at'))!;
  expect(look.e.isRecurring()).toBe(true);
});
test('nothing that asks for ammonia leaves the app: by its day somebody may live there', () => {
  const { doc } = provedHistory();
  const nowMs = START_MS + 30 * DAY;
  const facts = {
    nowMs,
    local: UTC,
    evidenceOf: (id: string) => gatherEvidence(doc, id, nowMs),
    assessmentOf: (id: string) => assessWater(doc, id, nowMs),
  };
  expect(agendaOf(doc, facts, '2100-01-01').map((i) => i.says.code)).toContain('feedFilter');
  const text = textOf(doc, undefined, new Date(nowMs).toISOString());
  expect(eventsOf(text).length).toBeGreaterThan(2);
  expect(text).not.toMatch(/dose|Feed the filter/i);
});
test('wrong input is one sentence', () => {
  expect(() => textOf(demo(), 'many')).toThrow(/--days must be a whole number/);
  expect(() => textOf(demo(), undefined, 'tomorrow')).toThrow(/--at "tomorrow"/);
  expect(() => calendar('{', {}, NOW)).toThrow(/^the file: /);
});

describe('what comes again', () => {
  test.each([
    ['FREQ=DAILY;INTERVAL=3', '2026-06-01', '2026-06-01', '2026-06-04'],
    ['FREQ=WEEKLY;BYDAY=SA', '2026-06-06', '2026-06-07', '2026-06-13'],
    ['FREQ=MONTHLY;BYMONTHDAY=31', '2026-01-31', '2026-01-31', '2026-03-31'],
    ['FREQ=YEARLY', '2024-02-29', '2024-02-29', '2028-02-29'],
    ['FREQ=DAILY;COUNT=2', '2026-06-01', '2026-06-02', null],
  ])('%s from %s: after %s on %s', (rule, from, after, next) =>
    expect(nextByRule(rule, from, after)).toBe(next),
  );
  test('a late one is done for all the days it was late; every third day counts from the day it was done', () => {
    const weekly = { kind: 'rule' as const, rule: 'FREQ=WEEKLY', from: '2026-06-01' };
    expect(nextDay(weekly, '2026-06-01', '2026-06-20')).toBe('2026-06-22');
    expect(nextDay(weekly, '2026-06-08', '2026-06-05')).toBe('2026-06-15');
    expect(nextDay({ kind: 'after', days: 3 }, '2026-06-01', '2026-06-20')).toBe('2026-06-23');
  });
  test('over the days on which clocks change nothing slips', () => {
    expect(nextByRule('FREQ=DAILY', '2026-03-28', '2026-03-28')).toBe('2026-03-29');
    expect(nextByRule('FREQ=DAILY', '2026-10-24', '2026-10-25')).toBe('2026-10-26');
  });
  test('a rule is one of days or more', () => {
    expect([isRule('FREQ=WEEKLY'), isRule('FREQ=HOURLY'), isRule('often')]).toEqual([true, false, false]);
  });
});
