import { bareOutlook } from '../../../core/arrivals';
import { isOpen, livingIn, quarantinesOf, type Water } from '../../../core/document';
import { DOSING } from '../../../core/dosing';
import { gatherEvidence } from '../../../core/evidence';
import { asksOf, clockOf, treatmentsOf } from '../../../core/quarantine';
import { MINUTE_MS } from '../../../core/time';
import { bareWords } from '../../../core/words/bare';
import { askWords } from '../../../core/words/treatments';
import { localDay, useAppSelector, useNow } from '../../store';
import { useUnits } from '../shell';
import { Reminder } from './Reminder';

/** What the quarantines that serve a display ask for: a change, a treatment's next step, today's look. On its own page each asks by itself. */
export function ServedReminders({ water }: { water: Water }) {
  const now = useNow(MINUTE_MS);
  const units = useUnits();
  const doc = useAppSelector((s) => s.document.entities);
  const items: { key: string; text: string; label: string; href: string }[] = [];
  for (const q of quarantinesOf(doc, water.id).filter(isOpen)) {
    const evidence = gatherEvidence(doc, q.id, now);
    const outlook = bareOutlook(evidence, DOSING.saltGramsPerLitre);
    if (outlook && (outlook.dueDays < 0.5 || !outlook.plan.feasible))
      items.push({
        key: `${q.id}-bare`,
        text: `${q.name}: ${bareWords(outlook, units)[0] ?? ''}`,
        label: 'To it',
        href: `/water/${q.id}`,
      });
    const changes = evidence.changes.map((c) => ({ atMs: c.atMs, litres: c.fraction * evidence.netL }));
    for (const t of treatmentsOf(doc, q.id))
      for (const ask of asksOf(t, changes, localDay(now)))
        items.push({
          key: `${t.id}-${ask.code}`,
          text: `${q.name}: ${askWords(ask, t, units)}`,
          label: 'To it',
          href: `/water/${q.id}`,
        });
    if (livingIn(doc, q.id).length > 0 && !clockOf(doc, q, now, localDay).lookedToday)
      items.push({
        key: q.id,
        text: `${q.name}: no look yet today.`,
        label: 'Look',
        href: `/water/${q.id}`,
      });
  }
  return (
    <>
      {items.map(({ key, ...item }) => (
        <Reminder key={key} {...item} />
      ))}
    </>
  );
}
