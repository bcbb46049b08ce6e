import { fireEvent, screen } from '@testing-library/react';
import { emptyDocument } from '../../../core/document';
import { writeDocument } from '../../../core/document/checks';
import { demo, flush, onScreen, press, says, submit } from '../shell/testing';
import { FilesScreen } from './FilesScreen';

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
  expect(Object.keys(doc().tanks)).toHaveLength(0);
  await submit('Import it');
  expect(writeDocument(doc())).toBe(writeDocument(demo()));
  expect(went()).toEqual(['/tanks']);
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

test('with nothing entered there is nothing to export', () => {
  onScreen(<FilesScreen />, { doc: emptyDocument() });
  expect(says('Nothing to export yet.')).toBe(true);
});
