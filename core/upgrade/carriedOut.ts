/** What else the log is told once a whole tank went into another. */
import { isIn, placeOf, type Animal, type Display, type Document, type Edit } from '../document';
import { tookInATank } from '../evidence';

/** Rock and media went along, which the new tank is told but once; whoever is wished for or in quarantine for the old tank is meant for the new one, and its
 *  quarantines serve that.
 *  @param o the moment, and the id of what is told of it */
export function carriedOut(
  doc: Document,
  from: Display,
  to: Display,
  { at, id }: { at: string; id: string },
): Edit[] {
  const atMs = Date.parse(at);
  const rock: Edit = {
    put: 'events',
    entity: { id, waterId: to.id, at, note: `Of ${from.name}`, kind: 'bacteria', seed: 'oldTank', mL: null },
  };
  return [
    ...(tookInATank(doc, to, atMs, atMs) ? [] : [rock]),
    ...meantFor(doc, from).map((a): Edit => ({ put: 'animals', entity: { ...a, homeId: to.id } })),
    ...Object.values(doc.waters).flatMap((w): Edit[] =>
      w.kind === 'quarantine' && w.serves.includes(from.id)
        ? [{ put: 'waters', entity: { ...w, serves: servesInstead(w.serves, from.id, to.id) } }]
        : [],
    ),
  ];
}

/** Those who are yet to come into a display. */
export const meantFor = (doc: Document, display: Display): Animal[] =>
  Object.values(doc.animals).filter(
    (a) => a.homeId === display.id && placeOf(a).kind !== 'gone' && !isIn(a, display.id),
  );

const servesInstead = (serves: readonly string[], from: string, to: string): string[] => [
  ...new Set(serves.map((id) => (id === from ? to : id))),
];
