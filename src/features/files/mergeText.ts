/** Two devices' files taken together, explained before it happens. */
import { COLLECTION_NAMES, type AnyEntity, type Document } from '../../../core/document';
import type { Conflict, Merged } from '../../../core/merge';
import { COLLECTION_WORDS } from './importText';

/** What would come, and what would go. */
export function mergeLines(present: Document, { document }: Merged): string[] {
  const lines = COLLECTION_NAMES.flatMap((name) => {
    if (name === 'tombstones') return [];
    const [now, next] = [present[name], document[name]] as [
      Record<string, AnyEntity>,
      Record<string, AnyEntity>,
    ];
    let added = 0;
    let changed = 0;
    for (const id of Object.keys(next)) {
      if (!Object.hasOwn(now, id)) added++;
      // What nobody changed is the same object.
      else if (now[id] !== next[id] && JSON.stringify(now[id]) !== JSON.stringify(next[id])) changed++;
    }
    const gone = Object.keys(now).length + added - Object.keys(next).length;
    if (added + gone + changed === 0) return [];
    return [`${COLLECTION_WORDS[name]}: ${added} new, ${changed} newer there, ${gone} deleted there`];
  });
  return lines.length > 0 ? lines : ['Nothing: the file holds nothing that is not here.'];
}

export interface ConflictRow {
  field: string;
  kept: string;
  other: string;
}

const MOST_TEXT = 80;
const shown = (value: unknown): string => {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? '');
  return text.length > MOST_TEXT ? `${text.slice(0, MOST_TEXT - 1)}…` : text || 'nothing';
};

/** What differs in the two, field by field. */
export function conflictRows({ kept, other }: Conflict): ConflictRow[] {
  const [a, b] = [kept, other] as (Record<string, unknown> | null)[];
  const fields = [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])];
  return fields
    .filter((f) => f !== 'id' && JSON.stringify(a?.[f]) !== JSON.stringify(b?.[f]))
    .map((field) => ({
      field,
      kept: a ? shown(a[field]) : 'deleted',
      other: b ? shown(b[field]) : 'deleted',
    }));
}

const WHY: Record<Conflict['why'], string> = {
  bothEdited: 'edited on both; the later edit is taken',
  editedAndDeleted: 'edited on one and deleted on the other; what is later is taken',
  stillNeeded: 'deleted on one, needed on the other; it stays',
};

export const conflictTitle = (c: Conflict): string =>
  `${COLLECTION_WORDS[c.collection]} ${c.id}: ${WHY[c.why]}`;

/** The merged document with the other of a conflict in place of the kept. */
export function withOther(document: Document, { collection, id, other }: Conflict): Document {
  const entities: Record<string, AnyEntity> = { ...document[collection] };
  if (other) entities[id] = other;
  return { ...document, [collection]: entities };
}
