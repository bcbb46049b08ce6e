import { useState } from 'react';
import { commit, newId, selectWaters, useAppDispatch, useAppSelector } from '../../store';
import { Button, Row, Section, TextField } from '../../ui';
import { Pick } from '../../ui/Pick';
import { readTask, REPEATS, type TaskTexts } from './taskForm';

/** A task of one's own, once or again and again. */
export function NewTask({ today }: { today: string }) {
  const dispatch = useAppDispatch();
  const waters = useAppSelector(selectWaters);
  const empty: TaskTexts = {
    title: '',
    note: '',
    day: today,
    waterId: waters[0]?.id ?? '',
    repeat: 'never',
    every: '1',
  };
  const [open, setOpen] = useState(false);
  const [texts, setTexts] = useState(empty);
  const [tried, setTried] = useState(false);
  const read = readTask(texts, 'draft', today);
  const faults = read.ok || !tried ? {} : read.faults;
  const set = (more: Partial<TaskTexts>) => setTexts({ ...texts, ...more });
  if (!open)
    return (
      <Section title="Something else">
        <Row>
          <Button icon="add" label="New task" onPress={() => setOpen(true)} />
        </Row>
      </Section>
    );
  return (
    <Section title="New task">
      <TextField
        label="What"
        value={texts.title}
        onChange={(title) => set({ title })}
        error={faults.title ?? null}
      />
      <Pick
        label="For"
        value={texts.waterId}
        options={waters.map((w) => ({ value: w.id, label: w.name }))}
        onChange={(waterId) => set({ waterId })}
      />
      <TextField
        label="On"
        value={texts.day}
        onChange={(day) => set({ day })}
        hint="A day like 2026-01-31"
        error={faults.day ?? null}
      />
      <Pick label="It comes" value={texts.repeat} options={REPEATS} onChange={(repeat) => set({ repeat })} />
      {texts.repeat === 'never' ? null : (
        <TextField
          numeric
          label="So many"
          value={texts.every}
          onChange={(every) => set({ every })}
          error={faults.every ?? null}
        />
      )}
      <TextField label="Note" multiline value={texts.note} onChange={(note) => set({ note })} />
      <Row wrap>
        <Button
          kind="primary"
          label="Keep the task"
          onPress={() => {
            setTried(true);
            const whole = readTask(texts, newId(), today);
            if (!whole.ok) return;
            void dispatch(commit(`Task: ${whole.task.title}`, [{ put: 'tasks', entity: whole.task }]));
            setTexts(empty);
            setTried(false);
            setOpen(false);
          }}
        />
        <Button kind="quiet" label="Leave it" onPress={() => setOpen(false)} />
      </Row>
    </Section>
  );
}
