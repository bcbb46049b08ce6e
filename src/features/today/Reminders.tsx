import { MINUTE_MS } from '../../../core/time';
import { View } from 'react-native';
import { isIn, isOpen, quarantinesOf, type DripCheck, type Task, type Water } from '../../../core/document';
import { openTasks } from '../../../core/arrivals/openTasks';
import { dueUpkeep } from '../../../core/equipment';
import { drips, leftOpen } from '../../../core/acclimation/after';
import { speciesOf } from '../../../core/species';
import { commit, localDay, shortWrittenDay, useAppDispatch, useAppSelector, useNow } from '../../store';
import { Button, Go, RADIUS, space, Txt, useTheme, styleSheet } from '../../ui';
import { part } from '../shell';
import { Reminder } from './Reminder';

/** What a session left open is asked until it is done. */
const LEFT_OPEN: Partial<Record<DripCheck, string>> = {
  topOffBackOn: 'The top-off is still unplugged.',
  dripWaterReplaced: 'The drip water is not replaced yet.',
  bagWaterAway: 'Is the bag water poured away?',
};

/** What the quarantines of a display ask for comes after the page: it reckons with their ammonia and treatments. */
const ServedReminders = part(
  () => import('./ServedReminders').then((m) => m.ServedReminders),
  () => null,
);

/** What is half done or waits for a look, each with its own way on. */
export function Reminders({ water }: { water: Water }) {
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector((s) => s.document.entities);
  const sessions = Object.values(doc.drips).filter((d) => d.waterId === water.id);
  const items: { key: string; text: string; label: string; href: string }[] = [];
  for (const d of sessions) {
    if (d.startedAt && !d.finishedAt)
      items.push({
        key: d.id,
        text: drips(d) ? 'A drip is running.' : 'A closed bag floats.',
        label: drips(d) ? 'To the drip' : 'To the bag',
        href: `/water/${water.id}/drip/${d.id}`,
      });
    const [open] = leftOpen(d);
    if (open)
      items.push({
        key: d.id,
        text: LEFT_OPEN[open] ?? '',
        label: 'Put it right',
        href: `/water/${water.id}/drip/${d.id}`,
      });
  }
  const today = localDay(now);
  for (const d of dueUpkeep(
    Object.values(doc.equipment).filter((e) => e.waterId === water.id),
    today,
  )) {
    items.push({
      key: d.equipmentId + d.kind,
      text: `${d.name}: ${d.kind === 'service' ? 'service' : 'return of the loan'} is due.`,
      label: 'To the part',
      href: `/water/${water.id}/equipment/${d.equipmentId}`,
    });
  }
  for (const a of Object.values(doc.animals)) {
    if (isIn(a, water.id) && a.loan && a.loan.returnedDay === null && a.loan.dueDay <= today)
      items.push({
        key: `loan-${a.id}`,
        text: `${speciesOf(doc, a.speciesId).common}: the loan from ${a.loan.from} ends.`,
        label: 'To the animal',
        href: `/water/${water.id}/stock/${a.id}`,
      });
  }
  const tasks = openTasks(doc, water.id, today);
  const due = tasks.filter((t) => t.day <= today);
  const ahead = tasks.filter((t) => t.day > today);
  const serving = quarantinesOf(doc, water.id).some(isOpen);
  if (items.length === 0 && tasks.length === 0 && !serving) return null;
  return (
    <View style={styles.list}>
      {due.map((t) => (
        <TaskRow key={t.id} task={t} late={t.day < today} />
      ))}
      {items.map(({ key, ...item }) => (
        <Reminder key={key} {...item} />
      ))}
      {serving ? <ServedReminders water={water} /> : null}
      {ahead.length > 0 ? (
        <Go href="/agenda">{`Planned: ${ahead
          .slice(0, 3)
          .map((t) => `${shortWrittenDay(t.day)} ${t.title}`)
          .join('; ')}${ahead.length > 3 ? `; ${ahead.length - 3} more` : ''}`}</Go>
      ) : null}
    </View>
  );
}

/** Something planned for today or before: done, or dropped. */
function TaskRow({ task, late }: { task: Task; late: boolean }) {
  const { roles } = useTheme();
  const dispatch = useAppDispatch();
  return (
    <View style={[styles.item, { backgroundColor: roles.sand }]}>
      <View style={styles.text}>
        <Txt kind="strong">{task.title}</Txt>
        {task.note ? (
          <Txt kind="small" tone="second">
            {task.note}
          </Txt>
        ) : null}
        {late ? <Txt kind="small" tone="second">{`planned for ${shortWrittenDay(task.day)}`}</Txt> : null}
      </View>
      <View>
        <Button
          kind="quiet"
          label="Done"
          name={`Done: ${task.title}`}
          onPress={() =>
            dispatch(
              commit(`${task.title}: done`, [
                { put: 'tasks', entity: { ...task, doneAt: new Date().toISOString() } },
              ]),
            )
          }
        />
        <Button
          kind="quiet"
          label="Drop"
          name={`Drop: ${task.title}`}
          onPress={() => dispatch(commit(`${task.title}: dropped`, [{ remove: 'tasks', id: task.id }]))}
        />
      </View>
    </View>
  );
}

const styles = styleSheet({
  list: { gap: space(2), marginBottom: space(4) },
  item: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space(2),
    borderRadius: RADIUS,
    paddingLeft: space(4),
    paddingRight: space(1),
  },
  text: { flexShrink: 1, paddingVertical: space(2) },
});
