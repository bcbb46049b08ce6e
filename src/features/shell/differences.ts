/** Two forms of one entry, field by field, in words. */
import type { AnyEntity } from '../../../core/document';

export interface Difference {
  field: string;
  mine: string;
  theirs: string;
}

/** Fields that say nothing to the person. */
const SILENT = new Set(['id', 'waterId', 'kitId', 'kind', 'editedAt', 'corrections']);

/** The fields in which two forms of an entry differ; none where one of them is gone. */
export function differences(mine: AnyEntity | null, theirs: AnyEntity | null): Difference[] {
  if (!mine || !theirs) return [];
  const [a, b] = [fieldsOf(mine), fieldsOf(theirs)];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((field) => a[field] !== b[field])
    .map((field) => ({ field, mine: a[field] ?? 'nothing', theirs: b[field] ?? 'nothing' }));
}

/** Every plain value of an entity under a name made of its way there: "readings ammonia value". */
function fieldsOf(value: unknown, path: readonly string[] = []): Record<string, string> {
  if (Array.isArray(value)) {
    return merged(value.map((item, i) => fieldsOf(item, [...path, nameOf(item, i)])));
  }
  if (typeof value === 'object' && value !== null) {
    return merged(
      Object.entries(value)
        .filter(([key]) => !SILENT.has(key))
        .map(([key, item]) => fieldsOf(item, [...path, inWords(key)])),
    );
  }
  if (value === undefined || value === null) return {};
  const name = path.filter((word, i) => word !== path[i - 1]).join(' ');
  return { [name]: value === '' ? 'empty' : value === true ? 'yes' : value === false ? 'no' : String(value) };
}

const merged = (parts: Record<string, string>[]): Record<string, string> =>
  Object.assign({}, ...parts) as Record<string, string>;

/** An item of a list goes by what it is about. */
const nameOf = (item: unknown, i: number): string =>
  typeof item === 'object' && item !== null && 'parameter' in item ? String(item.parameter) : String(i + 1);

/** "serviceEveryDays" -> "service every days". */
const inWords = (key: string): string => key.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);
