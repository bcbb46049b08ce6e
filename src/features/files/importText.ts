/** An import explained before it happens. */
import {
  COLLECTION_NAMES,
  DOCUMENT_LIMITS,
  type CollectionName,
  type Document,
} from '../../../core/document';
import type { Revisions } from '../../../core/document/checks';
import type { FileRead } from '../../workers';

export const COLLECTION_WORDS: Record<CollectionName, string> = {
  settings: 'settings',
  waters: 'waters',
  kits: 'kits',
  samples: 'samples',
  events: 'events',
  animals: 'animals',
  looks: 'quarantine looks',
  drips: 'drips',
  calibrations: 'calibrations',
  targets: 'targets',
  ownParameters: 'own parameters',
  tasks: 'tasks',
  setup: 'setting-up points',
  equipment: 'equipment',
  forecasts: 'forecasts said',
  treatments: 'treatments',
  species: 'kinds of one’s own',
  plans: 'plans',
  agenda: 'put off or left out',
  mappings: 'ways to read tables',
  photos: 'photos',
  cards: 'colour cards',
  mixes: 'salt mixes',
  monitors: 'devices',
  monitorDays: 'days of devices',
  tombstones: 'deletions remembered',
  purchases: 'purchases',
};

export type Preview =
  | { ok: true; document: Document; revisions: Revisions; lines: string[] }
  | { ok: false; title: string; lines: string[] };

/** What an import would do, or why it cannot be done, place by place. Nothing is changed here. */
export function previewImport(read: FileRead, present: Document): Preview {
  if (read.status !== 'ok') return { ok: false, ...whyNot(read) };
  const lines = COLLECTION_NAMES.flatMap((name) => {
    const next = read.document[name];
    const now = present[name];
    const added = Object.keys(next).filter((id) => !Object.hasOwn(now, id)).length;
    const kept = Object.keys(next).length - added;
    const gone = Object.keys(now).filter((id) => !Object.hasOwn(next, id)).length;
    if (added + kept + gone === 0 || (name === 'settings' && added + gone === 0)) return [];
    return [`${COLLECTION_WORDS[name]}: ${added} new, ${kept} replaced or the same, ${gone} removed`];
  });
  return { ok: true, document: read.document, revisions: read.revisions, lines };
}

function whyNot(read: Exclude<FileRead, { status: 'ok' }>): { title: string; lines: string[] } {
  switch (read.status) {
    case 'too-large':
      return {
        title: 'The file is too large',
        lines: [
          `It has ${read.megabytes.toFixed(0)} MB; ${DOCUMENT_LIMITS.fileMegabytes.value} MB is the most. It is not one this app made.`,
        ],
      };
    case 'unreadable':
      return {
        title: 'The file cannot be read',
        lines: ['The browser could not open it. Copy it to this device and choose it again.'],
      };
    case 'not-json':
      return {
        title: 'The file cannot be read',
        lines: [
          `It is not whole JSON: ${read.message}. It may be cut off or of another kind. Export it again and choose that file.`,
        ],
      };
    case 'not-ours':
      return {
        title: 'Not a Zoarium file',
        lines: [`${read.message}. Choose a file that Files → Export made.`],
      };
    case 'too-new':
      return {
        title: 'From a newer Zoarium',
        lines: [`${read.message}. Reload to get the newer app, then import again.`],
      };
    case 'migration-failed':
      return { title: 'An older file that could not be brought up to date', lines: [read.message] };
    case 'invalid':
      return {
        title: `${read.faults.length} fault${read.faults.length === 1 ? '' : 's'} in the file`,
        lines: [
          ...read.faults.map((f) => `${f.path}: ${f.message}`),
          ...(read.more ? ['There may be more: the reading ended here.'] : []),
        ],
      };
  }
}
