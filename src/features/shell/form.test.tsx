import { act, renderHook } from '@testing-library/react';
import type { Outcome } from '../../store';
import { useEntryForm } from './form';

/** A form whose storing ends when the test says so. */
function storing() {
  let stored = (_: Outcome): void => undefined;
  const done = jest.fn();
  const { result, unmount } = renderHook(() =>
    useEntryForm({
      start: { name: 'a' },
      read: (texts: { name: string }) => ({ ok: true as const, name: texts.name }),
      save: () => new Promise<Outcome>((resolve) => (stored = resolve)),
      done,
    }),
  );
  const save = () => act(async () => result.current.save());
  const isStored = () => act(async () => stored({ kind: 'saved' }));
  return { done, save, isStored, unmount };
}

test('once it is stored the sheet is closed', async () => {
  const { done, save, isStored } = storing();
  await save();
  expect(done).not.toHaveBeenCalled();
  await isStored();
  expect(done).toHaveBeenCalledTimes(1);
});
test('whoever went elsewhere meanwhile is not called away from there', async () => {
  const { done, save, isStored, unmount } = storing();
  await save();
  unmount();
  await isStored();
  expect(done).not.toHaveBeenCalled();
});
