import { useRouter, type Href } from 'expo-router';
import type { Drip, DripCheck, Water } from '../../../core/document';
import { drips, leftOpen } from '../../../core/acclimation';
import { showQuantity } from '../../../core/units';
import { clockTime } from '../../store';
import { Button, Check, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { isOpenCheck, type useSession } from './session';

const AFTER: readonly { id: DripCheck; label: string; ofDrip: boolean }[] = [
  { id: 'topOffBackOn', label: 'Top-off is plugged in again', ofDrip: true },
  { id: 'dripWaterReplaced', label: 'Drip water is replaced with salt water', ofDrip: true },
  { id: 'bagWaterAway', label: 'Bag water is poured away, none of it in the tank', ofDrip: false },
];

/** Once they are in: what is to be put back, asked point by point. */
export function PutBack({
  water,
  drip,
  usedL,
  session: { who, minutes, check },
}: {
  water: Water;
  drip: Drip;
  usedL: number;
  session: ReturnType<typeof useSession>;
}) {
  const units = useUnits();
  const router = useRouter();
  const left = leftOpen(drip);
  const endMs = Date.parse(drip.finishedAt ?? '');
  return (
    <>
      <Txt kind="title">
        {left.length === 0 ? 'All done' : left.length === 1 ? 'One thing left' : `${left.length} things left`}
      </Txt>
      <Txt tone="second">{`${who} went in at ${clockTime(endMs)} after ${Math.round(minutes)} min.`}</Txt>
      <Section title="Put back">
        {AFTER.filter((c) => !c.ofDrip || drips(drip)).map((c) => (
          <Check
            key={c.id}
            label={
              c.id === 'dripWaterReplaced' ? `${c.label}: ${showQuantity('volume', usedL, units)}` : c.label
            }
            checked={!isOpenCheck(drip, c.id)}
            onChange={(on) => void check(c.id, c.label, on)}
          />
        ))}
      </Section>
      {left.length > 0 ? (
        <Txt tone="ammonia">Today keeps asking until it is done.</Txt>
      ) : (
        <Button label="To the stock" onPress={() => router.push(`/water/${water.id}/stock` as Href)} />
      )}
      <Txt kind="small" tone="second">
        Light feeding, lights low today; ammonia tests on days 1, 3 and 7.
      </Txt>
    </>
  );
}
