import { SOURCES, type Purchase } from '../../../core/document';
import { unitLabel } from '../../../core/units';
import { FieldRow, Txt } from '../../ui';
import { useUnits } from '../shell';
import { ChoiceEntry, TextEntry, type useEntryForm } from '../shell/form';
import type { BuyTexts, readBuy } from './buyForm';

export const FROM_WORDS: Record<Purchase['from'], string> = {
  shop: 'A shop',
  ownTank: 'A tank of one’s own',
  keeper: 'A keeper',
  sea: 'The sea',
};

/** From where, at what price, and what was said and measured of them: kept as said, not believed. */
export function SaidOfThem({
  form,
}: {
  form: ReturnType<typeof useEntryForm<BuyTexts, ReturnType<typeof readBuy>>>;
}) {
  const units = useUnits();
  return (
    <>
      <Txt kind="section" heading={2}>
        What is said of them
      </Txt>
      <ChoiceEntry
        form={form}
        name="from"
        label="From"
        options={SOURCES.map((value) => ({ value, label: FROM_WORDS[value] }))}
      />
      {form.texts.from === 'sea' ? (
        <Txt kind="small" tone="nitrite">
          Only where local law allows it; never from a protected place or kind.
        </Txt>
      ) : null}
      <FieldRow>
        <TextEntry form={form} name="fromWhom" label="From whom" placeholder="May be left empty" />
        <TextEntry form={form} name="price" numeric label="Price" />
      </FieldRow>
      <FieldRow>
        <TextEntry form={form} name="quarantinedDays" numeric label="Quarantined there" unit="days" />
        <TextEntry form={form} name="treatedWith" label="Treated there with" />
      </FieldRow>
      <Txt kind="small" tone="second">
        Kept as it was said. Your own quarantine begins at its first day all the same.
      </Txt>
      <FieldRow>
        <TextEntry
          form={form}
          name="salinity"
          numeric
          label="Bag salinity"
          unit={unitLabel(units.salinity)}
        />
        <TextEntry
          form={form}
          name="tempC"
          numeric
          label="Bag temperature"
          unit={unitLabel(units.temperature)}
        />
      </FieldRow>
      <FieldRow>
        <TextEntry form={form} name="ph" numeric label="pH of the bag" />
        <TextEntry form={form} name="ammonia" numeric label="Ammonia of the bag" unit="mg/L NH₄" />
        <TextEntry form={form} name="hours" numeric label="Hours in the bag" />
      </FieldRow>
    </>
  );
}
