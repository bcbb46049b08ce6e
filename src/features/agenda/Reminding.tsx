import { useEffect, useState } from 'react';
import { commit, selectSettings, useAppDispatch, useAppSelector } from '../../store';
import { Check, Section, Txt } from '../../ui';
import { canRemind, letSleep, mayRemind, wakeUp } from './reminders';

/** Reminders by the browser, as the person wants them. */
export function Reminding() {
  const dispatch = useAppDispatch();
  const settings = useAppSelector(selectSettings);
  const [refused, setRefused] = useState(false);
  const [woken, setWoken] = useState<boolean | null>(null);
  const turn = async (on: boolean) => {
    const allowed = !on || (await mayRemind());
    setRefused(!allowed);
    if (!on) await letSleep();
    setWoken(on && allowed && (await wakeUp()));
    if (allowed)
      await dispatch(
        commit(on ? 'Reminders on' : 'Reminders off', [
          { put: 'settings', entity: { ...settings, remind: on } },
        ]),
      );
  };
  useEffect(() => {
    if (settings.remind === true) void wakeUp().then(setWoken);
  }, [settings.remind]);
  if (!canRemind()) return null;
  return (
    <Section title="Reminders">
      <Check
        label="Remind me while the app is open or installed"
        note="From eight in the morning to nine in the evening, of what cannot wait."
        checked={settings.remind === true}
        onChange={(on) => void turn(on)}
      />
      {settings.remind === true && woken !== null ? (
        <Txt kind="small" tone="second">
          {woken
            ? 'Also while it is closed: the browser looks now and then, a few times a day at most.'
            : 'While it is closed this browser says nothing. Some do where the app is installed; the calendar file does everywhere.'}
        </Txt>
      ) : null}
      {refused ? (
        <Txt tone="nitrite">
          The browser does not allow it: its settings for this page say whether it may.
        </Txt>
      ) : null}
    </Section>
  );
}
