import { View } from 'react-native';
import { space } from '../tokens';
import { Txt } from '../Txt';
import { Staff, StaffPointer } from './Staff';
import { styleSheet } from '../styleSheet';

export interface StaffStep {
  title: string;
  detail: string;
  effect: string;
}

/** What to do in its order, down a staff: done, where one stands, to come. Readable at arm's length. */
export function StepStaff({ steps, done }: { steps: readonly StaffStep[]; done: number }) {
  return (
    <View role="list" aria-label="What to do, in this order" style={styles.list}>
      <Staff left={4} />
      {steps.map((step, i) => {
        const here = i === done;
        const past = i < done;
        return (
          <View role="listitem" key={step.title} aria-current={here ? 'step' : undefined} style={styles.step}>
            {here ? <StaffPointer /> : null}
            <Txt kind="row" tone={past ? 'second' : 'ink'}>
              {`${i + 1} · ${step.title}${past ? ' ✓' : ''}`}
            </Txt>
            {step.detail && !past ? <Txt tone="second">{step.detail}</Txt> : null}
            {step.effect && !past ? <Txt tone="ammonia">{step.effect}</Txt> : null}
          </View>
        );
      })}
    </View>
  );
}

const styles = styleSheet({
  list: { position: 'relative', paddingVertical: space(1) },
  step: { paddingLeft: 62, paddingVertical: space(2), minHeight: 48, justifyContent: 'center' },
});
