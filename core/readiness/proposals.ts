/** What is proposed to someone who begins: where ammonia and bacteria may come from, and how to judge, each with its reason. */
import type { Display, School, Stage } from '../document';
import type { Statement, StatementOf } from '../statements';

export interface Start {
  stage: Stage;
  rockKind: Display['rockKind'];
  ammoniaSource: Display['ammoniaSource'];
  bacteriaSources: Display['bacteriaSources'];
}

export type ProposalCode = Extract<Statement['code'], `propose${string}`>;
export interface Proposal<T> {
  value: T;
  reason: StatementOf<ProposalCode>;
}
const because = <T>(value: T, code: ProposalCode): Proposal<T> => ({ value, reason: { code } });

/** Sources that go with the rock. Common practice: see each reason. */
export function proposedMethod(
  rockKind: Display['rockKind'],
  stage: Stage,
): Proposal<Pick<Display, 'ammoniaSource' | 'bacteriaSources'>> {
  if (stage === 'moving' || rockKind === 'running')
    return because({ ammoniaSource: 'feeding', bacteriaSources: ['media'] }, 'proposeMoved');
  if (rockKind === 'driedOcean')
    return because({ ammoniaSource: 'dieOff', bacteriaSources: ['bottle'] }, 'proposeRots');
  if (rockKind === 'cured') return because({ ammoniaSource: 'feeding', bacteriaSources: [] }, 'proposeCured');
  return because({ ammoniaSource: 'bottled', bacteriaSources: ['bottle'] }, 'proposeDry');
}

/** The school that fits how a tank is started; where several do, the one that measures. */
export function proposedSchool({ stage, rockKind, ammoniaSource }: Start): Proposal<School> {
  if (stage === 'animalsIn') return because('zeroZero', 'proposeStocked');
  if (stage === 'moving' || rockKind === 'running') return because('matureTransfer', 'proposeTransferSchool');
  if (ammoniaSource === 'fish') return because('firstFish', 'proposeFirstFish');
  if (ammoniaSource === 'dieOff' || rockKind === 'driedOcean') return because('patient', 'proposePatient');
  return because('proof24', stage === 'bothZero' ? 'proposeProofNow' : 'proposeProof');
}
