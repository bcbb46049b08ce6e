/** What is asked for while a drip runs: pouring off in time, and a measurement before the end. */
import type { Drip } from '../../../core/document';
import { nearEnough, type DripPlan } from '../../../core/acclimation';
import { readEntry, showQuantity, unitLabel } from '../../../core/units';
import { isoOf, type Outcome } from '../../store';
import { FieldRow, Section, Txt, useChime } from '../../ui';
import { useUnits } from '../shell';
import { lastMeasuredIn } from './session';
import { TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';

/** Minutes for which a pour-off that is due stays in red. */
const DUE_FOR = 3;

/** The next pouring off, with a sound when it comes. */
export function PourOff({
  plan,
  minutes,
  toL,
  clockAt,
}: {
  plan: DripPlan;
  minutes: number;
  toL: number;
  clockAt: (minutes: number) => string;
}) {
  const units = useUnits();
  const passed = plan.pourOffMinutes.filter((m) => m <= minutes).length;
  useChime(passed);
  const last = plan.pourOffMinutes[passed - 1];
  const next = plan.pourOffMinutes[passed];
  const down = showQuantity('volume', toL, units, 1);
  if (last !== undefined && minutes - last < DUE_FOR)
    return (
      <Txt kind="strong" tone="ammonia" live>{`The container is full: pour off down to ${down} now.`}</Txt>
    );
  if (next === undefined) return null;
  return (
    <Txt>{`Pour off down to ${down} at ${clockAt(next)}, in ${Math.max(1, Math.ceil(next - minutes))} min. A sound tells.`}</Txt>
  );
}

/** Salinity and temperature of the container, read: the end of a drip is measured. */
export function MeasureNow({
  drip,
  onMeasured,
}: {
  drip: Drip;
  onMeasured: (next: Drip) => Promise<Outcome>;
}) {
  const units = useUnits();
  const last = lastMeasuredIn(drip);
  const form = useEntryForm({
    start: { salinity: '', tempC: '' },
    read: (texts) => {
      const salinity = readEntry(texts.salinity, {
        name: 'Salinity',
        unit: units.salinity,
        min: 2,
        max: 42,
        hint: 'Salinity is read between 2 and 42 ppt.',
      });
      const tempC = readEntry(texts.tempC, { name: 'Temperature', unit: units.temperature, min: 5, max: 38 });
      if (salinity.ok && tempC.ok)
        return { ok: true as const, measured: { salinity: salinity.value, tempC: tempC.value } };
      return {
        ok: false as const,
        faults: {
          ...(salinity.ok ? {} : { salinity: salinity.message }),
          ...(tempC.ok ? {} : { tempC: tempC.message }),
        },
      };
    },
    save: ({ measured }) =>
      onMeasured({ ...drip, measured: [...(drip.measured ?? []), { at: isoOf(Date.now()), ...measured }] }),
    done: 'restart',
  });
  const found = last ? nearEnough(last, drip.water) : null;
  return (
    <Section title="Measured in the container">
      {last && found ? (
        <Txt kind="strong" tone={found.salinity && found.tempC ? 'go' : 'nitrite'} live>
          {`${showQuantity('salinity', last.salinity, units)}, ${showQuantity('temperature', last.tempC, units)}: ${verdict(found)}`}
        </Txt>
      ) : null}
      <FieldRow>
        <TextEntry form={form} name="salinity" numeric label="Salinity" unit={unitLabel(units.salinity)} />
        <TextEntry form={form} name="tempC" numeric label="Temperature" unit={unitLabel(units.temperature)} />
      </FieldRow>
      <SaveButton
        saving={form.saving}
        kind="outline"
        icon="keep"
        label="Keep what I read"
        onPress={form.save}
      />
    </Section>
  );
}

/** The temperature of a closed bag, read against its side. */
export function MeasureHeat({
  drip,
  onMeasured,
}: {
  drip: Drip;
  onMeasured: (next: Drip) => Promise<Outcome>;
}) {
  const units = useUnits();
  const last = drip.measured?.[drip.measured.length - 1];
  const form = useEntryForm({
    start: { tempC: '' },
    read: (texts) => {
      const tempC = readEntry(texts.tempC, { name: 'Temperature', unit: units.temperature, min: 5, max: 38 });
      return tempC.ok
        ? { ok: true as const, tempC: tempC.value }
        : { ok: false as const, faults: { tempC: tempC.message } };
    },
    save: ({ tempC }) =>
      onMeasured({
        ...drip,
        measured: [...(drip.measured ?? []), { at: isoOf(Date.now()), salinity: drip.bag.salinity, tempC }],
      }),
    done: 'restart',
  });
  const near = last ? nearEnough(last, drip.water).tempC : false;
  return (
    <Section title="Measured at the bag">
      {last ? (
        <Txt kind="strong" tone={near ? 'go' : 'nitrite'} live>
          {`${showQuantity('temperature', last.tempC, units)}: ${near ? 'near enough.' : 'not near yet.'}`}
        </Txt>
      ) : null}
      <TextEntry form={form} name="tempC" numeric label="Temperature" unit={unitLabel(units.temperature)} />
      <SaveButton
        saving={form.saving}
        kind="outline"
        icon="keep"
        label="Keep what I read"
        onPress={form.save}
      />
    </Section>
  );
}

const verdict = ({ salinity, tempC }: { salinity: boolean; tempC: boolean }): string =>
  salinity && tempC
    ? 'near enough.'
    : salinity
      ? 'salinity is near, temperature is not yet.'
      : tempC
        ? 'temperature is near, salinity is not yet.'
        : 'neither is near yet.';
