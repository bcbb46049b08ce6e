/** What the page and the forecast's workers say to each other. Every message names its job: an answer to a question that is no longer asked
 *  is not listened to. */
import type { Apart, Concession, Problem, StockingPlan } from '../../core/planner';
import type { Doubt, TableMapping, TableRead, Told as TableSaid } from '../../core/csv';
import type { AnyEntity, CollectionName, Document } from '../../core/document';
import type { LoadResult, Revision } from '../../core/document/checks';
import type { Patch, Point } from '../../core/vial';
import type { Answer, Course, Island, Question } from '../../core/forecast';

export type Ask = { job: number } & (
  | { kind: 'read'; document: Document; question: Question }
  /** Island so-and-so; with what was kept of it from the log as it was before. */
  | { kind: 'island'; index: number; kept: Island | null }
  | { kind: 'answer'; islands: Island[] }
  | { kind: 'courses' }
);

export type Told = { job: number } & (
  | { kind: 'progress'; index: number; done: number }
  | { kind: 'island'; index: number; island: Island }
  | { kind: 'answer'; answer: Answer; islands: number; narrowing: boolean }
  | { kind: 'course'; course: Course }
  | { kind: 'coursesDone' }
  | { kind: 'failed'; message: string }
);

/** What the worker that reads files tells. A document comes in parts, since the page takes each message in at one go. */
export type FileTold =
  | { kind: 'progress'; done: number }
  | { kind: 'entities'; collection: CollectionName; entities: AnyEntity[] }
  | { kind: 'revisions'; of: [string, Revision][] }
  /** All parts were told. */
  | { kind: 'whole'; fromVersion: number }
  | { kind: 'not'; result: Exclude<LoadResult, { status: 'ok' }> }
  | { kind: 'unreadable' };

/** To and from the planner. */
export interface PlanAsk {
  /** In the order they are to be made; the names are the asker's. One that was made before comes along, and is not told again. */
  asked: readonly { name: string; problem: Problem; plan: StockingPlan | null }[];
  withLets: boolean;
}
export type PlanTold =
  | { name: string; plan: StockingPlan }
  /** Told last, where that is wanted: of the first plan's wishes that are left out, what together would let each in; and who of its
   *  batches could come sooner apart. */
  | { lets: Record<string, Concession[]>; apart: Apart[] };

/** To and from the reader of tables. */
export interface TableAsk {
  file: Blob;
  doc: Document;
  told: TableSaid;
  zone: string;
}
export type TableTold =
  | {
      kind: 'table';
      separator: string;
      header: readonly string[];
      rows: number;
      /** The first rows, as they stand. */
      shown: readonly (readonly string[])[];
      mapping: TableMapping;
      doubts: Doubt[];
      assumed: string[];
      /** Null while something is in doubt. */
      read: TableRead | null;
    }
  | { kind: 'none'; message: string };

/** To and from the scaler of pictures. */
export type PhotoAsk =
  | { kind: 'scale'; file: Blob }
  /** Colours of spots: shares of the picture's width and height, radius as a share of its width. */
  | { kind: 'patches'; file: Blob; spots: readonly { at: Point; radius: number }[] };
export type PhotoTold =
  | {
      kind: 'photo';
      /** Data URLs. */
      whole: string;
      small: string;
      width: number;
      height: number;
      bytes: number;
    }
  | { kind: 'patches'; patches: Patch[] }
  | { kind: 'none' };

/** To the packer of archives: an archive is begun, filled and done in one worker, or one is opened. */
export type ArchiveAsk =
  | { kind: 'begin'; name: string; packed: boolean }
  | { kind: 'add'; part: string | Uint8Array }
  | { kind: 'end' }
  | { kind: 'done' }
  | { kind: 'open'; file: Blob };
export type ArchiveTold =
  | { kind: 'packed'; archive: Blob }
  | { kind: 'opened'; text: Blob; pictures: [string, Uint8Array][] }
  | { kind: 'shut'; why: string };
