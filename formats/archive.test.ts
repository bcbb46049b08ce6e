import fc from 'fast-check';
import { zipSync, strToU8 } from 'fflate';
import { makeDemo } from '../demo';
import { readDocument, writeDocument } from '../core/document/checks';
import { ArchiveError, archiveOf, documentInArchive } from './archive';

const NOW = Date.UTC(2026, 5, 1, 18);
const doc = makeDemo(NOW, (ms) => new Date(ms).toISOString().slice(0, 10));

test('what is packed is unpacked as it was', async () => {
  const revisions = new Map([['waters/north-window', { revisions: ['b', 'a'], at: null }]]);
  const text = await documentInArchive(await archiveOf(doc, revisions));
  expect(text).toBe(writeDocument(doc, revisions));
  expect(readDocument(text).status).toBe('ok');
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
] as const)('%s is refused in a sentence', async (_, bytes, message) => {
  await expect(documentInArchive(bytes)).rejects.toThrow(ArchiveError);
  await expect(documentInArchive(bytes)).rejects.toThrow(message);
});
test('an archive with bytes turned over is refused or read, never more', async () => {
  const whole = await archiveOf(doc, new Map());
  await fc.assert(
    fc.asyncProperty(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
      const bytes = whole.slice();
      bytes[at] = ((bytes[at] as number) + by) % 256;
      const text = await documentInArchive(bytes).catch((error: unknown) => {
        expect(error).toBeInstanceOf(ArchiveError);
        return null;
      });
      if (text !== null) expect(() => readDocument(text)).not.toThrow();
    }),
    { numRuns: 60, seed: 5 },
  );
});
