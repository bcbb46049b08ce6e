import fc from 'fast-check';
import { documents } from '../../../core/testing/arbitraries';
import { entriesOf } from './entries';

const key = (e: ReturnType<typeof entriesOf>[number]) => (e.kind === 'sample' ? e.sample.id : e.event.id);

test('the merged list is the list sorted whole, for every tank, and the same again when asked again', () => {
  fc.assert(
    fc.property(documents, (doc) => {
      for (const waterId of [...Object.keys(doc.waters), 'nowhere']) {
        const plain = [
          ...Object.values(doc.samples)
            .filter((s) => s.waterId === waterId)
            .map((s) => ({ at: s.at, id: s.id })),
          ...Object.values(doc.events)
            .filter((e) => e.waterId === waterId)
            .map((e) => ({ at: e.at, id: e.id })),
        ].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
        const merged = entriesOf(doc.samples, doc.events, waterId);
        expect(merged.map(key)).toEqual(plain.map((e) => e.id));
        expect(entriesOf(doc.samples, doc.events, waterId).map(key)).toEqual(merged.map(key));
      }
    }),
    { seed: 31, numRuns: 60 },
  );
});
