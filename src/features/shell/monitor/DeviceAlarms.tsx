import type { Monitor, Water } from '../../../../core/document';
import { monitorAlarms } from '../../../../core/monitor';
import { alarmWords } from '../../../../core/words/monitor';
import { dayAndHour, selectDocument, selectEvidence, useAppSelector, useNow } from '../../../store';
import { Txt } from '../../../ui';
import { useUnits } from '../water';
import { devicesOf, handOf, recentDays } from './recent';

/** What the devices of a water ask for; nothing where there is none, or where all are quiet. */
export function DeviceAlarms({ water }: { water: Water }) {
  const now = useNow();
  const monitors = useAppSelector((s) => selectDocument(s).monitors);
  return (
    <>
      {devicesOf(monitors, water.id, now).map((m) => (
        <Alarms key={m.id} monitor={m} water={water} now={now} />
      ))}
    </>
  );
}

function Alarms({ monitor, water, now }: { monitor: Monitor; water: Water; now: number }) {
  const units = useUnits();
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const days = recentDays(all, monitor.id, now);
  const alarms = monitorAlarms(days, handOf(evidence), now, evidence.isInhabited)
    // Nothing more is expected of one that was disconnected.
    .filter((a) => monitor.revokedAt === null || (a.kind !== 'silent' && a.kind !== 'missing'));
  return (
    <>
      {alarms.map((a) => (
        <Txt
          key={`${a.kind}${'what' in a ? a.what : ''}`}
          tone={a.kind === 'high' ? 'ammonia' : 'nitrite'}
          live
        >
          {alarmWords(a, units, dayAndHour)}
        </Txt>
      ))}
    </>
  );
}
