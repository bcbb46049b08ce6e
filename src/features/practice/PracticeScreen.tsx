import { useMemo, useState } from 'react';
import { writeDocument } from '../../../core/document/checks';
import { lastEntryMs, SCENARIOS, type RunFile } from '../../../core/practice';
import { practiceRun, showPractice } from '../../store';
import { Button, Choice, Row, Screen, Section, TextField, Txt } from '../../ui';
import { OwnScenario } from './OwnScenario';
import { Playing } from './Playing';

/** A tank one can learn on: choose what is to happen, then live it with the app's own screens. */
export function PracticeScreen() {
  const run = practiceRun();
  return run ? <Playing run={run} /> : <Choosing />;
}

/** It begins on a morning. */
function start(scenario: unknown, seed: number): void {
  const startMs = new Date(new Date().setHours(7, 0, 0, 0)).getTime();
  void showPractice({ scenario, seed, startMs, nowMs: startMs, looked: false });
}

/** A run from a file goes on where its last entry stands; it can be looked back on at once.
 *  @throws Error where the browser has no room for it */
async function goOnWith(file: RunFile): Promise<void> {
  const { scenario, seed, startMs, document } = file;
  const run = { scenario, seed, startMs, nowMs: lastEntryMs(file), looked: false };
  await showPractice(run, writeDocument(document));
}

function Choosing() {
  const [id, setId] = useState(SCENARIOS[0]!.id);
  const [seed, setSeed] = useState('1');
  const chosen = useMemo(() => SCENARIOS.find((s) => s.id === id) ?? SCENARIOS[0]!, [id]);
  const n = Number(seed);
  const fault = Number.isInteger(n) && n >= 0 && n < 1e9 ? null : 'A whole number from 0.';
  return (
    <Screen title="Practice">
      <Txt kind="title" heading={1}>
        A tank to learn on
      </Txt>
      <Txt>
        Its truth is hidden, as in life; your kits, your eye and your evenings are what you have. Every screen
        is the real one. Nothing of your own is opened or changed meanwhile.
      </Txt>
      <Choice
        label="What is to happen"
        stacked
        options={SCENARIOS.map((s) => ({ value: s.id, label: s.title }))}
        value={id}
        onChange={setId}
      />
      <Section title={chosen.title}>
        <Txt>{chosen.lesson}</Txt>
        <Txt kind="strong">{chosen.goal}</Txt>
        <TextField
          label="Its number"
          numeric
          value={seed}
          onChange={setSeed}
          error={fault}
          hint="The same number is the same tank again; another one is drawn anew."
        />
        <Row>
          <Button
            kind="primary"
            label="Begin"
            disabled={fault !== null}
            onPress={() => start(chosen.id, n)}
          />
        </Row>
      </Section>
      <OwnScenario
        key={chosen.id}
        from={chosen}
        onMade={(made) => start(made, fault === null ? n : 1)}
        onRun={goOnWith}
      />
    </Screen>
  );
}
