/** What goes when a water or an animal goes. */
import type { Edit } from './changes';
import type { Animal, Document } from './types';
import { WISHED } from './animals';

const HELD = [
  'samples',
  'events',
  'targets',
  'tasks',
  'setup',
  'equipment',
  'forecasts',
  'treatments',
  'purchases',
  'drips',
  'looks',
  'plans',
  'agenda',
  'photos',
  'monitors',
  'monitorDays',
] as const;

/** Takes a water with its log. With a display go the animals whose home it is and the quarantines that serve no other; whoever else passed
 *  through keeps the rest of its way. */
export function editsToRemoveWater(doc: Document, waterId: string): Edit[] {
  const going = new Set([waterId, ...servingOnly(doc, waterId)]);
  const gone = new Set(
    Object.values(doc.animals)
      .filter((a) => going.has(a.homeId))
      .map((a) => a.id),
  );
  return [
    ...HELD.flatMap((name) =>
      Object.values(doc[name])
        .filter((e) => going.has(e.waterId))
        .map((e): Edit => ({ remove: name, id: e.id })),
    ),
    ...Object.values(doc.animals).flatMap((a): Edit[] => {
      if (gone.has(a.id)) return [{ remove: 'animals', id: a.id }];
      const kept = without(a, going);
      return kept === a ? [] : [{ put: 'animals', entity: kept }];
    }),
    ...mentionsWithout(doc, going, gone),
    ...Object.values(doc.mappings).flatMap((m): Edit[] =>
      m.waterId !== null && going.has(m.waterId)
        ? [{ put: 'mappings', entity: { ...m, waterId: null } }]
        : [],
    ),
    ...Object.values(doc.waters).flatMap((w): Edit[] => {
      if (going.has(w.id)) return [{ remove: 'waters', id: w.id }];
      if (w.kind !== 'quarantine' || !w.serves.some((id) => going.has(id))) return [];
      return [{ put: 'waters', entity: { ...w, serves: w.serves.filter((id) => !going.has(id)) } }];
    }),
  ];
}

const servingOnly = (doc: Document, waterId: string): string[] =>
  Object.values(doc.waters).flatMap((w) =>
    w.kind === 'quarantine' && w.serves.length === 1 && w.serves[0] === waterId ? [w.id] : [],
  );

/** An animal whose way leaves out some waters; one that is left with none is wished for. The same where it was in none of them. */
function without(animal: Animal, going: ReadonlySet<string>): Animal {
  const moves = animal.moves.filter((m) => m.to.kind !== 'water' || !going.has(m.to.waterId));
  if (moves.length === animal.moves.length) return animal;
  const [first] = animal.moves;
  return { ...animal, moves: moves.length > 0 || !first ? moves : [{ ...first, to: WISHED }] };
}

/** An entry with what hangs on it: a picture of it stays a picture of the water. */
export const editsToRemoveEntry = (doc: Document, collection: 'samples' | 'events', id: string): Edit[] => [
  ...Object.values(doc.photos).flatMap((p): Edit[] => {
    if (p.of?.id !== id || p.of.kind !== (collection === 'samples' ? 'sample' : 'event')) return [];
    const { of: _, ...rest } = p;
    return [{ put: 'photos', entity: rest }];
  }),
  { remove: collection, id },
];

/** A kit no reading was taken with, its card and what it was held against. */
export const editsToRemoveKit = (doc: Document, kitId: string): Edit[] => [
  ...(['calibrations', 'cards'] as const).flatMap((name) =>
    Object.values(doc[name])
      .filter((e) => e.kitId === kitId)
      .map((e): Edit => ({ remove: name, id: e.id })),
  ),
  { remove: 'kits', id: kitId },
];

/** An animal entered by mistake, and whatever names it. */
export const editsToRemoveAnimal = (doc: Document, animalId: string): Edit[] => [
  ...mentionsWithout(doc, new Set(), new Set([animalId])),
  { remove: 'animals', id: animalId },
];

/** What names animals that go, without them: looks, purchases and tasks stay, a drip only with somebody left in it.
 *  @param going waters that go with all they hold */
function mentionsWithout(doc: Document, going: ReadonlySet<string>, gone: ReadonlySet<string>): Edit[] {
  const named = <T extends { waterId: string; animalIds?: string[] | undefined }>(all: Record<string, T>) =>
    Object.values(all).filter((e) => !going.has(e.waterId) && e.animalIds?.some((id) => gone.has(id)));
  const left = (ids: readonly string[] = []) => ids.filter((id) => !gone.has(id));
  return [
    ...named(doc.looks).map((e): Edit => ({ put: 'looks', entity: { ...e, animalIds: left(e.animalIds) } })),
    ...named(doc.purchases).map((e): Edit => ({
      put: 'purchases',
      entity: { ...e, animalIds: left(e.animalIds) },
    })),
    ...named(doc.tasks).map((e): Edit => ({ put: 'tasks', entity: { ...e, animalIds: left(e.animalIds) } })),
    // A picture of one that goes stays a picture of the water.
    ...Object.values(doc.photos).flatMap((p): Edit[] => {
      if (going.has(p.waterId) || p.of?.kind !== 'animal' || !gone.has(p.of.id)) return [];
      const { of: _, ...rest } = p;
      return [{ put: 'photos', entity: rest }];
    }),
    ...named(doc.drips).map((e): Edit =>
      left(e.animalIds).length === 0
        ? { remove: 'drips', id: e.id }
        : { put: 'drips', entity: { ...e, animalIds: left(e.animalIds) } },
    ),
  ];
}
