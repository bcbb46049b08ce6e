import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { carerNote, leavingDays, type Away, type CarerNote } from '../../../core/absence';
import type { Display, Document } from '../../../core/document';
import { MINUTE_MS } from '../../../core/time';
import { BEFORE_WORDS, carerWords, noteLead, noteTitle } from '../../../core/words/carer';
import {
  commit,
  LOCAL,
  selectDocument,
  selectEvidence,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import {
  Button,
  Empty,
  Go,
  Line,
  Row,
  Screen,
  Section,
  space,
  TextField,
  Txt,
  useTheme,
  useWide,
} from '../../ui';
import { useParam, useWords, WithDisplay } from '../shell';
import { download } from '../shell/download';
import { sheetHtml } from '../shell/sheetHtml';

export function CarerScreen() {
  return <WithDisplay>{(water) => <Carer water={water} />}</WithDisplay>;
}

/** The absence named, else the next one. */
function awayOf(doc: Document, water: Display, id: string, nowMs: number): Away | undefined {
  const all = Object.values(doc.events)
    .filter((e): e is Away => e.kind === 'away' && e.waterId === water.id && Date.parse(e.until) > nowMs)
    .sort((a, b) => a.at.localeCompare(b.at));
  return all.find((e) => e.id === id) ?? all[0];
}

/** The note for whoever looks after a tank, and what comes before leaving. */
function Carer({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const away = awayOf(doc, water, useParam('id'), now);
  if (!away)
    return (
      <Screen title="While you are away">
        <Empty
          alone
          title="No absence is planned"
          text="Say from when until when you are away: the agenda and the plan keep clear of it."
        >
          <Go href={`/water/${water.id}/log/event?kind=away`}>I will be away</Go>
        </Empty>
      </Screen>
    );
  return <Note key={away.id} note={carerNote(doc, water, away, evidence, LOCAL)} doc={doc} />;
}

function Note({ note, doc }: { note: CarerNote; doc: Document }) {
  const { roles } = useTheme();
  const wide = useWide();
  const words = useWords();
  const parts = carerWords(note, doc, words);
  const beside = (
    <>
      <ForWhom away={note.away} />
      <Section title="Before you leave">
        {leavingDays(note.fromDay).map(({ day, what }) => (
          <Line key={what} name={BEFORE_WORDS[what]} value={shortWrittenDay(day)} />
        ))}
      </Section>
    </>
  );
  return (
    <Screen title="While you are away" aside={wide ? beside : undefined}>
      <View style={[styles.sheet, { backgroundColor: roles.paper, borderColor: roles.hairline }]}>
        <Txt kind="title" heading={1}>
          {noteTitle(note, words)}
        </Txt>
        <Txt>{noteLead(note)}</Txt>
        {parts.map((p) => (
          <View key={p.title} style={styles.part}>
            <Txt kind="section" heading={2}>
              {p.title}
            </Txt>
            {p.lines.map((l) => (
              <Txt key={l}>{l}</Txt>
            ))}
          </View>
        ))}
      </View>
      <Row wrap>
        <Button kind="primary" icon="print" label="Print the note" onPress={() => window.print()} />
        <Button
          icon="exported"
          label="Note as a file"
          onPress={() =>
            download(
              `${note.water.name.replace(/[^\w-]+/g, '-').toLowerCase() || 'tank'}-note.html`,
              'text/html',
              sheetHtml(noteTitle(note, words), noteLead(note), parts),
            )
          }
        />
      </Row>
      {wide ? null : beside}
    </Screen>
  );
}

/** Who looks after it, what is fed, whom to call: as the person says it. */
function ForWhom({ away }: { away: Away }) {
  const dispatch = useAppDispatch();
  const [texts, setTexts] = useState(away.carer ?? { name: '', feed: '', call: '' });
  const keep = () => {
    if (JSON.stringify(texts) !== JSON.stringify(away.carer ?? { name: '', feed: '', call: '' }))
      void dispatch(commit('Note for the carer', [{ put: 'events', entity: { ...away, carer: texts } }]));
  };
  return (
    <Section title="For whom">
      <TextField
        label="Who looks after it"
        value={texts.name}
        maxLength={80}
        onChange={(name) => setTexts({ ...texts, name })}
        onBlur={keep}
      />
      <TextField
        label="Whom to call, and how"
        value={texts.call}
        maxLength={80}
        onChange={(call) => setTexts({ ...texts, call })}
        onBlur={keep}
      />
      <TextField
        label="What to feed, in your words"
        multiline
        maxLength={2000}
        hint="Left empty, the note says the amount reckoned from who lives there."
        value={texts.feed}
        onChange={(feed) => setTexts({ ...texts, feed })}
        onBlur={keep}
      />
    </Section>
  );
}

const styles = StyleSheet.create({
  sheet: { borderWidth: 1, borderRadius: 10, padding: space(4), gap: space(2) },
  part: { gap: space(1), marginTop: space(2) },
});
