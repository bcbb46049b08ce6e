/** The way of an entry from the button to the storage: nothing is called done, closed or cleared before its transaction has completed; and
 *  where another tab changed the same entry meanwhile, the person picks. */
import { useCallback, useRef, useState } from 'react';
import { View } from 'react-native';
import { useAppSelector, type Differing, type Outcome, type Seen } from '../../store';
import { Button, RADIUS, Row, space, Txt, useTheme, styleSheet } from '../../ui';
import { differences } from './differences';

type Act = (seen: readonly Seen[]) => Promise<Outcome>;

/** An entry being stored. */
export interface Saving {
  busy: boolean;
  /** What another tab made of the entry since this form was opened. */
  differing: readonly Differing[];
  /** What the other tab stored has been seen: the next saving goes on from there. */
  accept: () => void;
  keepTheirs: () => void;
  /** Stores; `done` is called once it is stored. A second call while the first is under way does nothing. */
  run: (act: Act, done: () => void) => Promise<void>;
}

/** @param base the entry as the form was opened with it; none for a new one */
export function useSaving(base?: Seen): Saving {
  const [busy, setBusy] = useState(false);
  const [differing, setDiffering] = useState<readonly Differing[]>([]);
  const seen = useRef<readonly Seen[]>(base ? [base] : []);
  const underWay = useRef(false);
  const close = useRef<() => void>(() => undefined);
  const run = useCallback(async (act: Act, done: () => void) => {
    if (underWay.current) return;
    underWay.current = true;
    close.current = done;
    setBusy(true);
    const outcome = await act(seen.current).finally(() => {
      underWay.current = false;
      setBusy(false);
    });
    if (outcome.kind === 'changed' && outcome.differing.length > 0) {
      setDiffering(outcome.differing);
      return;
    }
    setDiffering([]);
    done();
  }, []);
  const accept = () => {
    seen.current = differing.flatMap(({ collection, theirs }) =>
      theirs ? [{ collection, entity: theirs }] : [],
    );
    setDiffering([]);
  };
  const keepTheirs = () => {
    setDiffering([]);
    close.current();
  };
  return { busy, differing, accept, keepTheirs, run };
}

/** The entry being corrected, as it last was: deleted elsewhere meanwhile, it stays in sight. @param id of which entry; another one, or
 *  none, begins anew */
export function useLastSeen<T>(id: string, entity: T | undefined): T | undefined {
  const [last, setLast] = useState({ id, entity });
  if (id !== last.id || (entity !== undefined && entity !== last.entity)) setLast({ id, entity });
  return entity ?? (id === last.id ? last.entity : undefined);
}

/** The button that stores an entry, with what it has to say: that it is storing, that it takes long, that another tab was faster. */
export function SaveButton({ saving, ...button }: { saving: Saving } & Parameters<typeof Button>[0]) {
  const slow = useAppSelector((s) => s.document.slow || s.document.saveError !== null);
  return (
    <View style={styles.save}>
      <Changed
        saving={saving}
        onKeepMine={() => {
          // As it stands in the fields now, not as it was when saving was first tried.
          saving.accept();
          button.onPress();
        }}
      />
      {saving.busy && slow ? (
        <Txt kind="small" live>
          Not stored yet. Keep this page open; what you typed stays here.
        </Txt>
      ) : null}
      {saving.differing.length > 0 ? null : <Button {...button} busy={saving.busy} />}
    </View>
  );
}

function Changed({ saving, onKeepMine }: { saving: Saving; onKeepMine: () => void }) {
  const { roles } = useTheme();
  const { differing, keepTheirs } = saving;
  if (differing.length === 0) return null;
  const gone = differing.every((d) => d.theirs === null);
  return (
    <View role="alert" style={[styles.changed, { borderColor: roles.nitrite, backgroundColor: roles.paper }]}>
      <Txt kind="row">{gone ? 'Deleted in another tab meanwhile.' : 'Changed in another tab meanwhile.'}</Txt>
      {gone ? (
        <Txt>What you typed is still here. Put it back, or leave it deleted.</Txt>
      ) : (
        <>
          <Row style={styles.line}>
            <Txt kind="small" tone="second" style={styles.cell}>
              yours, not stored
            </Txt>
            <Txt kind="small" tone="second" style={styles.cell}>
              stored by the other tab
            </Txt>
          </Row>
          {differing.flatMap((d) =>
            differences(d.mine, d.theirs).map(({ field, mine, theirs }) => (
              <View key={`${d.id} ${field}`}>
                <Txt kind="small">{field}</Txt>
                <Row style={styles.line}>
                  <Txt style={styles.cell}>{mine}</Txt>
                  <Txt style={styles.cell}>{theirs}</Txt>
                </Row>
              </View>
            )),
          )}
        </>
      )}
      <Row wrap>
        <Button kind="primary" label={gone ? 'Put it back' : 'Keep mine'} onPress={onKeepMine} />
        <Button label={gone ? 'Leave it deleted' : 'Keep theirs'} onPress={keepTheirs} />
      </Row>
    </View>
  );
}

const styles = styleSheet({
  save: { gap: space(2), flexGrow: 1 },
  changed: { borderWidth: 1.5, borderRadius: RADIUS, padding: space(4), gap: space(2) },
  line: { alignItems: 'flex-start' },
  cell: { flex: 1 },
});
