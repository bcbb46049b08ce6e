/** What the page and the forecast's worker say to each other. */
import type { Document } from '../../core/document';
import type { Answer, Question, WhatIf } from '../../core/forecast';

export type Ask = { kind: 'ask'; document: Document; question: Question } | { kind: 'whatIf' };

export type Told =
  | { kind: 'progress'; done: number }
  | { kind: 'answer'; answer: Answer }
  | { kind: 'whatIf'; list: WhatIf[]; complete: boolean }
  | { kind: 'failed'; message: string };
