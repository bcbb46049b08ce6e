/** What is due in words: a title, and why. */
import type { AgendaGroup, AgendaItem, AgendaSays } from '../agenda';
import type { WithKinds } from '../species';
import { animalWords } from './animals';
import { bareWords } from './bare';
import { SWITCHED_WORDS } from './living';
import { capital, listed, named, plural, type WordsContext } from './say';
import { sentence } from './sentences';
import { askWords } from './treatments';

export const GROUP_WORDS: Record<AgendaGroup, string> = {
  now: 'Now',
  today: 'Today',
  week: 'This week',
  later: 'Later',
};

const DRIP_WORDS = {
  topOffBackOn: 'Plug the top-off in again',
  dripWaterReplaced: 'Replace the water that dripped away',
  bagWaterAway: 'Pour the bag water away',
};

/** "Test ammonia and nitrite". */
export function agendaTitle({ says }: AgendaItem, kinds: WithKinds, w: WordsContext): string {
  switch (says.code) {
    case 'backOn':
      return `Switch on again: ${listed(says.parts.map((p) => SWITCHED_WORDS[p]))}`;
    case 'dripOpen':
      return DRIP_WORDS[says.check];
    case 'actNow':
      return 'Act now';
    case 'dose':
      return says.opens.code === 'addAmmonia' || says.opens.code === 'doseAsFood'
        ? 'Give the filter ammonia'
        : 'Dose for the proof';
    case 'feedFilter':
      return 'Feed the filter';
    case 'tests':
    case 'testsAhead':
      return `Test ${named(says.parameters)}`;
    case 'look':
      return `Look at ${listed(says.animals.map((a) => animalWords(kinds, a)))}`;
    case 'bareChange':
      return 'Change water in the bare tank';
    case 'treatment':
      return `Treatment: ${says.treatment.product}`;
    case 'service':
      return `Service: ${says.name}`;
    case 'stageDue':
      return `Change: ${says.name}`;
    case 'partBack':
      return `Give back: ${says.name}`;
    case 'brokenIn':
      return `Broken in: ${says.name}`;
    case 'calibrate':
      return `Calibrate: ${says.kit.name}`;
    case 'kitEnds':
      return `Replace: ${says.kit.name}`;
    case 'kitRunsOut':
      return `Buy: ${says.kit.name}`;
    case 'animalBack':
      return `Give back: ${animalWords(kinds, says.animal)}`;
    case 'buy':
      return `Buy ${listed(says.animals.map((a) => animalWords(kinds, a)))}`;
    case 'letIn':
      return `Let in ${listed(says.animals.map((a) => animalWords(kinds, a)))}`;
    case 'beforeAway':
      return `Before you leave, until ${w.day(says.untilMs)}`;
    case 'task':
      return says.task.title;
  }
}

/** Why it is due, in a sentence; empty where the title says it all. */
export function agendaWhy(item: AgendaItem, w: WordsContext): string {
  return WHY[item.says.code](item.says as never, item, w);
}

type Why = {
  [C in AgendaSays['code']]: (s: Extract<AgendaSays, { code: C }>, i: AgendaItem, w: WordsContext) => string;
};
const WHY: Why = {
  backOn: (s, _, w) => `Off since ${w.hour(s.sinceMs)}. What stays off is forgotten first and found last.`,
  dripOpen: () => 'Left open when the drip ended.',
  actNow: (s, _, w) => sentence(s.reason, w),
  dose: (s, _, w) => sentence(s.opens, w),
  feedFilter: (s, _, w) => sentence({ ...s, code: 'filterUnfed' }, w),
  tests: (s, _, w) =>
    s.lastMs === null ? 'Not tested yet.' : `The oldest of them is of ${w.day(s.lastMs)}.`,
  testsAhead: (s) => `Usual every ${s.everyDays === 1 ? 'day' : `${s.everyDays} days`}.`,
  look: (_, i, w) =>
    i.dailyUntil === null
      ? 'A day counts only when it was seen clear.'
      : `A day counts only when it was seen clear; its days are full on ${w.written(i.dailyUntil)} if each is.`,
  bareChange: (s, _, w) => capital(bareWords(s.outlook, w.units)[0] ?? ''),
  treatment: (s, _, w) => capital(askWords(s.ask, s.treatment, w.units)),
  service: (_, i, w) => `Its rhythm asks for it from ${w.written(i.day)}.`,
  stageDue: (s) =>
    s.why === 'reading' ? 'What is measured behind it says so.' : 'So much has gone through it.',
  partBack: (s) => `The loan from ${s.from} ends.`,
  brokenIn: () => 'From this day what it does can be judged.',
  calibrate: (s) => `Last held against a standard ${s.days} ${plural(s.days, 'day', 'days')} ago.`,
  kitEnds: (s, _, w) => `Its date is ${w.written(s.kit.expires ?? '')}; past it a reading is doubted.`,
  kitRunsOut: (s) => `${s.left} ${plural(s.left, 'test is', 'tests are')} left.`,
  animalBack: (s) => `The loan from ${s.from} ends.`,
  buy: () => 'By the plan as it stands; it moves when the tank does.',
  letIn: () => 'By the plan, if its quarantine was clear to the end and the water is ready.',
  beforeAway: () => 'Test, look at everyone, fill the top-off, write the note for whoever looks after it.',
  task: (s) => s.task.note,
};
