import type { Water } from '../../../core/document';
import { datedAhead } from '../../../core/evidence';
import { MINUTE_MS } from '../../../core/time';
import { dayAndHour, selectDocument, useAppSelector } from '../../store';
import { Txt } from '../../ui';

/** Says that entries bear a later time than this device shows: they are not judged, and the newest reading may be among them. */
export function ClockBehind({ water, now }: { water: Water; now: number }) {
  const ahead = useAppSelector((s) => {
    const found = datedAhead(selectDocument(s), water.id, now + MINUTE_MS);
    return found ? `${found.count} ${found.latestMs}` : null;
  });
  if (ahead === null) return null;
  const [count = 0, latestMs = 0] = ahead.split(' ').map(Number);
  const [bears, is, entries] =
    count === 1 ? ['One entry bears', 'It is', 'entry'] : [`${count} entries bear`, 'They are', 'entries'];
  return (
    <Txt tone="ammonia" live>
      {`${bears} a later time than this device shows, up to ${dayAndHour(latestMs)}. ` +
        `${is} kept, but not judged: what stands here may be older than your newest test. ` +
        `Set the clock right, or correct the ${entries} in the history.`}
    </Txt>
  );
}
