import { useState } from 'react';
import { SCHOOLS } from '../../../../core/document';
import { proposedMethod, proposedSchool } from '../../../../core/readiness';
import { SCHOOL_WORDS, sentence } from '../../../../core/words';
import { Button, Caution, Check, Row, Section, Txt } from '../../../ui';
import { useWords } from '../../shell';
import { CheckEntry, ChoiceEntry, toggled } from '../../shell/form';
import { AMMONIA, BACTERIA } from '../choices';
import type { WalkForm } from './walk';

/** Sources and school as they are proposed, each with its reason; chosen last, and changed with a tap. */
export function Method({ form }: { form: WalkForm }) {
  const words = useWords();
  const { texts } = form;
  const stage = texts.stage === '' ? 'empty' : texts.stage;
  const rockKind = texts.rockKind === 'unknown' ? undefined : texts.rockKind;
  const method = proposedMethod(rockKind, stage);
  const { ammoniaSource, bacteriaSources } = texts;
  const school = proposedSchool({ stage, rockKind, ammoniaSource, bacteriaSources });
  const [all, setAll] = useState(false);
  const open = stage === 'empty' || stage === 'filling';
  return (
    <>
      {open ? (
        <>
          <Txt>{sentence(method.reason, words)}</Txt>
          <ChoiceEntry
            form={form}
            name="ammoniaSource"
            label="Where ammonia comes from"
            options={AMMONIA.map(({ value, label }) => ({ value, label }))}
          />
          <Txt kind="small" tone="second">
            {AMMONIA.find((a) => a.value === ammoniaSource)?.note ?? ''}
          </Txt>
          {ammoniaSource === 'bottled' ? (
            <Caution>
              Ammonia solution burns eyes and skin and must never meet bleach. Follow the label and keep it
              from children.
            </Caution>
          ) : null}
          <Section title="Where bacteria come from">
            {BACTERIA.map(({ value, label }) => (
              <Check
                key={value}
                label={label}
                checked={bacteriaSources.includes(value)}
                onChange={(on) => form.change({ bacteriaSources: toggled(bacteriaSources, value, on) })}
              />
            ))}
          </Section>
        </>
      ) : null}
      <Section title="How you judge that it is ready">
        <Txt kind="row">{`We propose: ${SCHOOL_WORDS[school.value].title.toLowerCase()}`}</Txt>
        <Txt>{`${SCHOOL_WORDS[school.value].rule} ${sentence(school.reason, words)}`}</Txt>
        {texts.school === school.value ? null : (
          <Row wrap>
            <Txt tone="second">{`Chosen: ${SCHOOL_WORDS[texts.school].title.toLowerCase()}.`}</Txt>
            <Button label="Take what is proposed" onPress={() => form.change({ school: school.value })} />
          </Row>
        )}
        {all ? (
          <ChoiceEntry
            form={form}
            name="school"
            label="All seven"
            stacked
            options={SCHOOLS.map((s) => ({
              value: s,
              label: SCHOOL_WORDS[s].title,
              note: `${SCHOOL_WORDS[s].rule} ${SCHOOL_WORDS[s].reason}`,
            }))}
          />
        ) : (
          <Button kind="quiet" label="See all seven schools" onPress={() => setAll(true)} />
        )}
      </Section>
      <CheckEntry
        form={form}
        name="hasLid"
        label="A lid or net is on"
        note="Nearly every fish jumps, new ones most."
      />
      <Caution>
        Mains power near water: drip loops, a residual-current device and a licensed electrician, by your
        local code. A full tank is heavy; ask a structural professional about the floor.
      </Caution>
    </>
  );
}
