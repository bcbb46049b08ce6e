import { View } from 'react-native';
import { speciesOf } from '../../../../core/species';
import { useKinds } from '../../../store';
import { Button, Check, FieldRow, Row, Section, TextField, Txt } from '../../../ui';
import { WhenField } from '../../../ui/WhenField';
import { ChoiceEntry, TextEntry, toggled, WhenEntry } from '../../shell/form';
import { KindSearch } from '../../shell/KindSearch';
import { AMMONIA, BACTERIA } from '../choices';
import type { WalkForm } from './walk';
import { HAS_ANIMALS, type LivingTexts } from './walkForm';

/** What the log does not hold because it came before: told now, or left for later. */
export function Before({ form }: { form: WalkForm }) {
  const { stage } = form.texts;
  return (
    <>
      <Txt tone="second">Leave open what you do not know. What you tell stands in the log as told.</Txt>
      <WhenEntry
        form={form}
        name="startDay"
        kind="date"
        label={stage === 'moving' ? 'Moved on' : 'First filled on'}
      />
      {stage === 'cycling' || stage === 'bothZero' ? <PutInSoFar form={form} /> : null}
      {stage !== '' && HAS_ANIMALS.includes(stage) ? <LivingThere form={form} /> : null}
    </>
  );
}

function PutInSoFar({ form }: { form: WalkForm }) {
  const { texts } = form;
  const measured = texts.ammoniaSource === 'bottled' || texts.ammoniaSource === 'seafood';
  return (
    <>
      <ChoiceEntry
        form={form}
        name="ammoniaSource"
        label="Where ammonia came from"
        options={AMMONIA.map(({ value, label }) => ({ value, label }))}
      />
      {measured ? (
        <FieldRow>
          <TextEntry
            numeric
            form={form}
            name="ammoniaAmount"
            label={texts.ammoniaSource === 'bottled' ? 'First dose, to about' : 'How much'}
            unit={texts.ammoniaSource === 'bottled' ? 'mg/L NH₄' : 'g'}
          />
          <WhenEntry form={form} name="ammoniaDay" kind="date" label="It went in on" />
        </FieldRow>
      ) : null}
      <Section title="Bacteria from">
        {BACTERIA.map(({ value, label }) => (
          <Check
            key={value}
            label={label}
            checked={texts.bacteriaSources.includes(value)}
            onChange={(on) => form.change({ bacteriaSources: toggled(texts.bacteriaSources, value, on) })}
          />
        ))}
        {texts.bacteriaSources.length > 0 ? (
          <WhenEntry form={form} name="bacteriaDay" kind="date" label="They went in on" />
        ) : null}
      </Section>
    </>
  );
}

/** Who lives in it, with when they came: found by name, counted, dated. */
function LivingThere({ form }: { form: WalkForm }) {
  const { living } = form.texts;
  const kinds = useKinds();
  const put = (i: number, patch: Partial<LivingTexts>) =>
    form.change({ living: living.map((l, n) => (n === i ? { ...l, ...patch } : l)) });
  const faults = form.now.ok ? {} : form.now.faults;
  return (
    <Section title="Who lives in it already">
      {living.map((l, i) => (
        <View key={l.speciesId}>
          <Row style={{ justifyContent: 'space-between' }}>
            <Txt kind="row">{speciesOf(kinds, l.speciesId).common}</Txt>
            <Button
              kind="quiet"
              label="Not this"
              name={`Take ${speciesOf(kinds, l.speciesId).common} off the list`}
              onPress={() => form.change({ living: living.filter((_, n) => n !== i) })}
            />
          </Row>
          <FieldRow>
            <TextField
              numeric
              label="How many"
              value={l.count}
              onChange={(count) => put(i, { count })}
              error={faults[`living.${i}.count`]}
            />
            <WhenField
              kind="date"
              label="Came on"
              value={l.day}
              onChange={(day) => put(i, { day })}
              error={l.day === '' ? null : faults[`living.${i}.day`]}
              hint="Roughly will do."
            />
          </FieldRow>
        </View>
      ))}
      <KindSearch
        kinds={kinds}
        label="Find an animal"
        hint="Or add them later, under Stock."
        onChoose={(s) => {
          if (!living.some((l) => l.speciesId === s.id))
            form.change({ living: [...living, { speciesId: s.id, count: '1', day: '' }] });
        }}
      />
    </Section>
  );
}
