import { useState } from 'react';
import { commit, selectSettings, useAppDispatch, useAppSelector } from '../../store';
import { Check, Section, Txt } from '../../ui';
import { canRemind, mayRemind } from './reminders';

/** Reminders by the browser, as the person wants them. */
export function Reminding() {
  const dispatch = useAppDispatch();
  const settings = useAppSelector(selectSettings);
  const [refused, setRefused] = useState(false);
  if (!canRemind()) return null;
  const turn = async (on: boolean) => {
    const allowed = !on || (await mayRemind());
    setRefused(!allowed);
    if (allowed)
      await dispatch(
        commit(on ? 'Reminders on' : 'Reminders off', [
          { put: 'settings', entity: { ...settings, remind: on } },
        ]),
      );
  };
  return (
    <Section title="Reminders">
      <Check
        label="Remind me while the app is open or installed"
        note="From eight in the morning to nine in the evening, of what cannot wait."
        checked={settings.remind === true}
        onChange={(on) => void turn(on)}
      />
      {refused ? (
        <Txt tone="nitrite">
          The browser does not allow it: its settings for this page say whether it may.
        </Txt>
      ) : null}
    </Section>
  );
}
