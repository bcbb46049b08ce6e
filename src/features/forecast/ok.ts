import type { Answer } from '../../../core/forecast';

/** An answer with dates in it. */
export type Ok = Extract<Answer, { status: 'ok' }>;
