/** What the page and the forecast's worker say to each other. */
import type { Document } from '../../core/document';
import type { LoadResult } from '../../core/document/checks';
import type { Answer, Question, WhatIf } from '../../core/forecast';

export type Ask = { kind: 'ask'; document: Document; question: Question } | { kind: 'whatIf' };

export type Told =
  | { kind: 'progress'; done: number }
  | { kind: 'answer'; answer: Answer }
  | { kind: 'whatIf'; list: WhatIf[]; complete: boolean }
  | { kind: 'failed'; message: string };

/** What the worker that reads files tells. */
export type FileTold =
  { kind: 'progress'; done: number } | { kind: 'read'; result: LoadResult } | { kind: 'unreadable' };
