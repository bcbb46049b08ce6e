import { useState } from 'react';
import { View } from 'react-native';
import { parameterName, PARAMETERS, type Display, type Parameter } from '../../../core/document';
import { usualEveryDays } from '../../../core/readiness';
import { isDay, MINUTE_MS } from '../../../core/time';
import {
  commit,
  localDay,
  selectEvidence,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Line, Row, Section, TextField, Txt } from '../../ui';
import { WhenField } from '../../ui/WhenField';
import { Pick } from '../../ui/Pick';

/** The person's own rhythm of tests: each first on a day, then every so many days. What is risked stands beside it; then it is kept to. */
export function TestPlan({ water }: { water: Display }) {
  const dispatch = useAppDispatch();
  const now = useNow(MINUTE_MS);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const plan = water.testPlan ?? [];
  const [parameter, setParameter] = useState<Parameter>('nitrate');
  const [from, setFrom] = useState(localDay(now));
  const [every, setEvery] = useState('14');
  const days = Number(every);
  const fault = !isDay(from)
    ? 'Choose the day of the first test.'
    : !Number.isInteger(days) || days < 1 || days > 90
      ? 'Days between two tests: 1 to 90.'
      : null;
  const keep = (next: typeof plan, label: string) => {
    const { testPlan: _, ...rest } = water;
    void dispatch(
      commit(label, [{ put: 'waters', entity: next.length > 0 ? { ...rest, testPlan: next } : rest }]),
    );
  };
  const risk = (p: Parameter, everyDays: number): string | null => {
    const usual = usualEveryDays(evidence, p);
    if (usual === null || everyDays <= usual) return null;
    const harm =
      (p === 'ammonia' || p === 'nitrite') && evidence.isInhabited
        ? ' With animals in, it can rise and harm them between two tests, unseen.'
        : '';
    return `Usual is every ${usual === 1 ? 'day' : `${usual} days`}: what happens between is not seen.${harm} In trouble the app still asks.`;
  };
  const said = risk(parameter, days);
  return (
    <Section title="My own test plan">
      {plan.length === 0 ? (
        <Txt kind="small" tone="second">
          Without one the usual rhythm holds. What you plan here is asked for on its days only.
        </Txt>
      ) : null}
      {plan.map((t) => (
        <View key={t.parameter}>
          <Line
            name={parameterName(t.parameter, own)}
            value={`first ${shortWrittenDay(t.from)}, then every ${t.everyDays === 1 ? 'day' : `${t.everyDays} days`}`}
          />
          <Button
            kind="quiet"
            label="Back to the usual"
            name={`Back to the usual for ${parameterName(t.parameter, own)}`}
            onPress={() =>
              keep(
                plan.filter((x) => x.parameter !== t.parameter),
                'Test plan changed',
              )
            }
          />
        </View>
      ))}
      <Pick
        label="Test"
        value={parameter}
        options={PARAMETERS.filter((p) => !p.startsWith('own') || Object.hasOwn(own, p)).map((value) => ({
          value,
          label: parameterName(value, own),
        }))}
        onChange={setParameter}
      />
      <WhenField kind="date" label="First on" value={from} onChange={setFrom} />
      <TextField label="Then every" unit="days" numeric value={every} onChange={setEvery} error={fault} />
      {fault === null && said ? (
        <Txt kind="small" tone="nitrite">
          {said}
        </Txt>
      ) : null}
      <Row>
        <Button
          label="Test it so"
          disabled={fault !== null}
          onPress={() =>
            keep(
              [...plan.filter((t) => t.parameter !== parameter), { parameter, from, everyDays: days }],
              'Test plan kept',
            )
          }
        />
      </Row>
    </Section>
  );
}
