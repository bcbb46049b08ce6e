/** What goes when a water goes. */
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
    ...dripsWithout(doc, going, gone),
    ...looksWithout(doc, going, gone),
    ...purchasesWithout(doc, going, gone),
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

/** Looks elsewhere at animals that go: what was seen stays. */
function looksWithout(doc: Document, going: ReadonlySet<string>, gone: ReadonlySet<string>): Edit[] {
  return Object.values(doc.looks).flatMap((l): Edit[] => {
    if (going.has(l.waterId) || !l.animalIds?.some((id) => gone.has(id))) return [];
    return [{ put: 'looks', entity: { ...l, animalIds: l.animalIds.filter((id) => !gone.has(id)) } }];
  });
}

/** Purchases elsewhere with animals that go: what was bought stays. */
function purchasesWithout(doc: Document, going: ReadonlySet<string>, gone: ReadonlySet<string>): Edit[] {
  return Object.values(doc.purchases).flatMap((p): Edit[] =>
    going.has(p.waterId) || !p.animalIds.some((id) => gone.has(id))
      ? []
      : [{ put: 'purchases', entity: { ...p, animalIds: p.animalIds.filter((id) => !gone.has(id)) } }],
  );
}

/** Drips elsewhere with animals that go: without them, or not at all where nobody is left in it. */
function dripsWithout(doc: Document, going: ReadonlySet<string>, gone: ReadonlySet<string>): Edit[] {
  return Object.values(doc.drips).flatMap((d): Edit[] => {
    const animalIds = d.animalIds.filter((id) => !gone.has(id));
    if (going.has(d.waterId) || animalIds.length === d.animalIds.length) return [];
    return animalIds.length === 0
      ? [{ remove: 'drips', id: d.id }]
      : [{ put: 'drips', entity: { ...d, animalIds } }];
  });
}
