import fc from 'fast-check';
import type { Sample } from '../../../core/document';
import { documents } from '../../../core/testing/arbitraries';
import { makeDemo } from '../../store/demo';
import { corrected, entriesOf, keyOf } from './entries';

test('the merged list is the list sorted whole, for every water, and the same again when asked again', () => {
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
        const merged = entriesOf(doc, waterId);
        expect(merged.map((e) => e.at)).toEqual([...merged.map((e) => e.at)].sort().reverse());
        const logged = merged.filter((e) => e.kind === 'sample' || e.kind === 'event');
        expect(logged.map(keyOf)).toEqual(plain.map((e) => e.id));
        expect(entriesOf(doc, waterId).map(keyOf)).toEqual(merged.map(keyOf));
      }
    }),
    { seed: 31, numRuns: 60 },
  );
});
test('each animal of the water with every step of its way, also where it only passed through; looks on their day', () => {
  const doc = makeDemo(Date.UTC(2026, 5, 1, 18), (ms) => new Date(ms).toISOString().slice(0, 10));
  const steps = (waterId: string) =>
    entriesOf(doc, waterId).flatMap((e) => (e.kind === 'move' ? [e.animal.id] : []));
  const passed = Object.values(doc.animals).filter((a) =>
    a.moves.some((m) => m.to.kind === 'water' && m.to.waterId === 'north-qt'),
  );
  expect(new Set(steps('north-qt'))).toEqual(new Set(passed.map((a) => a.id)));
  expect(steps('north-window')).toHaveLength(
    Object.values(doc.animals)
      .filter((a) => a.homeId === 'north-window')
      .reduce((n, a) => n + a.moves.length, 0),
  );
  expect(entriesOf(doc, 'north-qt').filter((e) => e.kind === 'look')).toHaveLength(
    Object.values(doc.looks).filter((l) => l.waterId === 'north-qt').length,
  );
});
test('what was said before is kept, the last twenty times', () => {
  let sample: Pick<Sample, 'corrections'> = {};
  for (let i = 0; i < 22; i++)
    sample = { corrections: corrected(sample, `text ${i}`, `2026-05-0${1 + (i % 9)}T00:00:00.000Z`) };
  expect(sample.corrections).toHaveLength(20);
  expect([sample.corrections![0]!.said, sample.corrections![19]!.said]).toEqual(['text 2', 'text 21']);
});
