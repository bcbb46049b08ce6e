import { type Href } from 'expo-router';
import { useState } from 'react';
import {
  PARAMETERS,
  type Animal,
  type Parameter,
  parameterName,
  PARAMETER_NAMES,
  GONE,
  isIn,
} from '../../../core/document';
import {
  atWork,
  daysToShop,
  PRACTICE_WATER,
  PRICES,
  purse,
  sitting,
  sittingMinutes,
  truthAt,
  truthBeside,
  type Truth,
} from '../../../core/practice';
import { DAY_MS, MINUTE_MS } from '../../../core/time';
import { animalWords } from '../../../core/words';
import {
  commit,
  dayAndHour,
  isoOf,
  keepPracticeRun,
  movePracticeClock,
  newId,
  selectAssessment,
  selectDocument,
  showPractice,
  useAppDispatch,
  useAppSelector,
  useKinds,
  useNow,
  type PracticeRun,
} from '../../store';
import { scenarioOf } from '../../store/practice';
import { Button, Check, Choice, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { toggled } from '../shell/form';
import { SaveButton, useSaving } from '../shell/saving';
import { Clock } from './Clock';
import { Debrief } from './Debrief';
import { readingLine, seenNow } from './told';

export function Playing({ run }: { run: PracticeRun }) {
  const now = useNow();
  const doc = useAppSelector(selectDocument);
  const scenario = scenarioOf(run);
  const truth = truthAt(scenario, run.seed, doc, PRACTICE_WATER, run.startMs, now);
  // With animals in nobody is led to a dose.
  const living = Object.values(doc.animals).some((a) => isIn(a, PRACTICE_WATER));
  // Quarantines and what else holds animals beside the tank.
  const beside = Object.values(doc.waters).filter((w) => w.kind === 'quarantine' || w.kind === 'holding');
  const besides = beside.map((w) => truthBeside(scenario, run.seed, doc, w.id, run.startMs, now));
  const lost = [truth, ...besides].flatMap((t) => t.lost);
  const [at, setAt] = useState(PRACTICE_WATER);
  const there = besides[beside.findIndex((w) => w.id === at)];
  const [ended, setEnded] = useState(false);
  const money = purse(scenario, doc);
  const here = new Date(now);
  const working = atWork(here.getDay(), here.getHours() + here.getMinutes() / 60);
  const shop = daysToShop(here.getDay());
  const away = scenario.mishaps.find(
    (m) => m.kind === 'away' && truth.day >= m.day && truth.day < m.day + m.days,
  );
  const over = now >= run.startMs + scenario.days * DAY_MS;
  const head = (
    <>
      <Txt kind="title" heading={1}>
        {scenario.title}
      </Txt>
      <Txt kind="strong">
        {over
          ? `The ${scenario.days} days are over.`
          : `Day ${Math.floor(truth.day) + 1} of ${scenario.days}, ${dayAndHour(now)}`}
      </Txt>
      <Txt tone="second">{scenario.goal}</Txt>
    </>
  );
  const leave = (
    <Row>
      <Button kind="quiet" label="Leave practice" onPress={() => void showPractice(null)} />
    </Row>
  );
  if (ended)
    return (
      <Screen title="Practice">
        {head}
        <Debrief run={run} scenario={scenario} truth={truth} lost={lost} />
        <Row>
          <Button label="Back to the tank" onPress={() => setEnded(false)} />
        </Row>
        {leave}
      </Screen>
    );
  return (
    <Screen title="Practice">
      {head}
      {over ? (
        <Row>
          <Button kind="primary" label="End it and look back" onPress={() => setEnded(true)} />
        </Row>
      ) : (
        <Clock now={now} run={run} scenario={scenario} lost={lost} />
      )}
      <Found lost={lost} />
      {seenNow(
        truth,
        beside.some((w) => Object.values(doc.animals).some((a) => isIn(a, w.id))),
      ).map((line) => (
        <Txt key={line}>{line}</Txt>
      ))}
      {over ? null : away ? (
        <Txt tone="nitrite">
          You are away: nobody can test or change. Let the days pass until you are back.
        </Txt>
      ) : working ? (
        <Txt tone="second">You are at work until half past five: nobody can test or change.</Txt>
      ) : money.left < PRICES.sitting ? (
        <Txt tone="nitrite">
          {`The budget of ${scenario.budget.toFixed(0)} is spent: no more kits, and nothing more from the shop.`}
        </Txt>
      ) : (
        <>
          {beside.length > 0 ? (
            <Choice
              label="At which water"
              options={[
                { value: PRACTICE_WATER, label: 'The tank' },
                ...beside.map((w) => ({ value: w.id, label: w.name })),
              ]}
              value={at}
              onChange={setAt}
            />
          ) : null}
          <Sitting
            key={there ? at : PRACTICE_WATER}
            run={run}
            truth={there ?? truth}
            waterId={there ? at : PRACTICE_WATER}
            now={now}
          />
        </>
      )}
      <Line
        name="Money left"
        value={`${Math.max(0, money.left).toFixed(0)} of ${scenario.budget.toFixed(0)}; a sitting costs ${PRICES.sitting}`}
      />
      <Section title="In the app">
        <Txt kind="small" tone="second">
          What you do is logged with the real screens, at the tank’s own hour; the tank feels what is logged.
        </Txt>
        <Go href={`/water/${PRACTICE_WATER}` as Href}>Today: what would the app do now, and why?</Go>
        {living ? null : <Go href={`/water/${PRACTICE_WATER}/cycle/dose` as Href}>Dose ammonia</Go>}
        <Go href={`/water/${PRACTICE_WATER}/log/event?kind=waterChange` as Href}>Change water</Go>
        <Go href={`/water/${PRACTICE_WATER}/log/event?kind=dose` as Href}>Raise alkalinity</Go>
        {beside.map((w) => (
          <Go key={w.id} href={`/water/${w.id}` as Href}>{`${w.name}: looks, and who is in it`}</Go>
        ))}
      </Section>
      <Section title="The shop">
        {shop > 0 ? (
          <Txt kind="small" tone="second">
            {`Open on Saturdays: in ${shop} day${shop === 1 ? '' : 's'}. A bottle ${PRICES.bottle}, media ${PRICES.media}, an animal ${PRICES.animal}.`}
          </Txt>
        ) : (
          <>
            <Go href={`/water/${PRACTICE_WATER}/log/event?kind=bacteria` as Href}>
              {`Add bacteria: a bottle ${PRICES.bottle}, media ${PRICES.media}`}
            </Go>
            <Go
              href={`/water/${PRACTICE_WATER}/stock/species` as Href}
            >{`Let an animal in: ${PRICES.animal}`}</Go>
          </>
        )}
      </Section>
      <Row wrap>
        {over ? null : <Button label="End it and look back" onPress={() => setEnded(true)} />}
        <Button
          kind="quiet"
          label="Look at the truth"
          onPress={() => {
            keepPracticeRun({ ...run, nowMs: now, looked: true });
            setEnded(true);
          }}
        />
      </Row>
      {leave}
    </Screen>
  );
}

/** Who was found dead; logged by the player, who decides what to call it. */
function Found({ lost }: { lost: Truth['lost'] }) {
  const dispatch = useAppDispatch();
  const animals = useAppSelector((s) => selectDocument(s).animals);
  const kinds = useKinds();
  const found = lost.flatMap((l): Animal[] => {
    const animal = animals[l.animalId];
    return animal && animal.moves[animal.moves.length - 1]?.to.kind !== 'gone' ? [animal] : [];
  });
  return (
    <>
      {found.map((a) => (
        <Section key={a.id} title={`Dead in the water: ${animalWords(kinds, a)}`}>
          <Row>
            <Button
              kind="primary"
              label="Log it"
              onPress={() =>
                void dispatch(
                  commit('Logged as dead', [
                    {
                      put: 'animals',
                      entity: {
                        ...a,
                        moves: [...a.moves, { to: GONE('died'), at: isoOf(Date.now()), why: 'found dead' }],
                      },
                    },
                  ]),
                )
              }
            />
          </Row>
        </Section>
      ))}
    </>
  );
}

const TESTED: readonly Parameter[] = [
  'ammonia',
  'nitrite',
  'nitrate',
  'salinity',
  'temperature',
  'alkalinity',
  'ph',
  'phosphate',
];

/** The kits on the table: what is due is chosen first; what they show is read once and logged as it is. */
function Sitting({
  run,
  truth,
  waterId,
  now,
}: {
  run: PracticeRun;
  truth: Truth;
  waterId: string;
  now: number;
}) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const due = useAppSelector((s) => selectAssessment(s, PRACTICE_WATER, now).due);
  const [chosen, setChosen] = useState<readonly Parameter[] | null>(null);
  const [shown, setShown] = useState<ReturnType<typeof sitting> | null>(null);
  const saving = useSaving();
  // Beside the tank it is ammonia that tells.
  const first = waterId === PRACTICE_WATER ? due.filter((p) => TESTED.includes(p)) : (['ammonia'] as const);
  const picked: readonly Parameter[] = chosen ?? first;
  return (
    <Section title="Kits">
      <Row wrap>
        {PARAMETERS.filter((p) => TESTED.includes(p)).map((p) => (
          <Check
            key={p}
            label={PARAMETER_NAMES[p]}
            checked={picked.includes(p)}
            onChange={(on) => {
              setShown(null);
              setChosen(toggled(picked, p, on));
            }}
          />
        ))}
      </Row>
      {picked.length > 0 ? (
        <Txt kind="small" tone="second">
          {`About ${sittingMinutes(doc.kits, picked)} minutes at the table; costs ${PRICES.sitting}.`}
        </Txt>
      ) : null}
      {shown ? (
        <>
          {shown.map((r) => (
            <Line
              key={r.parameter}
              name={parameterName(r.parameter, {})}
              value={readingLine(r, doc.kits, units)}
            />
          ))}
          <Row>
            <SaveButton
              saving={saving}
              kind="primary"
              label="Log what they show"
              onPress={() =>
                void saving.run(
                  () =>
                    dispatch(
                      commit('Practice readings logged', [
                        {
                          put: 'samples',
                          entity: {
                            id: newId(),
                            waterId,
                            at: isoOf(Date.now()),
                            readings: shown,
                            note: '',
                          },
                        },
                      ]),
                    ),
                  () => {
                    setShown(null);
                    setChosen(null);
                    // What is done next comes after it.
                    movePracticeClock(Date.now() + sittingMinutes(doc.kits, picked) * MINUTE_MS);
                  },
                )
              }
            />
          </Row>
        </>
      ) : (
        <Row>
          <Button
            label="Test"
            disabled={picked.length === 0}
            onPress={() => setShown(sitting(doc, truth, picked, run.seed))}
          />
        </Row>
      )}
    </Section>
  );
}
