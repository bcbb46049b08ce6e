import { METRIC, US_CUSTOMARY, type UnitPreferences } from '../../../../core/units';
import { Choice, Txt } from '../../../ui';
import { TextEntry } from '../../shell/form';
import type { WalkForm } from './walk';

type System = 'metric' | 'us' | 'own';
const same = (a: UnitPreferences, b: UnitPreferences): boolean =>
  (Object.keys(a) as (keyof UnitPreferences)[]).every((key) => a[key] === b[key]);
const systemOf = (units: UnitPreferences): System =>
  same(units, METRIC) ? 'metric' : same(units, US_CUSTOMARY) ? 'us' : 'own';

/** The two systems and, where the person mixed their own, that one. */
export function UnitsChoice({
  units,
  onUnits,
}: {
  units: UnitPreferences;
  onUnits: (units: UnitPreferences) => void;
}) {
  const now = systemOf(units);
  return (
    <Choice
      label="Units"
      options={[
        { value: 'metric', label: 'cm · L · °C' },
        { value: 'us', label: 'in · gal · °F' },
        ...(now === 'own' ? [{ value: 'own' as const, label: 'as in your settings' }] : []),
      ]}
      value={now}
      onChange={(system) => {
        if (system !== 'own') onUnits(system === 'us' ? US_CUSTOMARY : METRIC);
      }}
    />
  );
}

export function NameAndUnits({
  form,
  units,
  onUnits,
}: {
  form: WalkForm;
  units: UnitPreferences;
  onUnits: (units: UnitPreferences) => void;
}) {
  return (
    <>
      <UnitsChoice units={units} onUnits={onUnits} />
      <TextEntry form={form} name="name" label="Name" placeholder="What you call it" />
      <Txt tone="second">
        A name and a size are enough. Everything else can wait, and is asked for where it matters.
      </Txt>
    </>
  );
}
