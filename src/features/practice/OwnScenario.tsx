import { createElement, useRef, useState } from 'react';
import { claimsRun, runFrom, scenarioFrom, type RunFile, type Scenario } from '../../../core/practice';
import { Button, Choice, Row, Section, TextField, Txt } from '../../ui';

const SPEEDS = { fast: [20, 28], usual: [35, 52], slow: [50, 80] } as const;

/** Larger than any run of a year. */
const MOST_MB = 20;

interface Props {
  from: Scenario;
  onMade: (scenario: Scenario) => void;
  onRun: (run: RunFile) => Promise<void>;
}

/** One made by dials from another; or a scenario, or a run, from a file. */
export function OwnScenario({ from, onMade, onRun }: Props) {
  const [litres, setLitres] = useState(String(from.start.litres));
  const [dkh, setDkh] = useState('8');
  const [bottle, setBottle] = useState<Scenario['truth']['bottle']>('drawn');
  const [speed, setSpeed] = useState<keyof typeof SPEEDS>('usual');
  const [fault, setFault] = useState<string | null>(null);
  const input = useRef<HTMLInputElement | null>(null);
  const faulty = (what: string, error: unknown) =>
    setFault(
      `That is no ${what}: ${error instanceof Error ? error.message : 'it cannot be read'}. Nothing was begun.`,
    );
  const make = (raw: unknown) => {
    try {
      onMade(scenarioFrom(raw));
      setFault(null);
    } catch (error) {
      faulty('scenario', error);
    }
  };
  const open = async (file: File) => {
    let what = 'scenario or run';
    try {
      if (file.size > MOST_MB * 1e6) throw new Error(`it is larger than ${MOST_MB} MB`);
      const raw = JSON.parse(await file.text()) as unknown;
      if (!claimsRun(raw)) return make(raw);
      what = 'run';
      setFault(null);
      const run = runFrom(raw);
      await onRun(run).catch(() => setFault('This browser has no room for that run. Nothing was begun.'));
    } catch (error) {
      faulty(what, error);
    }
  };
  const dialled = () => ({
    ...from,
    id: 'dials',
    title: 'By dials',
    lesson: 'What you set yourself, and what came of it.',
    goal: 'Find out what these settings do.',
    start: {
      ...from.start,
      litres: Number(litres.replace(',', '.')),
      bacteriaSources: bottle === 'dead' || bottle === 'alive' ? ['bottle'] : from.start.bacteriaSources,
    },
    truth: {
      ...from.truth,
      dkh: Number(dkh.replace(',', '.')),
      bottle,
      doublingFirstH: SPEEDS[speed][0],
      doublingSecondH: SPEEDS[speed][1],
    },
  });
  return (
    <Section title="One of your own">
      <Txt kind="small" tone="second">{`Set from “${from.title}”, its mishaps included.`}</Txt>
      <TextField label="Water, as believed" unit="L" numeric value={litres} onChange={setLitres} />
      <TextField label="Alkalinity at the start" unit="dKH" numeric value={dkh} onChange={setDkh} />
      <Choice
        label="The bottle is"
        options={[
          { value: 'drawn', label: 'drawn' },
          { value: 'alive', label: 'alive' },
          { value: 'dead', label: 'dead' },
        ]}
        value={bottle}
        onChange={setBottle}
      />
      <Choice
        label="The bacteria are"
        options={[
          { value: 'fast', label: 'fast' },
          { value: 'usual', label: 'usual' },
          { value: 'slow', label: 'slow' },
        ]}
        value={speed}
        onChange={setSpeed}
      />
      {fault ? (
        <Txt tone="ammonia" live>
          {fault}
        </Txt>
      ) : null}
      <Row wrap>
        <Button label="Begin by dials" onPress={() => make(dialled())} />
        <Button kind="quiet" label="Open a scenario or a run" onPress={() => input.current?.click()} />
      </Row>
      {createElement('input', {
        ref: input,
        type: 'file',
        accept: '.json,application/json',
        'aria-label': 'Scenario or run file',
        style: { display: 'none' },
        onChange: (event: { target: HTMLInputElement }) => {
          const file = event.target.files?.[0];
          if (file) void open(file);
          event.target.value = '';
        },
      })}
    </Section>
  );
}
