import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { Drip, Tank } from '../../../core/document';
import { quarantineClock, quarantineJoinDays } from '../../../core/quarantine';
import { currentPlace } from '../../../core/readiness';
import { localDay, useAppSelector, useNow } from '../../store';
import { Button, RADIUS, space, Txt, useTheme } from '../../ui';

/** A top-off left unplugged after a drip, or drip water not replaced: asked until it is done. */
export const dripLeftOpen = (d: Drip): boolean =>
  d.finishedAt !== null && ((d.checks.topOffUnplugged !== null && d.checks.topOffBackOn === null) || d.checks.dripWaterReplaced === null);

/** What is half done or waits for a look, each with its own way on. */
export function Reminders({ tank }: { tank: Tank }) {
  const { roles } = useTheme();
  const router = useRouter();
  const now = useNow(60_000);
  const doc = useAppSelector((s) => s.document.entities);
  const drips = Object.values(doc.drips).filter((d) => d.tankId === tank.id);
  const quarantines = Object.values(doc.quarantines).filter((q) => q.tankId === tank.id && q.closedDay === null);
  const items: { key: string; text: string; label: string; href: string }[] = [];
  for (const d of drips) {
    if (d.startedAt && !d.finishedAt) items.push({ key: d.id, text: 'A drip is running.', label: 'To the drip', href: `/tank/${tank.id}/drip/${d.id}` });
    else if (dripLeftOpen(d)) items.push({ key: d.id, text: d.checks.topOffUnplugged && !d.checks.topOffBackOn ? 'The top-off is still unplugged.' : 'The drip water is not replaced yet.', label: 'Put it right', href: `/tank/${tank.id}/drip/${d.id}` });
  }
  for (const q of quarantines) {
    const animals = Object.values(doc.animals).filter((a) => a.quarantineId === q.id && currentPlace(a).to === 'quarantine');
    if (animals.length === 0) continue;
    const looks = Object.values(doc.looks).filter((l) => l.quarantineId === q.id);
    const clock = quarantineClock(quarantineJoinDays(q, Object.values(doc.animals), localDay), looks, q.clockDays, localDay(now));
    if (!clock.lookedToday) items.push({ key: q.id, text: `${q.name}: no look yet today.`, label: 'Look', href: `/tank/${tank.id}/quarantine/${q.id}` });
  }
  if (items.length === 0) return null;
  return (
    <View style={styles.list}>
      {items.map((i) => (
        <View key={i.key} style={[styles.item, { backgroundColor: roles.sand }]}>
          <Txt style={styles.text}>{i.text}</Txt>
          <Button kind="quiet" label={i.label} name={`${i.text} ${i.label}`} onPress={() => router.push(i.href as Href)} />
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: space(2), marginBottom: space(4) },
  item: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space(2), borderRadius: RADIUS, paddingLeft: space(4), paddingRight: space(1) },
  text: { flexShrink: 1, paddingVertical: space(2) },
});
