/** Whether Today waits for a forecast, without the forecast's code. */
import type { GateId } from '../../../core/statements';
import type { KeptForecast } from '../../store';

/** Gates at which a forecast says when; later ones are opened by the calendar or by the person. */
const DATED: readonly GateId[] = ['ammoniaFalling', 'nitriteFalling', 'bothClear', 'film', 'proof'];
export const isDated = (gate: GateId | null): boolean => gate !== null && DATED.includes(gate);

export type Likely = Extract<KeptForecast, { atMs: number }>;
export type LikelyState = { kind: 'off' } | { kind: 'working' } | { kind: 'said'; likely: Likely };
