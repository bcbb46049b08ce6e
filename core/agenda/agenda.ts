/** Everything that is due over all waters, as one list: derived from the log, never stored. Stored is only what the person decided about it. */
import { bareOutlook, openTasks } from '../arrivals';
import {
  isComing,
  isIn,
  isOpen,
  livingIn,
  placeOf,
  type Animal,
  type Document,
  type Equipment,
  type Quarantine,
  type Water,
} from '../document';
import { DOSING } from '../dosing';
import { leftOpen } from '../acclimation';
import { nextService } from '../equipment';
import { lastOf, trusted, type WaterEvidence } from '../evidence';
import { calibrationSessions, daysSinceCalibration } from '../instruments';
import { asksOf, clockOf, treatmentsOf } from '../quarantine';
import { rejection, stageDue } from '../rodi';
import { ASKS_FOR_DOSE, testsAhead, unfedFilter, type Assessment } from '../readiness';
import { remembered } from '../remembered';
import { addDays, compared, DAY_MS, daysBetween, type LocalTime } from '../time';
import type { AgendaGroup, AgendaItem, AgendaSays } from './item';
import { AGENDA } from './limits';

/** What the agenda is made from, beside the document. */
export interface AgendaFacts {
  nowMs: number;
  local: LocalTime;
  evidenceOf: (waterId: string) => WaterEvidence;
  assessmentOf: (waterId: string) => Assessment;
}

/** Every item up to a day, the oldest first. What was left out is left out, what was put off stands until its moment has come. */
export function agendaOf(doc: Document, facts: AgendaFacts, untilDay: string): AgendaItem[] {
  const today = facts.local.dayOf(facts.nowMs);
  const waters = Object.values(doc.waters).filter((w) => isRun(w));
  const items = [
    ...waters.flatMap((w) => ofWater(doc, w, facts, today)),
    ...ofKits(doc, facts, today),
    ...ofAnimals(doc),
    ...waters.flatMap((w) => ofPlan(doc, w, facts, today)),
  ];
  return items
    .filter((i) => i.day <= untilDay && isWanted(doc, i, facts.nowMs))
    .sort((a, b) => rank(a, today) - rank(b, today) || compared(a.day, b.day) || compared(a.key, b.key));
}

/** Whether a water is in use: a quarantine or holding container may be closed. */
const isRun = (w: Water): boolean => !('runs' in w) || isOpen(w);

function isWanted(doc: Document, item: AgendaItem, nowMs: number): boolean {
  const decided = doc.agenda[item.key];
  if (!decided) return true;
  return !decided.skipped && (decided.until === undefined || Date.parse(decided.until) <= nowMs);
}

/** What is switched off comes before everything, then what cannot wait. */
const rank = (i: AgendaItem, today: string): number =>
  i.says.code === 'backOn' || i.says.code === 'dripOpen'
    ? 0
    : i.says.code === 'actNow'
      ? 1
      : i.day > today
        ? 4
        : i.canWait
          ? 3
          : 2;

export function groupOf(item: AgendaItem, today: string): AgendaGroup {
  if (rank(item, today) <= 1) return 'now';
  if (item.day <= today) return 'today';
  return daysBetween(today, item.day) < AGENDA.weekDays ? 'week' : 'later';
}

/** An id of what is due, made of what it is about and the day it fell due. */
const keyOf = (...parts: readonly string[]): string =>
  parts
    .join('_')
    .replace(/[^A-Za-z0-9_-]/g, '-')
    .slice(0, 200);

interface About {
  waterId: string | null;
  day: string;
  canWait?: boolean;
  dailyUntil?: string | null;
}
const item = (
  says: AgendaSays,
  about: string,
  { waterId, day, canWait = false, dailyUntil = null }: About,
): AgendaItem => ({
  uid: keyOf(says.code, about),
  key: keyOf(says.code, about, day),
  waterId,
  day,
  says,
  canWait,
  dailyUntil,
});

function ofWater(doc: Document, water: Water, facts: AgendaFacts, today: string): AgendaItem[] {
  const { local } = facts;
  const here = { waterId: water.id };
  const evidence = facts.evidenceOf(water.id);
  const assessment = facts.assessmentOf(water.id);
  const off = Object.values(doc.events).flatMap((e) =>
    e.waterId === water.id &&
    e.kind === 'switchedOff' &&
    e.onAt === null &&
    local.dayOf(Date.parse(e.at)) <= today
      ? [
          item({ code: 'backOn', eventId: e.id, parts: e.parts, sinceMs: Date.parse(e.at) }, e.id, {
            ...here,
            day: local.dayOf(Date.parse(e.at)),
          }),
        ]
      : [],
  );
  const drips = Object.values(doc.drips).flatMap((d) => {
    const [check] = d.waterId === water.id ? leftOpen(d) : [];
    return check === 'topOffBackOn' || check === 'dripWaterReplaced' || check === 'bagWaterAway'
      ? [item({ code: 'dripOpen', dripId: d.id, check }, `${d.id}-${check}`, { ...here, day: today })]
      : [];
  });
  const trouble =
    assessment.living?.word === 'actNow'
      ? [item({ code: 'actNow', reason: assessment.living.reason }, water.id, { ...here, day: today })]
      : [];
  const opens = [assessment.fish, assessment.coral].flatMap((g) =>
    'opens' in g && g.opens && ASKS_FOR_DOSE.includes(g.opens.code) ? [g.opens] : [],
  )[0];
  // With animals in the water nothing asks for ammonia.
  const doses =
    opens && water.kind === 'display' && !evidence.isInhabited
      ? [item({ code: 'dose', opens }, water.id, { ...here, day: today })]
      : [];
  const equipment = Object.values(doc.equipment).filter((e) => e.waterId === water.id && e.endedDay === null);
  const parts = equipment.flatMap((e) => {
    const service = nextService(e);
    const brokenIn = addDays(e.sinceDay, e.breakInDays);
    const stage = stageNow(doc, e, evidence, today);
    const about = { ...here, canWait: true };
    return [
      ...(service === null
        ? []
        : [item({ code: 'service', equipmentId: e.id, name: e.name }, e.id, { ...about, day: service })]),
      ...(stage && (service === null || service > today)
        ? [
            item({ code: 'stageDue', equipmentId: e.id, name: e.name, why: stage }, e.id, {
              ...about,
              day: today,
            }),
          ]
        : []),
      ...(e.loan && e.loan.returnedDay === null
        ? [
            item({ code: 'partBack', equipmentId: e.id, name: e.name, from: e.loan.from }, e.id, {
              ...about,
              day: e.loan.dueDay,
            }),
          ]
        : []),
      ...(e.breakInDays > 0 && brokenIn >= today
        ? [item({ code: 'brokenIn', equipmentId: e.id, name: e.name }, e.id, { ...about, day: brokenIn })]
        : []),
    ];
  });
  const tasks = openTasks(doc, water.id, today).map((task) =>
    item({ code: 'task', task }, task.id, { ...here, day: task.day, canWait: task.day >= today }),
  );
  return [
    ...off,
    ...drips,
    ...trouble,
    ...doses,
    ...ofFilter(doc, water, evidence, assessment, facts),
    ...ofTests(water, evidence, assessment, facts, today),
    ...(water.kind === 'quarantine' ? ofQuarantine(doc, water, evidence, facts, today) : []),
    ...parts,
    ...tasks,
    ...ofAbsences(doc, water, facts, today),
  ];
}

/** By what a stage of the RO/DI unit is due, its age apart; null where it is not. */
function stageNow(
  doc: Document,
  part: Equipment,
  { series }: WaterEvidence,
  today: string,
): 'reading' | 'litres' | null {
  if (!part.stage) return null;
  const since = [part.sinceDay, ...part.services.map((s) => s.day)].sort().pop() as string;
  const litres = Object.values(doc.events).reduce(
    (sum, e) =>
      e.kind === 'waterMade' && e.waterId === part.waterId && e.at.slice(0, 10) >= since
        ? sum + e.litres
        : sum,
    0,
  );
  const last = (p: 'tdsSource' | 'tdsMembrane' | 'tdsResin'): number | null => {
    const point = lastOf(trusted(series[p]));
    return point && new Date(point.atMs).toISOString().slice(0, 10) >= since ? point.interval.mid : null;
  };
  const [source, membrane] = [lastOf(trusted(series.tdsSource))?.interval.mid, last('tdsMembrane')];
  const reading =
    part.stage === 'resin'
      ? last('tdsResin')
      : part.stage === 'membrane' &&
          source !== undefined &&
          membrane !== null &&
          membrane <= source &&
          source > 0
        ? rejection(source, membrane)
        : null;
  const { word, why } = stageDue({
    stage: part.stage,
    days: Math.max(0, daysBetween(since, today)),
    // A usual unit wastes three parts for each it makes, through sediment and carbon too.
    litres: part.stage === 'carbon' ? litres * 4 : litres,
    reading,
  });
  return word === 'due' && (why === 'reading' || why === 'litres') ? why : null;
}

/** Tests due now as one sitting, and those to come by the day. */
function ofTests(
  water: Water,
  evidence: WaterEvidence,
  { due, living, fish, coral }: Assessment,
  { local, nowMs }: AgendaFacts,
  today: string,
): AgendaItem[] {
  if (evidence.emptied) return [];
  const ahead = testsAhead(evidence, [...(living ? [living] : []), fish, coral]);
  const lastMs = ahead
    .filter((a) => due.includes(a.parameter))
    .reduce<number | null>(
      (ms, a) => (a.lastMs !== null && (ms === null || a.lastMs < ms) ? a.lastMs : ms),
      null,
    );
  const overdue = ahead
    .filter((a) => due.includes(a.parameter) && a.lastMs !== null)
    .map((a) => local.dayOf(a.dueMs));
  const fell = [...overdue, today].sort()[0] as string;
  const now =
    due.length > 0
      ? [
          item({ code: 'tests', parameters: due, lastMs }, water.id, {
            waterId: water.id,
            day: fell,
            canWait: !evidence.isInhabited && living === null,
          }),
        ]
      : [];
  const days = new Map<string, typeof ahead>();
  for (const a of ahead) {
    if (due.includes(a.parameter) || a.dueMs <= nowMs) continue;
    const day = local.dayOf(a.dueMs);
    if (day > today) days.set(day, [...(days.get(day) ?? []), a]);
  }
  return [
    ...now,
    ...[...days].map(([day, list]) =>
      item(
        {
          code: 'testsAhead',
          parameters: list.map((a) => a.parameter),
          everyDays: Math.min(...list.map((a) => a.everyDays)),
        },
        `${water.id}-${list.map((a) => a.parameter).join('-')}`,
        { waterId: water.id, day, canWait: !evidence.isInhabited },
      ),
    ),
  ];
}

/** The look of the day until the clock is over, the next change of a bare tank, and what treatments ask for. */
function ofQuarantine(
  doc: Document,
  water: Quarantine,
  evidence: WaterEvidence,
  { nowMs, local }: AgendaFacts,
  today: string,
): AgendaItem[] {
  const here = { waterId: water.id };
  const animals = livingIn(doc, water.id);
  const items: AgendaItem[] = [];
  if (animals.length > 0) {
    const { lookedToday, releaseDay } = clockOf(doc, water, nowMs, local.dayOf);
    items.push(
      item({ code: 'look', water, animals }, water.id, {
        ...here,
        day: lookedToday ? addDays(today, 1) : today,
        dailyUntil: releaseDay,
      }),
    );
  }
  const outlook = bareOutlook(evidence, DOSING.saltGramsPerLitre);
  if (outlook)
    items.push(
      item({ code: 'bareChange', outlook }, water.id, {
        ...here,
        day: Number.isFinite(outlook.dueDays) ? local.dayOf(nowMs + outlook.dueDays * DAY_MS) : today,
      }),
    );
  const changes = evidence.changes.map((c) => ({ atMs: c.atMs, litres: c.fraction * evidence.netL }));
  for (const treatment of treatmentsOf(doc, water.id))
    for (const ask of asksOf(treatment, changes, today))
      items.push(
        item({ code: 'treatment', ask, treatment }, `${treatment.id}-${ask.code}`, { ...here, day: today }),
      );
  return items;
}

function ofAbsences(doc: Document, water: Water, { nowMs, local }: AgendaFacts, today: string): AgendaItem[] {
  if (water.kind !== 'display') return [];
  return Object.values(doc.events).flatMap((e) => {
    if (e.waterId !== water.id || e.kind !== 'away' || Date.parse(e.at) <= nowMs) return [];
    const leaves = local.dayOf(Date.parse(e.at));
    const from = addDays(leaves, -AGENDA.leaveAheadDays);
    return [
      item({ code: 'beforeAway', eventId: e.id, untilMs: Date.parse(e.until) }, e.id, {
        waterId: water.id,
        day: from > today ? from : today,
      }),
    ];
  });
}

/** The kits that anything was read by. */
const usedKits = remembered((samples: Document['samples']): ReadonlySet<string> => {
  const used = new Set<string>();
  for (const sample of Object.values(samples)) for (const reading of sample.readings) used.add(reading.kitId);
  return used;
});

/** Kits of all waters: past their date soon, nearly used up, not calibrated for long. */
function ofKits(doc: Document, { nowMs }: AgendaFacts, today: string): AgendaItem[] {
  return Object.values(doc.kits).flatMap((kit) => {
    if (kit.archived || kit.shop) return [];
    const about = { waterId: null, canWait: true };
    const items: AgendaItem[] = [];
    if (kit.expires !== null) {
      const from = addDays(kit.expires, -AGENDA.kitAheadDays);
      items.push(item({ code: 'kitEnds', kit }, kit.id, { ...about, day: from }));
    }
    if (kit.testsLeft !== undefined && kit.testsLeft <= AGENDA.testsLeft)
      items.push(item({ code: 'kitRunsOut', kit, left: kit.testsLeft }, kit.id, { ...about, day: today }));
    const sessions = calibrationSessions(
      Object.values(doc.calibrations).filter((c) => c.kitId === kit.id),
      kit.parameter,
    );
    const since = daysSinceCalibration(sessions, nowMs);
    if (since !== null)
      items.push(
        item({ code: 'calibrate', kit, days: Math.floor(since) }, kit.id, {
          ...about,
          day: addDays(today, Math.ceil(AGENDA.calibrateDays - since)),
        }),
      );
    // Asked last: a long history is walked only where there is something to say.
    return items.length > 0 && usedKits(doc.samples).has(kit.id) ? items : [];
  });
}

const ofAnimals = (doc: Document): AgendaItem[] =>
  Object.values(doc.animals).flatMap((animal) =>
    animal.loan && animal.loan.returnedDay === null && placeOf(animal).kind === 'water'
      ? [
          item({ code: 'animalBack', animal, from: animal.loan.from }, animal.id, {
            waterId: animal.homeId,
            day: animal.loan.dueDay,
            canWait: true,
          }),
        ]
      : [],
  );

/** When an empty filter is to be fed: not where the plan's first animals come while it still holds. */
function ofFilter(
  doc: Document,
  water: Water,
  evidence: WaterEvidence,
  { gates }: Assessment,
  { nowMs, local }: AgendaFacts,
): AgendaItem[] {
  const unfed = unfedFilter(evidence, gates);
  if (!unfed) return [];
  const { fedMs, dueMs, holdsUntilMs, fadesMs } = unfed;
  const first = plannedSteps(doc, water, nowMs)
    .map((s) => s.releaseDay)
    .sort(compared)[0];
  if (first !== undefined && first < local.dayOf(holdsUntilMs) && first >= local.dayOf(nowMs)) return [];
  const about = { waterId: water.id, day: local.dayOf(dueMs), canWait: true };
  return [item({ code: 'feedFilter', fedMs, fadesMs }, water.id, about)];
}

/** Steps of the plan as it was last made, of those who are still to come. */
function plannedSteps(doc: Document, water: Water, nowMs: number) {
  const last = Object.values(doc.plans)
    .filter((p) => p.waterId === water.id && Date.parse(p.at) <= nowMs)
    .sort((a, b) => compared(a.at, b.at))
    .pop();
  return (last?.steps ?? []).flatMap((s) => {
    const animal = doc.animals[s.animalId];
    return animal && isComing(animal) && !isIn(animal, water.id) ? [{ ...s, animal }] : [];
  });
}

/** Purchases and releases of the plan as it was last made. */
function ofPlan(doc: Document, water: Water, { nowMs }: AgendaFacts, today: string): AgendaItem[] {
  if (water.kind !== 'display') return [];
  const steps = plannedSteps(doc, water, nowMs);
  const days = (of: 'buyDay' | 'releaseDay') =>
    [...new Set(steps.map((s) => s[of]))].filter((day) => day >= today);
  const about = { waterId: water.id, canWait: true };
  return [
    ...days('buyDay').flatMap((day) => {
      const animals = steps
        .filter((s) => s.buyDay === day && placeOf(s.animal).kind === 'wish')
        .map((s) => s.animal);
      return animals.length > 0 ? [item({ code: 'buy', animals }, idsOf(animals), { ...about, day })] : [];
    }),
    ...days('releaseDay').map((day) => {
      const animals = steps.filter((s) => s.releaseDay === day).map((s) => s.animal);
      return item({ code: 'letIn', animals }, idsOf(animals), { ...about, day });
    }),
  ];
}

const idsOf = (animals: readonly Animal[]): string => animals.map((a) => a.id).join('-');
