import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { STARTER_KITS, type Kit } from '../../../core/document';
import { commit, makeStore, useAppDispatch, type Outcome } from '../../store';
import { documentOpened } from '../../store/documentSlice';
import { memoryStorage } from '../../store/storage';
import { emptyDocument } from '../../../core/document';
import { ThemeProvider } from '../../ui';
import { differences } from './differences';
import { SaveButton, useLastSeen, useSaving } from './saving';
import { flush, press, says } from './testing';

const kit = STARTER_KITS[0]!;

/** A sheet of one field. */
function Sheet({ entity, onDone }: { entity: Kit; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState(entity.name);
  const saving = useSaving({ collection: 'kits', entity });
  const save = () =>
    void saving.run(
      (seen) => dispatch(commit('Kit', [{ put: 'kits', entity: { ...entity, name } }], { seen })),
      onDone,
    );
  return (
    <>
      <input aria-label="Name" value={name} onChange={(e) => setName(e.target.value)} />
      <SaveButton saving={saving} label="Save" onPress={save} />
    </>
  );
}

function shown() {
  const storage = memoryStorage();
  const { store } = makeStore(storage, { post: () => undefined, listen: () => undefined });
  store.dispatch(documentOpened({ document: { ...emptyDocument(), kits: { [kit.id]: kit } }, aside: [] }));
  const done = jest.fn();
  render(
    <Provider store={store}>
      <ThemeProvider theme="light">
        <Sheet entity={kit} onDone={done} />
      </ThemeProvider>
    </Provider>,
  );
  const elsewhere = (edit: Parameters<typeof commit>[1][number]) =>
    store.dispatch(commit('Elsewhere', [edit]));
  const name = () => store.getState().document.entities.kits[kit.id]?.name;
  return { store, storage, done, elsewhere, name };
}
const type = (text: string) => fireEvent.change(screen.getByLabelText('Name'), { target: { value: text } });

test('closes once it is stored, not before', async () => {
  const { storage, done, name } = shown();
  const { transact } = storage;
  let free = () => undefined as void;
  const gate = new Promise<void>((open) => (free = open));
  storage.transact = async (keys, decide) => {
    await gate;
    return transact(keys, decide);
  };
  type('mine');
  press('Save');
  await flush();
  expect([done.mock.calls.length, says('Saving …')]).toEqual([0, true]);
  press('Saving: Save');
  free();
  await flush();
  expect([done.mock.calls.length, name(), says('Saving …')]).toEqual([1, 'mine', false]);
});
test('what was changed elsewhere is shown beside it; mine is what stands in the field now', async () => {
  const { done, elsewhere, name } = shown();
  await elsewhere({ put: 'kits', entity: { ...kit, name: 'theirs' } });
  type('mine');
  press('Save');
  await flush();
  expect([done.mock.calls.length, says('mine'), says('theirs'), name()]).toEqual([0, true, true, 'theirs']);
  expect(screen.queryByRole('button', { name: 'Save' })).toBeNull();
  type('mine, thought over');
  press('Keep mine');
  await flush();
  expect([done.mock.calls.length, name()]).toEqual([1, 'mine, thought over']);
});
test('keeping theirs closes and changes nothing', async () => {
  const { done, elsewhere, name } = shown();
  await elsewhere({ put: 'kits', entity: { ...kit, name: 'theirs' } });
  type('mine');
  press('Save');
  await flush();
  press('Keep theirs');
  expect([done.mock.calls.length, name()]).toEqual([1, 'theirs']);
});
test('what was deleted elsewhere can be put back', async () => {
  const { done, elsewhere, name } = shown();
  await elsewhere({ remove: 'kits', id: kit.id });
  type('mine');
  press('Save');
  await flush();
  expect(says('Deleted in another tab meanwhile.')).toBe(true);
  press('Put it back');
  await flush();
  expect([done.mock.calls.length, name()]).toEqual([1, 'mine']);
});
test('an act that breaks does not leave the button waiting', async () => {
  function Broken() {
    const saving = useSaving();
    const act = async (): Promise<Outcome> => Promise.reject(new Error('broken'));
    return (
      <SaveButton saving={saving} label="Save" onPress={() => void saving.run(act, fail).catch(() => 0)} />
    );
  }
  const { store } = makeStore(memoryStorage(), { post: () => undefined, listen: () => undefined });
  render(
    <Provider store={store}>
      <ThemeProvider theme="light">
        <Broken />
      </ThemeProvider>
    </Provider>,
  );
  press('Save');
  await flush();
  expect(screen.getByRole('button', { name: 'Save' })).toBeTruthy();
});
const fail = () => {
  throw new Error('must not be called');
};

test('an entry deleted elsewhere is last seen as it was; another one begins anew', () => {
  function Seen({ id, entity }: { id: string; entity?: string }) {
    return <p>{`sees ${useLastSeen(id, entity) ?? 'nothing'}`}</p>;
  }
  const { rerender } = render(<Seen id="a" entity="first" />);
  rerender(<Seen id="a" entity="second" />);
  rerender(<Seen id="a" />);
  expect(says('sees second')).toBe(true);
  rerender(<Seen id="" />);
  expect(says('sees nothing')).toBe(true);
});

describe('differences', () => {
  test('field by field, in words, without what says nothing', () => {
    const other: Kit = { ...kit, name: 'Other', expires: '2027-01-01', id: 'x' };
    expect(differences(kit, other)).toEqual([
      { field: 'name', mine: kit.name, theirs: 'Other' },
      { field: 'expires', mine: 'nothing', theirs: '2027-01-01' },
    ]);
    expect([differences(kit, null), differences(null, kit), differences(kit, kit)]).toEqual([[], [], []]);
  });
  test('readings go by what was read', () => {
    const at = '2026-01-01T00:00:00.000Z';
    const sample = (value: number, note: string) => ({
      id: 's',
      waterId: 't',
      at,
      note,
      readings: [
        {
          parameter: 'ph' as const,
          kitId: 'kit-ph',
          value: { kind: 'exact' as const, value },
          doubted: true as const,
        },
      ],
    });
    expect(differences(sample(8, ''), sample(8.1, 'n'))).toEqual([
      { field: 'note', mine: 'empty', theirs: 'n' },
      { field: 'readings ph value', mine: '8', theirs: '8.1' },
    ]);
  });
});
