import { useState } from 'react';
import type { Animal, Quarantine } from '../../../core/document';
import type { QuarantineClock } from '../../../core/quarantine';
import { animalWords } from '../../../core/words';
import { commit, localDay, newId, useAppDispatch, useKinds } from '../../store';
import { Button, Caution, Check, Row, Section, Txt } from '../../ui';
import { CheckEntry, ChoiceEntry, TextEntry, toggled, useEntryForm, WhenEntry } from '../shell/form';
import { Attach, photoEdits, type Kept } from '../shell/photos';
import { SIGN_WORDS, SIGNS_OF } from '../shell/quarantine/view';
import { SaveButton } from '../shell/saving';
import { readLook, type LookTexts } from './lookForm';

/** A look in full: of today or of a past day, at all or at some, with what was seen and in whom. */
export function LookSheet({
  water,
  clock,
  animals,
  start,
  onDone,
}: {
  water: Quarantine;
  clock: QuarantineClock;
  animals: readonly Animal[];
  start: LookTexts['result'];
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  const kinds = useKinds();
  const today = localDay(Date.now());
  const first = clock.strings[0]?.beads[0]?.day ?? today;
  const [pictures, setPictures] = useState<Kept[]>([]);
  const form = useEntryForm({
    start: (): LookTexts => ({ result: start, day: today, signs: [], whom: [], part: false, note: '' }),
    read: (texts) => readLook(texts, { today, first }),
    save: ({ look }) => {
      const id = newId();
      return dispatch(
        commit(SAID[look.result], [
          { put: 'looks', entity: { id, waterId: water.id, ...look } },
          ...photoEdits(pictures, { kind: 'look', id }, water.id),
        ]),
      );
    },
    done: onDone,
  });
  const { result, signs, whom } = form.texts;
  return (
    <Section title={start === 'sign' ? 'What did you see?' : 'A look'}>
      <ChoiceEntry
        form={form}
        name="result"
        label="It showed"
        options={[
          { value: 'clear', label: 'All clear' },
          { value: 'sign', label: 'A sign' },
          { value: 'healed', label: 'All are healed' },
        ]}
      />
      {form.fault('result') ? <Txt tone="ammonia">{form.fault('result')}</Txt> : null}
      {result === 'sign' ? (
        <>
          <Row wrap>
            {SIGNS_OF[water.line].map((s) => (
              <Check
                key={s}
                label={SIGN_WORDS[s]}
                checked={signs.includes(s)}
                onChange={(on) => form.change({ signs: toggled(signs, s, on) })}
              />
            ))}
          </Row>
          {animals.length > 1 ? (
            <>
              <Txt kind="small" tone="second">
                In whom? None chosen stands for all of them.
              </Txt>
              <Row wrap>
                {animals.map((a) => (
                  <Check
                    key={a.id}
                    label={animalWords(kinds, a)}
                    checked={whom.includes(a.id)}
                    onChange={(on) => form.change({ whom: toggled(whom, a.id, on) })}
                  />
                ))}
              </Row>
            </>
          ) : null}
        </>
      ) : (
        <CheckEntry form={form} name="part" label="Only some of them were seen: the day does not count" />
      )}
      <WhenEntry form={form} name="day" kind="date" label="Day of the look" />
      <TextEntry form={form} name="note" label="In which animal, and how" multiline />
      <Attach pending={pictures} onChange={setPictures} />
      <Caution>Treatment is for the label and a vet. This app records, it does not prescribe.</Caution>
      <Row wrap>
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="keep"
          label={result === 'sign' ? 'Log the sign' : 'Log the look'}
          onPress={form.save}
        />
        <Button kind="quiet" label="Not now" onPress={onDone} />
      </Row>
    </Section>
  );
}

const SAID = {
  clear: 'Look logged: all clear',
  sign: 'Sign logged: the clock stands still',
  healed: 'Look logged: all healed',
};
