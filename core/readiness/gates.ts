/** The gates of a start by school, and the rule of each. */
import type { School } from '../document';
import type { DisplayEvidence } from '../evidence';
import type { GateId } from '../statements';
import { firstAnimals, nextStep, reset } from './additions';
import {
  ammoniaFalling,
  bacteria,
  clear,
  dailyClear,
  film,
  nitriteFalling,
  seaWater,
  settle,
  transfer,
} from './cycle';
import type { Verdict } from './judgement';
import { proof } from './proof';

const CYCLE: GateId[] = ['seaWater', 'ammoniaFalling', 'nitriteFalling', 'bothClear'];

const END: GateId[] = ['reset', 'firstAnimals', 'nextStep'];

/** The gates each school asks for, bottom to top. Sources: the schools as practised; see docs/architecture.md. */
export const SCHOOL_GATES: Record<School, readonly GateId[]> = {
  proof24: [...CYCLE, 'proof', ...END],
  zeroZero: [...CYCLE, ...END],
  patient: [...CYCLE, 'settle', ...END],
  watchGlass: [...CYCLE, 'film', ...END],
  matureTransfer: ['seaWater', 'transfer', 'dailyClear', ...END],
  firstFish: ['seaWater', 'bacteria', 'firstAnimals', 'bothClear', 'nextStep'],
  coralsFirst: [...CYCLE, 'proof', ...END],
};

/** @param dayOfMs calendar day of a moment where the person is */
type Rule = (e: DisplayEvidence, dayOfMs: (ms: number) => string) => Verdict;

export const RULE_OF_GATE: Record<GateId, Rule> = {
  seaWater,
  ammoniaFalling,
  nitriteFalling,
  bothClear: clear,
  settle,
  film,
  transfer,
  dailyClear,
  bacteria,
  proof,
  reset,
  firstAnimals,
  nextStep,
};
