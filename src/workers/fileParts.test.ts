import fc from 'fast-check';
import { readDocument, writeDocument, type LoadResult } from '../../core/document/checks';
import { documents } from '../../core/testing/arbitraries';
import { History } from '../../core/testing/history';
import { gathering, toldInParts } from './fileParts';

/** Through messages, as a worker's go. */
function taken(result: LoadResult): { read: LoadResult | null; most: number } {
  const gather = gathering();
  let [read, most]: [LoadResult | null, number] = [null, 0];
  for (const told of toldInParts(result)) {
    expect(read).toBeNull();
    if (told.kind === 'entities') most = Math.max(most, told.entities.length);
    if (told.kind === 'revisions') most = Math.max(most, told.of.length);
    read = gather(structuredClone(told));
  }
  return { read, most };
}

test('what was read comes whole out of its parts', () => {
  fc.assert(
    fc.property(documents, (doc) => {
      const [id = ''] = Object.keys(doc.waters);
      const how = { revisions: ['r2', 'r1'], at: '2026-05-01T18:00:00.000Z' };
      const result = readDocument(writeDocument(doc, new Map([[`waters/${id}`, how]])));
      expect(taken(result).read).toEqual(result);
    }),
    { seed: 3, numRuns: 40 },
  );
});

test('a log of years comes in many parts, none of them large', () => {
  const h = new History();
  for (let day = 0; day < 1001; day++) h.test(day, { ammonia: 0 });
  const result = readDocument(writeDocument(h.doc));
  const { read, most } = taken(result);
  expect(read).toEqual(result);
  expect(most).toBe(400);
});

test('faults come at once', () => {
  const result = readDocument('{"a":1}');
  expect(taken(result).read).toEqual(result);
});
