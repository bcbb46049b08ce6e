import { fireEvent, screen, waitFor } from '@testing-library/react';
import { emptyDocument } from '../../../core/document';
import { readDocument, writeDocument } from '../../../core/document/checks';
import { toldInParts } from '../../workers/fileParts';
import type { FileTold } from '../../workers/messages';
import { demo, flush, onScreen, press, says, submit } from '../shell/testing';
import { FilesScreen } from './FilesScreen';

/** Reads as the worker does, in the page. */
class ReadingWorker {
  static silent = false;
  ended = false;
  onmessage: ((event: { data: FileTold }) => void) | null = null;
  postMessage(file: File): void {
    this.onmessage?.({ data: { kind: 'progress', done: 0.4 } });
    if (ReadingWorker.silent) return;
    void file.text().then((text) => {
      for (const data of toldInParts(readDocument(text))) if (!this.ended) this.onmessage?.({ data });
    });
  }
  terminate(): void {
    this.ended = true;
  }
}
beforeEach(() => {
  ReadingWorker.silent = false;
  Object.assign(globalThis, { Worker: ReadingWorker });
});

const give = async (text: string) => {
  const file = Object.assign(new File([text], 'tanks.json', { type: 'application/json' }), {
    text: async () => text,
  });
  fireEvent.change(screen.getByLabelText('File to import'), { target: { files: [file] } });
  await flush();
};

test('an import says what it will do, does all of it, and goes to the tanks', async () => {
  const { doc, went } = onScreen(<FilesScreen />, { doc: emptyDocument() });
  await give(writeDocument(demo()));
  expect(says('What it will do')).toBe(true);
  expect(Object.keys(doc().waters)).toHaveLength(0);
  await submit('Import it');
  expect(writeDocument(doc())).toBe(writeDocument(demo()));
  await waitFor(() => expect(went()).toEqual(['/waters']));
});

test.each([
  ['half a file', writeDocument(demo()).slice(0, 5000)],
  ['another kind', '{"a":1}'],
  ['nothing', ''],
])('%s changes nothing and says why', async (_, text) => {
  const before = demo();
  const { doc } = onScreen(<FilesScreen />, { doc: before });
  await give(text);
  expect(says('Nothing was changed.')).toBe(true);
  expect(screen.queryByRole('button', { name: 'Import it' })).toBeNull();
  expect(doc()).toEqual(before);
  press('Leave everything as it is');
  expect(says('Nothing was changed.')).toBe(false);
});

test('how far the reading is stands there, and it can be stopped', async () => {
  ReadingWorker.silent = true;
  onScreen(<FilesScreen />, { doc: demo() });
  await give(writeDocument(demo()));
  expect(says('Reading tanks.json: 40 %')).toBe(true);
  press('Stop reading');
  expect(says(/^Reading tanks/)).toBe(false);
});

test('a file of over 64 MB is refused unread', async () => {
  onScreen(<FilesScreen />, { doc: demo() });
  const file = Object.defineProperty(new File([''], 'big.json'), 'size', { value: 65 * 1024 * 1024 });
  fireEvent.change(screen.getByLabelText('File to import'), { target: { files: [file] } });
  await flush();
  expect(says('The file is too large')).toBe(true);
  expect(says(/It has 65 MB; 64 MB is the most/)).toBe(true);
});

test('with nothing entered there is nothing to export', () => {
  onScreen(<FilesScreen />, { doc: emptyDocument() });
  expect(says('Nothing to export yet.')).toBe(true);
});

/** The demo with one sample's note of another device, corrected at a moment. */
const noted = (note: string, editedAt: string) => {
  const doc = demo();
  const [sample] = Object.values(doc.samples);
  doc.samples[sample!.id] = { ...sample!, note, editedAt };
  return { doc, id: sample!.id };
};

test('taken together: what is new comes, both edits stand side by side, and the other can be taken', async () => {
  const here = noted('mine', '2026-06-01T10:00:00.000Z');
  const there = noted('theirs', '2026-06-02T10:00:00.000Z');
  const [kit] = Object.values(there.doc.kits);
  there.doc.kits.new = { ...kit!, id: 'new' };
  const { doc } = onScreen(<FilesScreen />, { doc: here.doc });
  await give(writeDocument(there.doc));
  await waitFor(() => expect(says('Both together')).toBe(true));
  expect(says('kits: 1 new, 0 newer there, 0 deleted there')).toBe(true);
  expect(says(/edited on both; the later edit is taken/)).toBe(true);
  expect(says('theirs (not mine)')).toBe(true);
  press(`Take the other instead: ${here.id}`);
  await submit('Take both together');
  expect(doc().samples[here.id]?.note).toBe('mine');
  expect(doc().kits.new).toBeTruthy();
});
test('the same file again changes nothing, and says so', async () => {
  onScreen(<FilesScreen />, { doc: demo() });
  await give(writeDocument(demo()));
  await waitFor(() => expect(says('Both together')).toBe(true));
  expect(says('Nothing: the file holds nothing that is not here.')).toBe(true);
});
test('what comes in while both are compared is not lost by taking them together', async () => {
  const { doc, comes } = onScreen(<FilesScreen />, { doc: demo() });
  await give(writeDocument(demo()));
  await waitFor(() => expect(says('Both together')).toBe(true));
  const [kit] = Object.values(doc().kits);
  comes([{ put: 'kits', entity: { ...kit!, id: 'meanwhile' } }]);
  expect(says('Both together')).toBe(false);
  await waitFor(() => expect(says('Both together')).toBe(true));
  await submit('Take both together');
  expect(doc().kits.meanwhile).toBeTruthy();
});
