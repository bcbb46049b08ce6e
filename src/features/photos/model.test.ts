import type { Document, Photo } from '../../../core/document';
import { makeDemo } from '../../store/demo';
import { megabytes, photosOf, stripsOf, subjects, thinnedOut } from './model';

const NOW = Date.UTC(2026, 5, 1, 18);
const doc: Document = makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));
const photo = (id: string, at: string, more: Partial<Photo> = {}): Photo => ({
  id,
  waterId: 'north-window',
  at: `${at}T12:00:00.000Z`,
  note: '',
  view: '',
  light: '',
  width: 1600,
  height: 1200,
  bytes: 300_000,
  ...more,
});
const all = (...photos: Photo[]): Document => ({
  ...doc,
  photos: Object.fromEntries(photos.map((p) => [p.id, p])),
});

test('a strip for each view and each animal, oldest first in each, of one water only', () => {
  const coral = Object.values(doc.animals).find((a) => a.homeId === 'north-window')!;
  const d = all(
    photo('a', '2026-05-01', { view: 'front' }),
    photo('b', '2026-05-08', { view: 'front' }),
    photo('c', '2026-05-09', { of: { kind: 'animal', id: coral.id } }),
    photo('x', '2026-05-10', { waterId: 'pantry-cube' }),
  );
  const strips = stripsOf(d, photosOf(d, 'north-window'));
  expect(strips.map((s) => s.photos.map((p) => p.id))).toEqual([['c'], ['a', 'b']]);
  expect(subjects(d, 'north-window')[0]).toEqual({ value: '', label: 'the tank as a whole' });
});
test('thinned out, the newest four of each view stay and the first of each month before them', () => {
  const days = [
    '2026-03-01',
    '2026-03-08',
    '2026-03-15',
    '2026-04-01',
    '2026-04-08',
    '2026-05-01',
    '2026-05-08',
    '2026-05-15',
  ];
  const d = all(...days.map((at, i) => photo(`p${i}`, at, { view: 'front' })));
  const gone = thinnedOut(stripsOf(d, photosOf(d, 'north-window')));
  expect(gone.map((p) => p.at.slice(0, 10))).toEqual(['2026-03-08', '2026-03-15']);
  expect(thinnedOut(stripsOf(all(), []))).toEqual([]);
});
test('sizes are said as they are read', () => {
  expect([megabytes(340_000), megabytes(25_400_000)]).toEqual(['0.3 MB', '25 MB']);
});
