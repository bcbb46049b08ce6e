/** What of a document a forecast of one tank rests on, the load it is asked for, and what tells two such questions apart. */
import { emptyDocument, isComing, waterOf, type Document } from '../document';
import { remembered } from '../remembered';
import { groupLoadMgN } from '../stocking/load';

/** The part of a document that a forecast of one tank rests on. Nothing of other tanks goes to the worker. */
export function sliceFor(doc: Document, waterId: string): Document {
  const of = <T extends { waterId: string }>(list: Record<string, T>): Record<string, T> =>
    Object.fromEntries(Object.entries(list).filter(([, e]) => e.waterId === waterId));
  const water = doc.waters[waterId];
  return {
    ...emptyDocument(),
    waters: water ? { [waterId]: water } : {},
    kits: doc.kits,
    samples: of(doc.samples),
    events: of(doc.events),
    animals: Object.fromEntries(
      Object.entries(doc.animals).filter(([, a]) => a.moves.some((m) => waterOf(m.to) === waterId)),
    ),
    calibrations: doc.calibrations,
  };
}

/** The daily load of the first animals meant: those wished for and in quarantine, or two small fish on light feed. */
export function plannedLoad(doc: Document, waterId: string): { mgN: number; words: string } {
  const meant = Object.values(doc.animals).filter((a) => a.homeId === waterId && isComing(a));
  const mgN = meant.reduce((sum, a) => sum + groupLoadMgN(doc, a, 0), 0);
  return mgN > 0.5
    ? {
        mgN,
        words: `the ${meant.length === 1 ? 'animal' : 'animals'} you mean to add (${mgN.toFixed(0)} mg N a day)`,
      }
    : { mgN: 12, words: 'two small fish on light feed (12 mg N a day)' };
}

/** Identity of a log: everything a fit reads, as sixteen hex digits (two FNV-1a hashes of each entity, added up; no secret). The order in which
 *  entities stand, which a reload may change, is no part of it. */
export function inputsOf(slice: Document): string {
  const { kits, samples, events, animals, calibrations, waters } = slice;
  let [one, other] = [0, 0];
  for (const [name, entities] of Object.entries({ kits, samples, events, animals, calibrations, waters })) {
    const place = fnv1a(name, ONE) | 1;
    for (const entity of Object.values(entities) as object[]) {
      const hashed = hashesOf(entity);
      one = (one + Math.imul(hashed[0], place)) >>> 0;
      other = (other + Math.imul(hashed[1], place)) >>> 0;
    }
  }
  return hex(one) + hex(other);
}

const [ONE, OTHER] = [0x811c9dc5, 0x01234567];
// Entities are replaced, never changed: of a long history only what is new is read.
const hashesOf = remembered((entity: object): readonly [number, number] => {
  const text = JSON.stringify(entity);
  return [fnv1a(text, ONE), fnv1a(text, OTHER)];
});
const hex = (hash: number): string => hash.toString(16).padStart(8, '0');

function fnv1a(text: string, start: number): number {
  let hash = start >>> 0;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
}
