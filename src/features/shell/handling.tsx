/** What must never be done to an animal on its way in, and what must be, wherever one is handled. */
import { handlingOf, type Handling } from '../../../core/arrivals';
import type { Species } from '../../../core/species';
import { Caution, Txt } from '../../ui';

const NOTES: Record<Exclude<Handling, 'toxin'>, string> = {
  dip: 'dip and look it over before it goes in: see its page.',
  neverDip: 'never dipped: what washes pests off a coral kills it.',
  neverAir: 'never lifted into air: moved under water, in a cup.',
  guardIntakes: 'it wanders, so every pump intake and overflow is guarded before it goes in.',
};

/** @param leaveOut what the page says itself */
export function HandlingNotes({
  species,
  leaveOut = [],
}: {
  species: readonly Species[];
  leaveOut?: readonly Handling[];
}) {
  const notes = species.flatMap((s) =>
    handlingOf(s).flatMap((h) => (h === 'toxin' || leaveOut.includes(h) ? [] : [`${s.common}: ${NOTES[h]}`])),
  );
  return (
    <>
      {[...new Set(notes)].map((n) => (
        <Txt key={n} tone="nitrite">
          {n}
        </Txt>
      ))}
    </>
  );
}

const PALYTOXIN =
  'It may hold palytoxin: never cut, boil or scrub it dry; wash hands, and see a doctor at once if you feel unwell.';

/** The usual caution at the dip; palytoxin where the kind may hold it. */
export function DipCaution({ toxin }: { toxin: boolean }) {
  return (
    <Caution>
      {[
        'Gloves and goggles; its own bowl, none of the dip in the tank.',
        ...(toxin ? [PALYTOXIN] : []),
        'The label decides product, amount and time.',
      ].join(' ')}
    </Caution>
  );
}
