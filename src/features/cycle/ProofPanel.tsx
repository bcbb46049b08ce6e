import { HOUR_MS } from '../../../core/time';
import { useRouter, type Href } from 'expo-router';
import type { Display } from '../../../core/document';
import { meantAsProof, nothingLeft, proofState } from '../../../core/evidence';
import { waterHolds } from '../../../core/readiness';
import { SCHOOL_WORDS, sentence } from '../../../core/words';
import { NEAR_ZERO_MG_N, provedCapacity } from '../../../core/stocking';
import { fromMgNPerL } from '../../../core/units';
import { selectAssessment, selectEvidence, useAppSelector, useNow, weekdayHour } from '../../store';
import { Button, Caution, Line, Section, Txt } from '../../ui';
import { useWords } from '../shell';

/** What a small fish on light feed makes, mg N a day. */
const SMALL_FISH_MG_N = 6;

/** The proof run: what is the next thing to do, the clock, the verdict, and what capacity it shows. */
export function ProofPanel({ water }: { water: Display }) {
  const now = useNow(30_000);
  const router = useRouter();
  const e = useAppSelector((s) => selectEvidence(s, water.id, now));
  const words = useWords();
  const assessment = useAppSelector((s) => selectAssessment(s, water.id, now));
  const { gates } = assessment;
  const held = waterHolds(assessment);
  const state = proofState(e);
  const known = provedCapacity(e);
  const capacity = known?.by === 'proof' ? known : null;
  const clear = gates.find((g) => g.id === 'bothClear')?.status === 'passed' && nothingLeft(e);
  const meant =
    (state.status === 'failed' || state.status === 'missedTest') && meantAsProof(e, state.doseAtMs);
  const mg = (x: number) => `${x.toFixed(0)} mg N a day`;
  const fish = Math.floor((capacity?.nearZeroNowMgN ?? 0) / SMALL_FISH_MG_N);
  const room = held
    ? 'room for none now'
    : fish === 0
      ? 'not room for one yet'
      : `room for about ${fish} such fish`;
  return (
    <Section title="The proof run">
      {state.status === 'running' ? (
        <>
          <Txt kind="row">{`${((now - state.doseAtMs) / HOUR_MS).toFixed(0)} of 24 hours since the dose`}</Txt>
          <Txt>
            {now >= state.dueMs - 2 * HOUR_MS
              ? 'Test ammonia and nitrite now, in one sitting.'
              : `Test ammonia and nitrite at ${weekdayHour(state.dueMs)}, in one sitting. A test before six hours proves nothing.`}
          </Txt>
          <Button
            kind={now >= state.dueMs - 2 * HOUR_MS ? 'primary' : undefined}
            icon="log"
            label="Log the test"
            onPress={() => router.push(`/water/${water.id}/log?show=ammonia,nitrite` as Href)}
          />
        </>
      ) : state.status === 'passed' || state.status === 'lenient' || state.status === 'faded' ? (
        <>
          <Txt kind="row" tone={state.status === 'passed' ? 'go' : 'nitrite'}>
            {state.status === 'passed'
              ? `Passed: ${fromMgNPerL('ammonia', 'ion', state.proof.doseMgNPerL).toFixed(1)} mg/L gone after ${state.proof.hours.toFixed(0)} h`
              : state.status === 'lenient'
                ? `Gone after ${state.proof.hours.toFixed(0)} h: enough for the lenient (48 h), not for the strict (24 h)`
                : 'Passed over three weeks ago and unfed since: faded'}
          </Txt>
          {capacity ? (
            <>
              <Line name="Cleared at the dose" value={mg(capacity.atDoseMgN)} />
              <Line
                name={`At the ${NEAR_ZERO_MG_N} mg N/L animals need, today`}
                value={mg(capacity.nearZeroNowMgN)}
              />
              <Txt
                kind="small"
                tone="second"
              >{`Two small fish on light feed are about 12 mg a day: ${room}. It fades while nothing is fed.`}</Txt>
              {held ? (
                <Txt tone="ammonia">{`Not now, whatever was proved: ${sentence(held, words)}`}</Txt>
              ) : null}
            </>
          ) : null}
          {state.status === 'passed' || e.isInhabited ? null : (
            <Button label="Dose again" onPress={() => router.push(`/water/${water.id}/cycle/dose` as Href)} />
          )}
        </>
      ) : (
        <>
          <Txt>
            {e.isInhabited
              ? 'Animals are in: no proof dose any more. Judge by tests after each addition.'
              : clear
                ? 'Both are clear: dose 2 mg/L with the counter, then test at 24 hours (and 48).'
                : meant && state.status === 'failed'
                  ? 'The last proof dose was not cleared. Wait until both are zero, then dose again.'
                  : meant
                    ? 'The last dose was not tested within two days: it proves nothing. Dose again when clear.'
                    : 'It comes when ammonia and nitrite have both read zero twice.'}
          </Txt>
          {clear && !e.isInhabited ? (
            <>
              <Caution>
                Never with animals in the tank. Ammonia burns eyes and skin and must never meet bleach.
              </Caution>
              <Button
                kind="primary"
                icon="drip"
                label="Dose for the proof"
                onPress={() => router.push(`/water/${water.id}/cycle/dose` as Href)}
              />
            </>
          ) : null}
        </>
      )}
      <Txt
        kind="small"
        tone="second"
      >{`${SCHOOL_WORDS[water.school].title} asks: ${SCHOOL_WORDS[water.school].rule}`}</Txt>
    </Section>
  );
}
