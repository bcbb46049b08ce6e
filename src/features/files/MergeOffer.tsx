import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Document } from '../../../core/document';
import type { Revisions } from '../../../core/document/checks';
import { merging, type Conflict, type Merged } from '../../../core/merge';
import { replaceDocument, useAppDispatch } from '../../store';
import { revisionLookup } from '../../store/revisions';
import { Button, Line, Row, space, Txt, styleSheet } from '../../ui';
import { SaveButton, useSaving } from '../shell/saving';
import { conflictRows, conflictTitle, mergeLines, withOther } from './mergeText';

/** Conflicts drawn; the rest are counted. */
const MOST_SHOWN = 20;
/** Milliseconds of merging before the page may breathe. */
const SLICE_MS = 12;

type Made =
  | { kind: 'working' }
  | { kind: 'made'; of: Document; merged: Merged; lines: string[] }
  | { kind: 'apart'; why: string };

/** The merge, made in slices while the page goes on. */
function useMerge(present: Document, document: Document, revisions: Revisions): Made {
  const dispatch = useAppDispatch();
  const [made, setMade] = useState<Made>({ kind: 'working' });
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const here = dispatch(revisionLookup());
    const work = merging({ document: present, revisions: here }, { document, revisions });
    const explain = (merged: Merged) => {
      timer = setTimeout(
        () => setMade({ kind: 'made', of: present, merged, lines: mergeLines(present, merged) }),
        0,
      );
    };
    const slice = () => {
      try {
        const since = performance.now();
        let step = work.next();
        while (!step.done && performance.now() - since < SLICE_MS) step = work.next();
        if (step.done) explain(step.value);
        else timer = setTimeout(slice, 0);
      } catch (error) {
        setMade({ kind: 'apart', why: error instanceof Error ? error.message : String(error) });
      }
    };
    timer = setTimeout(slice, 0);
    return () => clearTimeout(timer);
  }, [dispatch, present, document, revisions]);
  // What came since, from a device or another tab, is in no merge made before it, and would be taken away by it.
  return made.kind === 'made' && made.of !== present ? { kind: 'working' } : made;
}

/** The file of another device taken together with what is here: what would come, and side by side what both changed. */
export function MergeOffer({
  present,
  document,
  revisions,
  before,
  onDone,
}: {
  present: Document;
  document: Document;
  revisions: Revisions;
  /** What has to be stored first; false where it could not be. */
  before: () => Promise<boolean>;
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  const saving = useSaving();
  const [others, setOthers] = useState<ReadonlySet<Conflict>>(new Set());
  const made = useMerge(present, document, revisions);
  if (made.kind === 'working') return <Txt tone="second">Comparing both.</Txt>;
  if (made.kind === 'apart')
    return <Txt tone="ammonia">{`They do not fit together: ${made.why}. Nothing was changed.`}</Txt>;
  const { merged, lines } = made;
  const { conflicts } = merged;
  const take = () => {
    const chosen = [...others].reduce(withOther, merged.document);
    void before().then((kept) =>
      kept
        ? saving.run(
            () => dispatch(replaceDocument(chosen, 'Files taken together', merged.revisions)),
            onDone,
          )
        : undefined,
    );
  };
  return (
    <>
      <Txt kind="strong">Both together</Txt>
      {lines.map((l) => (
        <Txt key={l}>{l}</Txt>
      ))}
      {conflicts.slice(0, MOST_SHOWN).map((c) => (
        <OneConflict
          key={`${c.collection}/${c.id}`}
          conflict={c}
          other={others.has(c)}
          onTurn={() => {
            const next = new Set(others);
            if (!next.delete(c)) next.add(c);
            setOthers(next);
          }}
        />
      ))}
      {conflicts.length > MOST_SHOWN ? (
        <Txt>{`${conflicts.length - MOST_SHOWN} more, of each the later.`}</Txt>
      ) : null}
      <Row>
        <SaveButton saving={saving} kind="primary" label="Take both together" onPress={take} />
      </Row>
    </>
  );
}

/** What is taken beside what is not, field by field; the other can be taken instead. */
function OneConflict({
  conflict,
  other,
  onTurn,
}: {
  conflict: Conflict;
  other: boolean;
  onTurn: () => void;
}) {
  return (
    <View style={styles.conflict}>
      <Txt tone="nitrite">{conflictTitle(conflict)}</Txt>
      {conflictRows(conflict).map((r) => (
        <Line
          key={r.field}
          name={r.field}
          value={other ? `${r.other} (not ${r.kept})` : `${r.kept} (not ${r.other})`}
        />
      ))}
      {conflict.other && conflict.kept ? (
        <Row>
          <Button
            kind="quiet"
            label={other ? 'Take the later after all' : 'Take the other instead'}
            name={`${other ? 'Take the later after all' : 'Take the other instead'}: ${conflict.id}`}
            onPress={onTurn}
          />
        </Row>
      ) : null}
    </View>
  );
}

const styles = styleSheet({ conflict: { gap: space(1), marginVertical: space(2) } });
