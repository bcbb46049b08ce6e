/** Reading and writing the whole document as one JSON file. Loading is one pure function, in this order:
 *  parse, envelope, version, migrate a copy, validate strictly, check references; only then may a caller touch state. */
import { z } from 'zod';
import { SPECIES_IDS } from '../species';
import { TAKEN } from './limits';
import { COLLECTIONS } from './schema';
import { COLLECTION_NAMES, FORMAT, VERSION, type CollectionName } from './vocabulary';
import { type AnyEntity, type Document, emptyDocument } from './types';
import type { Entry } from './entry';
import { broughtUp, collectionsOf } from './migrations';

export interface Fault {
  /** Where, as the file has it: "samples[3].readings[0].value.high". */
  path: string;
  message: string;
}

/** How an entity came to be what it is: the revisions it had, the newest first, and when it got the newest. */
export interface Revision {
  revisions: readonly string[];
  at: string | null;
}
/** By "collection/id"; of whatever is not in it nothing is known. */
export type Revisions = ReadonlyMap<string, Revision>;

export type LoadResult =
  | { status: 'ok'; document: Document; fromVersion: number; revisions: Revisions }
  | { status: 'not-json'; message: string }
  | { status: 'not-ours'; message: string }
  | { status: 'too-new'; version: number; message: string }
  | { status: 'migration-failed'; message: string }
  /** `more`: the reading ended here, there may be others. */
  | { status: 'invalid'; faults: Fault[]; more: boolean };

const revisionSchema = z.strictObject({
  collection: z.enum(COLLECTION_NAMES),
  id: z.string().min(1).max(200),
  revisions: z.array(z.string().min(1).max(100)).min(1).max(TAKEN.revisions),
  at: z.iso.datetime({ precision: 3 }).nullable(),
});

/** The shape of a file: collections as lists, in a fixed order, sorted by id; and how each entity came to be, as far as known. */
export const fileSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  revisions: z.array(revisionSchema).optional(),
  ...(Object.fromEntries(COLLECTION_NAMES.map((name) => [name, z.array(COLLECTIONS[name])])) as {
    [C in CollectionName]: z.ZodArray<(typeof COLLECTIONS)[C]>;
  }),
});

/** Looks up how an entity came to be, by `collection/id`. */
export type RevisionLookup = Pick<Revisions, 'get'>;

/** The document as JSON text, stable: the same document always gives the same text. */
export const writeDocument = (doc: Document, revisions: RevisionLookup = new Map()): string =>
  [...writingDocument(doc, revisions)].join('');

/** The same bit by bit, an entity at a time, for a document so large that writing it at once would hold up the page. */
export function* writingDocument(
  doc: Document,
  revisions: RevisionLookup = new Map(),
): Generator<string, void, undefined> {
  yield `{\n "format": ${JSON.stringify(FORMAT)},\n "version": ${VERSION}`;
  const known: string[] = [];
  for (const name of COLLECTION_NAMES) {
    const entities: Record<string, AnyEntity> = doc[name];
    const ids = Object.keys(entities).sort();
    yield `,\n "${name}": ${ids.length === 0 ? '[]' : '['}`;
    for (const [i, id] of ids.entries()) {
      yield `${i === 0 ? '' : ','}\n  ${indented(canonical(entities[id]))}`;
      const revision = revisions.get(`${name}/${id}`);
      if (revision) known.push(`\n  ${indented({ collection: name, id, ...revision })}`);
    }
    if (ids.length > 0) yield '\n ]';
  }
  for (const [i, text] of known.entries()) yield `${i === 0 ? ',\n "revisions": [' : ','}${text}`;
  yield `${known.length > 0 ? '\n ]' : ''}\n}\n`;
}

/** As it stands two levels deep. */
const indented = (value: unknown): string => JSON.stringify(value, null, 1).replaceAll('\n', '\n  ');

/** Keys in alphabetical order, so that the text does not depend on how an entity was put together. */
function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (value !== null && typeof value === 'object') {
    return Object.fromEntries(
      Object.entries(value)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([k, v]) => [k, canonical(v)]),
    );
  }
  return value;
}

/** One entity as a text that does not depend on how it was put together: equal entities have equal texts. */
export const canonicalText = (entity: AnyEntity): string => JSON.stringify(canonical(entity));

/** One zod issue in words: where and what was expected. */
function faultOf(issue: z.core.$ZodIssue, prefix: string): Fault {
  const path = issue.path.reduce<string>(
    (s, key) => (typeof key === 'number' ? `${s}[${key}]` : s ? `${s}.${String(key)}` : String(key)),
    prefix,
  );
  return { path: path || 'the file', message: issue.message };
}

/** Checks one stored or imported entity. */
export function parseEntity(
  collection: CollectionName,
  raw: unknown,
): { ok: true; entity: AnyEntity } | { ok: false; faults: Fault[] } {
  const result = COLLECTIONS[collection].safeParse(raw);
  return result.success
    ? { ok: true, entity: result.data }
    : { ok: false, faults: result.error.issues.map((issue) => faultOf(issue, '')) };
}

/** A reference that leads nowhere, and what it would lead to where that is an entity of the document. */
export interface Broken {
  collection: CollectionName;
  id: string;
  fault: Fault;
  target?: { collection: CollectionName; id: string };
}

/** References that lead nowhere. */
export function brokenReferences(doc: Document): Broken[] {
  const looking = brokenInTurn(doc);
  let step = looking.next();
  while (!step.done) step = looking.next();
  return step.value;
}

/** The same bit by bit, an entry of a long log at a time. */
export function* brokenInTurn(doc: Document): Generator<void, Broken[]> {
  const broken: Broken[] = [];
  const need = (
    collection: CollectionName,
    id: string,
    path: string,
    target: CollectionName,
    targetId: string,
  ) => {
    if (!Object.hasOwn(doc[target], targetId)) {
      broken.push({
        collection,
        id,
        fault: {
          path: `${collection} "${id}".${path}`,
          message: `refers to ${target} "${targetId}", which is not there`,
        },
        target: { collection: target, id: targetId },
      });
    }
  };
  for (const s of Object.values(doc.samples)) {
    yield;
    need('samples', s.id, 'waterId', 'waters', s.waterId);
    s.readings.forEach((r, i) => {
      const kit = Object.hasOwn(doc.kits, r.kitId) ? doc.kits[r.kitId] : undefined;
      if (!kit) need('samples', s.id, `readings[${i}].kitId`, 'kits', r.kitId);
      else if (kit.parameter !== r.parameter) {
        broken.push({
          collection: 'samples',
          id: s.id,
          fault: {
            path: `samples "${s.id}".readings[${i}]`,
            message: `is ${r.parameter} read with a kit for ${kit.parameter}`,
          },
        });
      }
    });
  }
  for (const e of Object.values(doc.events)) {
    yield;
    need('events', e.id, 'waterId', 'waters', e.waterId);
  }
  for (const w of Object.values(doc.waters)) {
    if (w.kind === 'display' && w.mixId !== undefined) need('waters', w.id, 'mixId', 'mixes', w.mixId);
    if (w.kind === 'quarantine')
      w.serves.forEach((id, i) => need('waters', w.id, `serves[${i}]`, 'waters', id));
  }
  for (const l of Object.values(doc.looks)) {
    need('looks', l.id, 'waterId', 'waters', l.waterId);
    l.animalIds?.forEach((animalId, i) => need('looks', l.id, `animalIds[${i}]`, 'animals', animalId));
  }
  for (const a of Object.values(doc.animals)) {
    need('animals', a.id, 'homeId', 'waters', a.homeId);
    a.moves.forEach((m, i) => {
      if (m.to.kind === 'water') need('animals', a.id, `moves[${i}].to.waterId`, 'waters', m.to.waterId);
    });
    const named = [
      ['speciesId', a.speciesId],
      ...(a.takenFor ?? []).map((t, i) => [`takenFor[${i}].speciesId`, t.speciesId]),
    ] as const;
    for (const [path, speciesId] of named)
      if (!SPECIES_IDS.has(speciesId) && !Object.hasOwn(doc.species, speciesId))
        broken.push({
          collection: 'animals',
          id: a.id,
          fault: {
            path: `animals "${a.id}".${path}`,
            message: `is "${speciesId}", which is not in the species list`,
          },
          target: { collection: 'species', id: speciesId },
        });
    const quarantineId = a.wish?.held?.quarantineId;
    if (quarantineId) need('animals', a.id, 'wish.held.quarantineId', 'waters', quarantineId);
  }
  const SHOWN = { animal: 'animals', sample: 'samples', look: 'looks', event: 'events' } as const;
  for (const p of Object.values(doc.photos)) {
    need('photos', p.id, 'waterId', 'waters', p.waterId);
    if (p.of) need('photos', p.id, 'of.id', SHOWN[p.of.kind], p.of.id);
  }
  for (const e of Object.values(doc.agenda)) need('agenda', e.id, 'waterId', 'waters', e.waterId);
  for (const m of Object.values(doc.mappings))
    if (m.waterId !== null) need('mappings', m.id, 'waterId', 'waters', m.waterId);
  for (const own of Object.values(doc.species))
    if (!SPECIES_IDS.has(own.likeId))
      broken.push({
        collection: 'species',
        id: own.id,
        fault: {
          path: `species "${own.id}".likeId`,
          message: `is "${own.likeId}", which is not in the species list`,
        },
      });
  for (const m of Object.values(doc.monitors)) need('monitors', m.id, 'waterId', 'waters', m.waterId);
  for (const d of Object.values(doc.monitorDays)) {
    yield;
    need('monitorDays', d.id, 'waterId', 'waters', d.waterId);
    need('monitorDays', d.id, 'monitorId', 'monitors', d.monitorId);
  }
  for (const c of Object.values(doc.cards)) need('cards', c.id, 'kitId', 'kits', c.kitId);
  for (const c of Object.values(doc.calibrations)) need('calibrations', c.id, 'kitId', 'kits', c.kitId);
  for (const name of [
    'targets',
    'tasks',
    'setup',
    'equipment',
    'forecasts',
    'treatments',
    'plans',
  ] as const) {
    for (const e of Object.values(doc[name])) need(name, e.id, 'waterId', 'waters', e.waterId);
  }
  for (const t of Object.values(doc.tasks))
    t.animalIds?.forEach((animalId, i) => need('tasks', t.id, `animalIds[${i}]`, 'animals', animalId));
  for (const p of Object.values(doc.purchases)) {
    need('purchases', p.id, 'waterId', 'waters', p.waterId);
    p.animalIds.forEach((animalId, i) => need('purchases', p.id, `animalIds[${i}]`, 'animals', animalId));
  }
  for (const d of Object.values(doc.drips)) {
    need('drips', d.id, 'waterId', 'waters', d.waterId);
    d.animalIds.forEach((animalId, i) => need('drips', d.id, `animalIds[${i}]`, 'animals', animalId));
  }
  return broken;
}

/** What holds a moment: by these names everywhere, and under the checks of a drip. */
const MOMENTS = new Set([
  'at',
  'until',
  'editedAt',
  'doneAt',
  'startedAt',
  'intoCleanAt',
  'finishedAt',
  'filtersOnAt',
  'pairedAt',
  'revokedAt',
  'outAt',
]);
const ISO_MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/;

/** Moments written by other programs (with an offset, without milliseconds) in the one form that is stored. Anything else is left for
 *  the check to name. */
function withMoments(value: unknown, key = ''): unknown {
  if (Array.isArray(value)) return value.map((v) => withMoments(v));
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).map(([k, v]) => [k, withMoments(v, key === 'checks' ? 'at' : k)]),
    );
  if (typeof value !== 'string' || !MOMENTS.has(key) || !ISO_MOMENT.test(value)) return value;
  const ms = Date.parse(value);
  return Number.isNaN(ms) ? value : new Date(ms).toISOString();
}

const envelope = z.looseObject({ format: z.literal(FORMAT), version: z.int().min(1) });
/** The collections of a version as lists of anything: what is in them is checked one by one. */
const shellOf = (version: number) =>
  z.strictObject({
    format: z.literal(FORMAT),
    version: z.literal(version),
    revisions: z.unknown().optional(),
    ...Object.fromEntries(collectionsOf(version).map((name) => [name, z.array(z.unknown())])),
  });

/** Entities checked between two words of progress. */
const STRIDE = 500;

/** Reads a file's text. All or nothing: any fault and nothing comes back but the faults, each with its place; the reading ends at the
 *  tenth. Yields how much is done, 0 to 1, so that a worker can tell it. */
export function* readingDocument(text: string): Generator<number, LoadResult> {
  if (deepest(text) > TAKEN.fileDepth)
    return {
      status: 'not-ours',
      message: `the file is nested more than ${TAKEN.fileDepth} deep, which no Zoarium file is`,
    };
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return { status: 'not-json', message: briefly(error instanceof Error ? error.message : 'not JSON') };
  }
  yield 0.2;
  const head = envelope.safeParse(raw);
  if (!head.success)
    return {
      status: 'not-ours',
      message: 'the file is JSON but has no "format": "zoarium" with a "version"',
    };
  const fromVersion = head.data.version;
  if (fromVersion > VERSION) {
    return {
      status: 'too-new',
      version: fromVersion,
      message: `the file is version ${fromVersion}; this app reads up to ${VERSION}`,
    };
  }
  const lists = shellOf(fromVersion).safeParse(raw);
  let entries: readonly Entry[];
  try {
    entries = broughtUp(entriesIn(head.data, fromVersion), fromVersion);
  } catch (error) {
    return {
      status: 'migration-failed',
      message: briefly(error instanceof Error ? error.message : 'unknown'),
    };
  }
  yield 0.3;
  const document = emptyDocument();
  const { revisions, faults } = revisionsIn(head.data);
  const twice: Fault[] = [];
  for (const [n, entry] of entries.entries()) {
    if (n % STRIDE === STRIDE - 1) yield 0.3 + (0.6 * n) / entries.length;
    faults.push(...added(document, twice, entry));
    if (faults.length >= TAKEN.faultsNamed) return invalid(faults);
  }
  // What is in the file comes first, then what is not; what does not fit together is told only when each part is right.
  if (!lists.success) faults.push(...lists.error.issues.map((issue) => faultOf(issue, '')));
  const apart = faults.length > 0 ? [] : brokenReferences(document).map((b) => b.fault);
  const found = [...faults, ...twice, ...apart];
  return found.length > 0 ? invalid(found) : { status: 'ok', document, fromVersion, revisions };
}

/** Reads a file's text in one go. */
export function readDocument(text: string): LoadResult {
  const reading = readingDocument(text);
  let step = reading.next();
  while (!step.done) step = reading.next();
  return step.value;
}

/** What the lists of a file hold, with the place of each; what is no list holds nothing. */
const entriesIn = (file: Record<string, unknown>, version: number): Entry[] =>
  collectionsOf(version).flatMap((collection) => {
    const list = file[collection];
    return Array.isArray(list)
      ? list.map((entity: unknown, i) => ({ collection, entity, from: `${collection}[${i}]` }))
      : [];
  });

/** How the entities of a file came to be, where it says so. */
function revisionsIn(file: Record<string, unknown>): { revisions: Map<string, Revision>; faults: Fault[] } {
  const revisions = new Map<string, Revision>();
  if (file.revisions === undefined) return { revisions, faults: [] };
  const parsed = z.array(revisionSchema).safeParse(file.revisions);
  if (!parsed.success)
    return { revisions, faults: parsed.error.issues.map((issue) => faultOf(issue, 'revisions')) };
  for (const { collection, id, ...revision } of parsed.data) revisions.set(`${collection}/${id}`, revision);
  return { revisions, faults: [] };
}

/** Puts one entry into the document; what is wrong with its shape, or among those that stand `twice`. */
function added(document: Document, twice: Fault[], { collection, entity, from }: Entry): Fault[] {
  const name = collection as CollectionName;
  const parsed = COLLECTIONS[name].safeParse(withMoments(entity));
  if (!parsed.success) return parsed.error.issues.map((issue) => faultOf(issue, from));
  const target: Record<string, AnyEntity> = document[name];
  const { id } = parsed.data;
  if (Object.hasOwn(target, id)) twice.push({ path: `${from}.id`, message: `"${id}" stands twice` });
  target[id] = parsed.data;
  return [];
}

/** The first faults, short enough to be read; a fault is a sentence, whatever the file holds. */
const invalid = (faults: readonly Fault[]): LoadResult => ({
  status: 'invalid',
  faults: faults.slice(0, TAKEN.faultsNamed).map((f) => ({
    path: briefly(f.path),
    message: briefly(f.message),
  })),
  more: faults.length >= TAKEN.faultsNamed,
});

const briefly = (text: string): string =>
  text.length > TAKEN.faultText ? `${text.slice(0, TAKEN.faultText - 1)}…` : text;

/** How deep the brackets of a JSON text go, strings left out; asked before it is parsed, which a hostile text could make overflow. */
function deepest(text: string): number {
  let depth = 0;
  let most = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inString) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) inString = false;
    } else if (c === QUOTE) inString = true;
    else if (c === OPEN_LIST || c === OPEN_OBJECT) most = Math.max(most, ++depth);
    else if (c === CLOSE_LIST || c === CLOSE_OBJECT) depth--;
  }
  return most;
}
const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [34, 92, 91, 93, 123, 125];
