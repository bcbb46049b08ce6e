/** The guard at the display, as every door shows it: what is risked, and a field for the reason. */
import { useMemo } from 'react';
import {
  admissionRisks,
  firstFishRisk,
  loadRisks,
  stayRisks,
  type Newcomer,
  type Risk,
} from '../../../core/arrivals';
import type { Water } from '../../../core/document';
import { sentence } from '../../../core/words';
import {
  commit,
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import { Check, Txt } from '../../ui';
import { useWords } from './water';

/** What is risked by letting each of them into a water now, each risk once.
 *  @param bringsFilter rock and media come along: what the water carries so far says nothing */
export function useRisks(
  who: readonly Newcomer[],
  to: Water | undefined,
  now: number,
  { bringsFilter = false }: { bringsFilter?: boolean } = {},
) {
  const doc = useAppSelector(selectDocument);
  const assessment = useAppSelector((s) => (to ? selectAssessment(s, to.id, now) : null));
  const evidence = useAppSelector((s) => (to ? selectEvidence(s, to.id, now) : null));
  return useMemo(() => {
    const risksOf = (one: Newcomer): Risk[] =>
      to && assessment && evidence
        ? [
            ...admissionRisks(doc, one, to, assessment, now, localDay),
            ...firstFishRisk(doc, one, who, to),
            ...stayRisks(doc, one, who, to, localDay(now)),
            ...(bringsFilter ? [] : loadRisks(doc, one, who, evidence, assessment, localDay)),
          ]
        : [];
    const all = who.flatMap(risksOf);
    const seen = new Set<string>();
    const risks = all.filter((r) => !seen.has(JSON.stringify(r)) && seen.add(JSON.stringify(r)));
    return { risksOf, risks, never: risks.some((r) => r.code === 'riskCopper') };
  }, [doc, who, to, assessment, evidence, now, bringsFilter]);
}

/** @param to the one water they go to, where it is one */
export function Risks({ risks, to }: { risks: readonly Risk[]; to?: Water | undefined }) {
  const words = useWords();
  const dispatch = useAppDispatch();
  if (risks.length === 0) return null;
  return (
    <>
      <Txt kind="strong" tone="ammonia">
        Not yet, and what is risked
      </Txt>
      {risks.map((r) => (
        <Txt key={JSON.stringify(r)} tone="ammonia">
          {sentence(r, words)}
        </Txt>
      ))}
      {to && risks.some((r) => r.code === 'riskIntakes') ? (
        <Check
          label={`Every pump intake and overflow of ${to.name} is guarded`}
          checked={false}
          onChange={() =>
            void dispatch(
              commit('Intakes are guarded', [{ put: 'waters', entity: { ...to, intakesGuarded: true } }]),
            )
          }
        />
      ) : null}
    </>
  );
}

/** What a form says where a reason is missing. */
export const REASON_MISSING = 'Say in your words why it goes in all the same. It stays with the animal.';
