import fc from 'fast-check';
import { zipSync, strToU8 } from 'fflate';
import { makeDemo } from '../demo';
import { readDocument, writeDocument } from '../core/document/checks';
import { ArchiveError, archiveIn, filesOf, Packing, pictureName, type Pictures } from './archive';
import type { Revisions } from '../core/document/checks';

const NOW = Date.UTC(2026, 5, 1, 18);
const doc = makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));

/** Everything packed in one go. */
function packed(revisions: Revisions, pictures: Pictures = new Map()): Uint8Array {
  const packing = new Packing();
  for (const { name, parts } of filesOf(doc, revisions)) {
    packing.begin(name);
    for (const part of parts) packing.add(part);
    packing.end();
  }
  for (const [id, bytes] of pictures) {
    packing.begin(pictureName(id), false);
    packing.add(bytes);
    packing.end();
  }
  return Buffer.concat(packing.done());
}

test('what is packed is unpacked as it was', () => {
  const revisions = new Map([['waters/north-window', { revisions: ['b', 'a'], at: null }]]);
  const bytes = packed(revisions, new Map([['p1', strToU8('a picture')]]));
  const { text, pictures } = archiveIn(bytes);
  expect([...pictures.keys()]).toEqual(['p1']);
  expect(pictures.get('p1')).toEqual(strToU8('a picture'));
  expect(text).toBe(writeDocument(doc, revisions));
  expect(readDocument(text).status).toBe('ok');
});
test('of pictures only those that are named as ours are unpacked, and none that is too large', () => {
  const bytes = zipSync({
    'zoarium.json': strToU8('{}'),
    'photos/a.jpg': strToU8('a'),
    'photos/../b.jpg': strToU8('b'),
    '/photos/c.jpg': strToU8('c'),
    'photos/huge.jpg': new Uint8Array(9 * 1024 * 1024),
  });
  expect([...archiveIn(bytes).pictures.keys()]).toEqual(['a']);
});
test.each([
  ['another archive', zipSync({ 'notes.txt': strToU8('hello') }), /there is no zoarium\.json/],
  ['a way out of its folder', zipSync({ '../zoarium.json': strToU8('{}') }), /there is no zoarium\.json/],
  ['no archive', strToU8('hello, this is no archive at all'), /no whole zip archive/],
  ['nothing', new Uint8Array(0), /no whole zip archive/],
  [
    'a bomb',
    zipSync({ 'zoarium.json': new Uint8Array(65 * 1024 * 1024) }, { level: 9 }),
    /larger than 64 MB/,
  ],
] as const)('%s is refused in a sentence', (_, bytes, message) => {
  expect(() => archiveIn(bytes)).toThrow(ArchiveError);
  expect(() => archiveIn(bytes)).toThrow(message);
});
test('an archive with bytes turned over is refused or read, never more', () => {
  const whole = packed(new Map());
  fc.assert(
    fc.property(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), (at, by) => {
      const bytes = Uint8Array.from(whole);
      bytes[at] = ((bytes[at] as number) + by) % 256;
      let read: { text: string } | null = null;
      try {
        read = archiveIn(bytes);
      } catch (error) {
        expect(error).toBeInstanceOf(ArchiveError);
      }
      if (read !== null) expect(() => readDocument(read.text)).not.toThrow();
    }),
    { numRuns: 60, seed: 5 },
  );
});
