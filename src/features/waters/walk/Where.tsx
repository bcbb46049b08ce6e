import type { Stage } from '../../../../core/document';
import { proposedMethod, proposedSchool } from '../../../../core/readiness';
import { Choice } from '../../../ui';
import type { WalkForm } from './walk';

const STAGES: readonly { value: Stage; label: string; note: string }[] = [
  { value: 'empty', label: 'Empty glass', note: 'Not filled yet.' },
  { value: 'filling', label: 'Filling', note: 'Salt water is in or going in; nothing to eat in it yet.' },
  { value: 'cycling', label: 'Waiting on the cycle', note: 'Something to oxidise went in; not clear yet.' },
  { value: 'bothZero', label: 'Both zero', note: 'Ammonia and nitrite rose, and read zero again.' },
  { value: 'animalsIn', label: 'Animals are in', note: 'It runs already, with fish, crew or corals.' },
  {
    value: 'moving',
    label: 'Moving from an old tank',
    note: 'Rock, media or animals of a running tank go over.',
  },
];

/** Where the person stands, which decides what is asked next. What goes with it is proposed; the person's own choice stays. */
export function Where({ form }: { form: WalkForm }) {
  const { texts } = form;
  const choose = (stage: Stage) => {
    const rockKind = texts.rockKind === 'unknown' ? undefined : texts.rockKind;
    const { value: method } = proposedMethod(rockKind, stage);
    const { value: school } = proposedSchool({ stage, rockKind, ...method });
    form.change({ stage, ...method, school });
  };
  return (
    <Choice
      label="Choose what comes nearest"
      stacked
      options={STAGES}
      value={texts.stage === '' ? ('' as Stage) : texts.stage}
      onChange={choose}
    />
  );
}
