import { type Href } from 'expo-router';
import { useState } from 'react';
import { isIn } from '../../../core/document';
import {
  atWork,
  daysToShop,
  PRACTICE_WATER,
  PRICES,
  purse,
  truthAt,
  truthBeside,
} from '../../../core/practice';
import { DAY_MS } from '../../../core/time';
import {
  dayAndHour,
  keepPracticeRun,
  selectDocument,
  showPractice,
  useAppSelector,
  useNow,
  type PracticeRun,
} from '../../store';
import { scenarioOf } from '../../store/practice';
import { Button, Choice, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { Clock } from './Clock';
import { Debrief } from './Debrief';
import { Found } from './Found';
import { Sitting } from './Sitting';
import { seenNow } from './told';

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
      {over ? null : <Shop days={shop} />}
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

/** Open on Saturdays. @param days until then */
function Shop({ days }: { days: number }) {
  return (
    <Section title="The shop">
      {days > 0 ? (
        <Txt kind="small" tone="second">
          {`Open on Saturdays: in ${days} day${days === 1 ? '' : 's'}. A bottle ${PRICES.bottle}, media ${PRICES.media}, an animal ${PRICES.animal}.`}
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
  );
}
