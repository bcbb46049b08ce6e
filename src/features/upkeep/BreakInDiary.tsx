import { useState } from 'react';
import { FOAMS, MAX_NAME, type Equipment, type Foam } from '../../../core/document';
import { breakIn, type BreakInAdvice } from '../../../core/equipment';
import { commit, localDay, shortWrittenDay, useAppDispatch } from '../../store';
import { Choice, Section, Table, TextField, Txt } from '../../ui';
import { useSaving } from '../shell/saving';

const FOAM_WORDS: Record<Foam, string> = {
  none: 'No foam',
  wet: 'Wet and pale',
  right: 'Dark, rising slowly',
  flood: 'Runs over',
};

const ADVICE: Record<BreakInAdvice, string> = {
  look: 'Look at the neck once a day and note how it foams; change one thing at a time.',
  wait: 'That is usual now: new plastic and a tank with little in it foam late. Leave it as it is.',
  search:
    'It should foam by now. Look for a blocked air intake, the wrong depth of water, an air hose under water. Where little lives, there may be little to take.',
  lower: 'Open its outlet a little, so that the water in it sinks, and wait a day before the next turn.',
  flooding:
    'Open its outlet wide, or switch it off until it calms: glue, conditioner, oils and new rock do this. Empty the cup, and look where it runs to.',
  keep: 'Leave it as it is. Wipe the neck every few days: a film there stops the foam.',
};

/** Day by day until a skimmer has settled; null for any other part. */
export function BreakInDiary({ part }: { part: Equipment }) {
  const dispatch = useAppDispatch();
  const today = localDay(Date.now());
  const [cup, setCup] = useState('');
  const saving = useSaving();
  const at = breakIn(part, today);
  if (!at) return null;
  const tooLong = cup.length > MAX_NAME ? `Too long: ${MAX_NAME} characters is the most.` : null;
  const note = (is: Foam) => {
    if (tooLong) return;
    // One line a day: what was seen later stands.
    const before = (part.foam ?? []).filter((f) => f.day !== today);
    const foam = [...before, { day: today, is, cup: cup.trim() }].slice(-200);
    // What was typed stays until it is stored.
    void saving.run(
      () =>
        dispatch(
          commit(`${part.name}: ${FOAM_WORDS[is].toLowerCase()}`, [
            { put: 'equipment', entity: { ...part, foam } },
          ]),
        ),
      () => setCup(''),
    );
  };
  return (
    <Section title="Break-in diary">
      <Txt kind="row">
        {at.over ? `In for ${at.day} days; ${at.of} are usual` : `Day ${at.day + 1} of ${at.of}`}
      </Txt>
      <Txt>{ADVICE[at.advice]}</Txt>
      <TextField
        label="Cup or outlet stands at"
        placeholder="Two turns open"
        value={cup}
        onChange={setCup}
        error={tooLong}
      />
      <Choice
        label="How it foams today"
        options={FOAMS.map((value) => ({ value, label: FOAM_WORDS[value] }))}
        value={at.last?.day === today ? at.last.is : ''}
        onChange={(is: Foam | '') => {
          if (is !== '') note(is);
        }}
      />
      {part.foam && part.foam.length > 0 ? (
        <Table
          caption="How it foamed"
          columns={[{ title: 'day', flex: 0.7 }, { title: 'foam' }, { title: 'stood at' }]}
          rows={[...part.foam].reverse().map((f) => [shortWrittenDay(f.day), FOAM_WORDS[f.is], f.cup])}
        />
      ) : null}
    </Section>
  );
}
