import { useState } from 'react';
import { SWITCHED, type Switched } from '../../../core/document';
import { SWITCHED_WORDS } from '../../../core/words';
import { commit, isoOf, newId, selectWaters, useAppDispatch, useAppSelector } from '../../store';
import { Button, Check, Row, Section, Txt } from '../../ui';
import { Pick } from '../../ui/Pick';

/** What is switched off for some work stays on top of everything until it is confirmed on again. */
export function SwitchedOff() {
  const dispatch = useAppDispatch();
  const waters = useAppSelector(selectWaters);
  const [open, setOpen] = useState(false);
  const [parts, setParts] = useState<readonly Switched[]>([]);
  const [waterId, setWater] = useState(waters[0]?.id ?? '');
  const [tried, setTried] = useState(false);
  if (!open)
    return (
      <Row>
        <Button kind="quiet" label="I switch something off" onPress={() => setOpen(true)} />
      </Row>
    );
  return (
    <Section title="Switched off">
      <Txt kind="small" tone="second">
        Dry hands at the plugs. It stands on top of this page until you say it is on again.
      </Txt>
      <Pick
        label="Of"
        value={waterId}
        options={waters.map((w) => ({ value: w.id, label: w.name }))}
        onChange={setWater}
      />
      {SWITCHED.map((part) => (
        <Check
          key={part}
          label={SWITCHED_WORDS[part]}
          checked={parts.includes(part)}
          onChange={(on) => setParts(on ? [...parts, part] : parts.filter((p) => p !== part))}
        />
      ))}
      {tried && parts.length === 0 ? <Txt tone="ammonia">Say what is off.</Txt> : null}
      <Row wrap>
        <Button
          kind="primary"
          label="It is off"
          onPress={() => {
            setTried(true);
            if (parts.length === 0 || waterId === '') return;
            void dispatch(
              commit('Switched off', [
                {
                  put: 'events',
                  entity: {
                    id: newId(),
                    waterId,
                    at: isoOf(Date.now()),
                    note: '',
                    kind: 'switchedOff',
                    parts: [...parts],
                    onAt: null,
                  },
                },
              ]),
            );
            setParts([]);
            setTried(false);
            setOpen(false);
          }}
        />
        <Button kind="quiet" label="Leave it" onPress={() => setOpen(false)} />
      </Row>
    </Section>
  );
}
