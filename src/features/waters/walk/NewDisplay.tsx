import { useRouter, type Href } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { DEFAULT_SETTINGS, starterKits, type Edit } from '../../../../core/document';
import { unitsOfLanguage, type UnitPreferences } from '../../../../core/units';
import {
  commit,
  language,
  localDay,
  newId,
  noonOf,
  selectDocument,
  useAppDispatch,
  useAppSelector,
} from '../../../store';
import { Button, Row, Screen, Txt, styleSheet } from '../../../ui';
import { useEntryForm } from '../../shell/form';
import { SaveButton } from '../../shell/saving';
import { Before } from './Before';
import { Glass } from './Glass';
import { Method } from './Method';
import { NameAndUnits } from './NameAndUnits';
import {
  editsToBegin,
  NEW_WALK,
  readWalk,
  stepOfField,
  stepsFor,
  type StepId,
  type WalkTexts,
} from './walkForm';
import { Where } from './Where';

const QUESTION: Record<StepId, string> = {
  name: 'What do you call it?',
  glass: 'How big is the glass?',
  where: 'Where are you now?',
  before: 'What came before?',
  method: 'How do you go on?',
};

/** The walk of a new display: a question at a time, each asked only where the next answer needs it. Name and size are enough. */
export function NewDisplay() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const settings = doc.settings.person;
  const [units, setUnits] = useState<UnitPreferences>(() => settings?.units ?? unitsOfLanguage(language()));
  const [id] = useState(newId);
  const [at, setAt] = useState<StepId>('name');
  const today = localDay(Date.now());
  /** The page after the walk. */
  const then = useRef<'' | '/log'>('');
  const form = useEntryForm({
    start: NEW_WALK,
    read: (texts: WalkTexts) => readWalk(texts, { id, units, today, noonOf, newId }),
    save: ({ begun }) => {
      const kits: Edit[] =
        Object.keys(doc.kits).length === 0
          ? starterKits(units).map((entity): Edit => ({ put: 'kits', entity }))
          : [];
      const person = settings ?? DEFAULT_SETTINGS;
      const chosen: Edit[] =
        settings?.units === units ? [] : [{ put: 'settings', entity: { ...person, units } }];
      return dispatch(commit(`${begun.water.name} added`, [...kits, ...chosen, ...editsToBegin(begun)]));
    },
    done: () => router.replace(`/water/${id}${then.current}` as Href),
    faultsFrom: 'leave',
  });
  const { texts, now: read } = form;
  const steps = stepsFor(texts.stage);
  const here = Math.max(0, steps.indexOf(at));
  const next = steps[here + 1];
  const last = next === undefined;
  /** Whoever has water in the glass has readings to tell, or should take some: the sheet for them comes next. */
  const tests = last && texts.stage !== '' && texts.stage !== 'empty';
  const faults = read.ok ? {} : read.faults;
  const fault = Object.entries(faults).find(([field, text]) => text && stepOfField(field) === at)?.[1];
  const [tried, setTried] = useState<StepId | null>(null);
  const goOn = () => {
    if (fault) setTried(at);
    else if (next) setAt(next);
    else add();
  };
  const add = () => {
    const [first] = Object.keys(faults);
    if (first !== undefined) {
      setAt(stepOfField(first));
      setTried(stepOfField(first));
    }
    then.current = tests ? '/log' : '';
    form.save();
  };
  const known =
    at !== 'name' && !('name' in faults) && Object.keys(faults).every((f) => stepOfField(f) !== 'glass');
  return (
    <Screen
      title="New tank"
      footer={
        <Row style={styles.foot}>
          {here > 0 ? <Button label="Back" onPress={() => setAt(steps[here - 1] ?? 'name')} /> : null}
          {last ? (
            <SaveButton
              saving={form.saving}
              kind="primary"
              label={tests ? 'Add, then log tests' : 'Add the tank'}
              onPress={add}
            />
          ) : (
            <Button grow kind="primary" label={QUESTION[next]} onPress={goOn} />
          )}
        </Row>
      }
    >
      <Row style={styles.head}>
        <Txt kind="row">New tank</Txt>
        <Txt kind="small" tone="second">{`${here + 1} of ${steps.length}`}</Txt>
      </Row>
      <Txt kind="title" heading={1}>
        {QUESTION[at]}
      </Txt>
      <View style={styles.step}>
        {at === 'name' ? <NameAndUnits form={form} units={units} onUnits={setUnits} /> : null}
        {at === 'glass' ? <Glass form={form} id={id} units={units} onUnits={setUnits} /> : null}
        {at === 'where' ? <Where form={form} /> : null}
        {at === 'before' ? <Before form={form} /> : null}
        {at === 'method' ? <Method form={form} /> : null}
      </View>
      {tried === at && fault ? <Txt tone="ammonia" live>{`Not yet: ${fault}`}</Txt> : null}
      {known && !last ? (
        <Row wrap>
          <SaveButton saving={form.saving} kind="quiet" label="Enough for now: add it" onPress={add} />
        </Row>
      ) : null}
    </Screen>
  );
}

const styles = styleSheet({
  head: { justifyContent: 'space-between' },
  foot: { flexGrow: 1 },
  step: { gap: 16, marginTop: 8 },
});
