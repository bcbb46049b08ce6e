import type { Monitor, Water } from '../../../../core/document';
import { monitorAlarms } from '../../../../core/monitor';
import { alarmWords } from '../../../../core/words/monitor';
import { dayAndHour, selectDocument, selectEvidence, useAppSelector, useNow } from '../../../store';
import { Txt } from '../../../ui';
import { useUnits } from '../water';
import { deviceOf, handOf, recentDays } from './recent';

/** What the device of a water asks for; nothing where there is none, or where it is quiet. */
export function DeviceAlarms({ water }: { water: Water }) {
  const monitor = useAppSelector((s) => deviceOf(selectDocument(s), water.id));
  return monitor ? <Alarms monitor={monitor} water={water} /> : null;
}

function Alarms({ monitor, water }: { monitor: Monitor; water: Water }) {
  const now = useNow();
  const units = useUnits();
  const all = useAppSelector((s) => selectDocument(s).monitorDays);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  return (
    <>
      {monitorAlarms(recentDays(all, monitor.id, now), handOf(evidence), now).map((a) => (
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
