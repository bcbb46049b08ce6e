import { useMemo } from 'react';
import { drips } from '../../../core/acclimation';
import { saidOfThem } from '../../../core/company';
import type { Animal, Drip, DripCheck, Water } from '../../../core/document';
import { isOfDisplay } from '../../../core/evidence';
import { MINUTE_MS } from '../../../core/time';
import { showQuantity } from '../../../core/units';
import {
  isoOf,
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  useAppSelector,
} from '../../store';
import { Button, Check, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { Verdicts } from '../shell/company';
import { Risks, useRisks } from '../shell/guard';
import { HandlingNotes } from '../shell/handling';
import { useComing } from './LetIn';
import { isOpenCheck, type useSession } from './session';

/** What has to be seen to for whoever comes, as it was said at the wish and at the purchase. */
function OnlyIf({ water, coming, now }: { water: Water; coming: readonly Animal[]; now: number }) {
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const found = useMemo(
    () => (isOfDisplay(evidence) ? saidOfThem(doc, evidence, assessment, coming, localDay) : []),
    [doc, evidence, assessment, coming],
  );
  return <Verdicts of={found.filter((f) => f.severity === 'onlyIf')} />;
}

/** The list before anything is opened, the start, and one tap for who has done all of it. */
export function Before({
  water,
  drip,
  now,
  session: { put, check, species },
}: {
  water: Water;
  drip: Drip;
  now: number;
  session: ReturnType<typeof useSession>;
}) {
  const units = useUnits();
  const coming = useComing(water, drip);
  const minute = Math.floor(now / MINUTE_MS) * MINUTE_MS;
  const { risks } = useRisks(coming, water, minute);
  const list = pointsFor(
    drip,
    `${showQuantity('salinity', drip.bag.salinity, units)}, ${showQuantity('temperature', drip.water.tempC, units)}`,
  );
  const missing = list.filter((c) => c.needed && isOpenCheck(drip, c.id));
  const floats = drip.way === 'temperatureOnly' || drip.way === 'cleanWater';
  const start = floats ? 'The closed bag floats now' : 'Start the drip';
  const begin = (done: Partial<Drip['checks']> = {}) =>
    put(floats ? 'Bag floated' : 'Drip started', {
      ...drip,
      checks: { ...drip.checks, ...done },
      startedAt: isoOf(Date.now()),
    });
  /** One tap for who has done all of it. */
  const startNow = () => {
    const at = isoOf(Date.now());
    void begin(Object.fromEntries(list.map((c) => [c.id, drip.checks[c.id] ?? at])));
  };
  return (
    <>
      <Risks risks={risks} to={water} />
      <OnlyIf water={water} coming={coming} now={minute} />
      <HandlingNotes species={species} />
      <Section title={floats ? 'Before the bag floats' : 'Before the valve opens'}>
        {list.map((c) => (
          <Check
            key={c.id}
            label={c.label}
            checked={!isOpenCheck(drip, c.id)}
            onChange={(on) => void check(c.id, c.label, on)}
          />
        ))}
        {missing.length > 0 ? (
          <Button
            kind="primary"
            icon="drip"
            label={`All of this is done: ${start.charAt(0).toLowerCase()}${start.slice(1)}`}
            onPress={startNow}
          />
        ) : null}
        <Button
          kind={missing.length > 0 ? 'quiet' : 'primary'}
          icon="drip"
          label={start}
          disabled={missing.length > 0}
          onPress={() => void begin()}
        />
        {missing.length > 0 ? (
          <Txt
            kind="small"
            tone="second"
          >{`Still open: ${missing.map((m) => m.label.toLowerCase()).join('; ')}.`}</Txt>
        ) : null}
      </Section>
    </>
  );
}

interface Point {
  id: DripCheck;
  label: string;
  needed: boolean;
}

const TANK_SIDE: readonly Point[] = [
  { id: 'toppedOff', label: 'Tank is topped off and at its usual salinity', needed: true },
  { id: 'topOffUnplugged', label: 'Automatic top-off is unplugged, or there is none', needed: true },
];

function pointsFor(drip: Drip, cleanWater: string): Point[] {
  return [
    ...(drips(drip) ? TANK_SIDE : []),
    { id: 'lidOn', label: 'Lid is on or within reach', needed: true },
    { id: 'lightsLow', label: 'Lights are low', needed: false },
    drip.way === 'cleanWater'
      ? {
          id: 'placeReady',
          label: `Clean salt water stands ready: ${cleanWater}, tested free of ammonia`,
          needed: true,
        }
      : { id: 'placeReady', label: 'Its place in the tank is ready', needed: false },
  ];
}
