import { useState } from 'react';
import { carerNote, leavingDays, type Away, type CarerNote } from '../../../core/absence';
import type { Display, Document } from '../../../core/document';
import { compared, MINUTE_MS } from '../../../core/time';
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
import { Empty, Go, Line, Screen, Section, TextField, useWide } from '../../ui';
import { useParam, useWords, WithDisplay } from '../shell';
import { PrintedSheet } from '../shell/PrintedSheet';

export function CarerScreen() {
  return <WithDisplay>{(water) => <Carer water={water} />}</WithDisplay>;
}

/** The absence named, else the next one. */
function awayOf(doc: Document, water: Display, id: string, nowMs: number): Away | undefined {
  const all = Object.values(doc.events)
    .filter((e): e is Away => e.kind === 'away' && e.waterId === water.id && Date.parse(e.until) > nowMs)
    .sort((a, b) => compared(a.at, b.at));
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
      <PrintedSheet
        title={noteTitle(note, words)}
        lead={noteLead(note)}
        parts={parts}
        print="Print the note"
        keep="Note as a file"
        fileName={`${note.water.name}-note`}
      />
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
