import { unitLabel, type UnitPreferences } from '../../../core/units';
import { FieldRow } from '../../ui';
import { TextEntry, type EntryForm } from '../shell/form';
import type { SizeTexts } from './sizeForm';

/** The sides of a water or its volume, as the form has it chosen. */
export function SizeFields<Texts extends SizeTexts>({
  form: whole,
  units,
  hint,
}: {
  form: Pick<EntryForm<Texts, never>, 'texts' | 'fault'> & { control: unknown };
  units: UnitPreferences;
  /** Below the volume. */
  hint?: string;
}) {
  const form = whole as Pick<EntryForm<SizeTexts, never>, 'texts' | 'fault'> & {
    control: unknown;
  };
  const length = unitLabel(units.length);
  return form.texts.sizeKind === 'dimensions' ? (
    <FieldRow>
      <TextEntry numeric form={form} name="length" label="Length inside" unit={length} />
      <TextEntry numeric form={form} name="width" label="Width inside" unit={length} />
      <TextEntry numeric form={form} name="height" label="Water height" unit={length} />
    </FieldRow>
  ) : (
    <TextEntry
      numeric
      form={form}
      name="volume"
      label="Volume of water"
      unit={unitLabel(units.volume)}
      {...(hint === undefined ? {} : { hint })}
    />
  );
}
