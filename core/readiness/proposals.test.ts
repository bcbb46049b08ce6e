import { proposedMethod, proposedSchool } from './index';

const start = {
  stage: 'empty',
  rockKind: undefined,
  ammoniaSource: 'bottled',
  bacteriaSources: ['bottle' as const],
} as const;

test.each([
  [undefined, 'empty', 'bottled', ['bottle'], 'proposeDry'],
  ['dryMade', 'empty', 'bottled', ['bottle'], 'proposeDry'],
  ['cured', 'filling', 'feeding', [], 'proposeCured'],
  ['driedOcean', 'empty', 'dieOff', ['bottle'], 'proposeRots'],
  ['running', 'empty', 'feeding', ['media'], 'proposeMoved'],
  ['dryMade', 'moving', 'feeding', ['media'], 'proposeMoved'],
] as const)('rock %s, %s: %s', (rock, stage, ammoniaSource, bacteriaSources, code) =>
  expect(proposedMethod(rock, stage)).toEqual({
    value: { ammoniaSource, bacteriaSources },
    reason: { code },
  }),
);
test.each([
  [{}, 'proof24', 'proposeProof'],
  [{ stage: 'bothZero' }, 'proof24', 'proposeProofNow'],
  [{ ammoniaSource: 'feeding' }, 'proof24', 'proposeProof'],
  [{ ammoniaSource: 'dieOff' }, 'patient', 'proposePatient'],
  [{ rockKind: 'driedOcean' }, 'patient', 'proposePatient'],
  [{ ammoniaSource: 'fish' }, 'firstFish', 'proposeFirstFish'],
  [{ rockKind: 'running' }, 'matureTransfer', 'proposeTransferSchool'],
  [{ stage: 'moving' }, 'matureTransfer', 'proposeTransferSchool'],
  // Once animals are in, no school that asks for a dose of ammonia.
  [{ stage: 'animalsIn' }, 'zeroZero', 'proposeStocked'],
  [{ stage: 'animalsIn', ammoniaSource: 'fish' }, 'zeroZero', 'proposeStocked'],
] as const)('%j: %s', (patch, value, code) =>
  expect(proposedSchool({ ...start, bacteriaSources: ['bottle'], ...patch })).toEqual({
    value,
    reason: { code },
  }),
);
