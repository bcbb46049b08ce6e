import { useState } from 'react';
import type { Href } from 'expo-router';
import { admit } from '../../../core/arrivals';
import type { Animal, Display, Document } from '../../../core/document';
import { addDays } from '../../../core/time';
import { carriedOut, meantFor } from '../../../core/upgrade';
import { inUnits } from '../../../core/words';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectDocument,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import { Button, Caution, Go, Row, Section, TextField, Txt } from '../../ui';
import { useWords } from '../shell';
import { REASON_MISSING, Risks, useRisks } from '../shell/guard';

/** The day of a move: its order, its tests, and that it is done. */
export function UpgradeDay({
  from,
  to,
  residents,
  bringsRock,
  testDays,
  now,
  onMoved,
}: {
  from: Display;
  /** Not where the new tank is not entered. */
  to: Display | undefined;
  residents: readonly Animal[];
  /** Do rock and media come along, or some of them? */
  bringsRock: boolean;
  testDays: readonly number[];
  now: number;
  onMoved: () => void;
}) {
  const { units } = useWords();
  return (
    <>
      <Section title="Order of the day">
        {ORDER.map((step, i) => (
          <Txt key={step}>{`${i + 1}. ${inUnits(step, units)}`}</Txt>
        ))}
      </Section>
      <Caution>
        Plugs out at the wall with dry hands before the level falls. A full tank weighs a kilogram a litre and
        more: floor and stand first. Never start a siphon by mouth.
      </Caution>
      <TestsAfter waterId={to?.id ?? from.id} stockOf={from.id} testDays={testDays} now={now} />
      {residents.length === 0 ? null : to ? (
        <AllOver
          from={from}
          to={to}
          residents={residents}
          bringsRock={bringsRock}
          now={now}
          onMoved={onMoved}
        />
      ) : (
        <Section title="When they are over">
          <Txt tone="second">
            The new tank gets a log of its own: enter it, and the move is logged here in one.
          </Txt>
          <Go href="/water/new">Enter the new tank</Go>
        </Section>
      )}
    </>
  );
}

const HOUR_AFTER = 'Move: test ammonia an hour after';

/** Are the tests after a move into a tank planned? */
export const areTestsPlanned = (doc: Document, waterId: string): boolean =>
  Object.values(doc.tasks).some((t) => t.waterId === waterId && t.title === HOUR_AFTER);

/** @param stockOf the tank whose stock is gone back to */
export function TestsAfter({
  waterId,
  stockOf,
  testDays,
  now,
}: {
  waterId: string;
  stockOf: string;
  testDays: readonly number[];
  now: number;
}) {
  const dispatch = useAppDispatch();
  const planTests = () => {
    const today = localDay(now);
    void dispatch(
      commit(
        'Tests after the move planned',
        testDays.map((after) => ({
          put: 'tasks' as const,
          entity: {
            id: newId(),
            waterId,
            day: addDays(today, after),
            title: after === 0 ? HOUR_AFTER : `Day ${after} after the move: ammonia, nitrite`,
            note: 'No feeding while ammonia shows; a change with matched water if it does.',
            doneAt: null,
          },
        })),
      ),
    );
  };
  return (
    <Section title="Tests after it">
      <Txt>{testDays.map((d) => (d === 0 ? 'after an hour' : `day ${d}`)).join(', ')}</Txt>
      <Row wrap>
        <Button icon="keep" label={`Plan them from ${shortWrittenDay(localDay(now))}`} onPress={planTests} />
        <Go href={`/water/${stockOf}/stock` as Href}>Back to the stock</Go>
      </Row>
    </Section>
  );
}

/** Logs that everybody is in the new tank; against the guard with a reason, as at any door. */
function AllOver({
  from,
  to,
  residents,
  bringsRock,
  now,
  onMoved,
}: {
  from: Display;
  to: Display;
  residents: readonly Animal[];
  bringsRock: boolean;
  now: number;
  onMoved: () => void;
}) {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const { risksOf, risks, never } = useRisks(residents, to, now, { bringsFilter: true });
  const [why, setWhy] = useState('');
  const [asked, setAsked] = useState(false);
  const log = () => {
    const at = isoOf(Date.now());
    const admitted = admit(
      residents.map((animal) => ({ animal, count: animal.count, partId: '' })),
      to,
      { at, why, risksOf },
    );
    setAsked(!admitted.ok);
    if (!admitted.ok) return;
    const rest = bringsRock ? carriedOut(doc, from, to, { at, id: newId() }) : [];
    void dispatch(commit(`All of ${from.name} moved to ${to.name}`, [...admitted.edits, ...rest])).then(
      onMoved,
    );
  };
  return (
    <Section title="When they are over">
      <Risks risks={risks} to={to} />
      {bringsRock && meantFor(doc, from).length > 0 ? (
        <Txt tone="second">{`Whoever is wished for or in quarantine for ${from.name} is meant for ${to.name} from then on.`}</Txt>
      ) : null}
      {never ? null : (
        <>
          <TextField
            label={risks.length > 0 ? 'Why all the same' : 'Why'}
            value={why}
            onChange={setWhy}
            placeholder={risks.length > 0 ? '' : 'May be left empty'}
            error={asked && why.trim() === '' ? REASON_MISSING : undefined}
          />
          <Button icon="keep" label={`Log that all are in ${to.name}`} onPress={log} />
        </>
      )}
    </Section>
  );
}

const ORDER = [
  'A day before: new water made, at the same salinity and temperature, ammonia tested zero; the new tank stands level, leak-tested and empty of animals.',
  'Lights off, pumps and heater of the old tank off at the wall. Some old water aside for rock, media and animals, warm and with air.',
  'Media and rock under water in tubs, never dry for more than minutes. Corals and crew with them, fish last: they are easy to catch in little water.',
  'Old sand stays behind, or is rinsed in old water until clear: stirred up it is the ammonia of the day.',
  'Rock in the new tank first, on the glass, then sand, then old and new water. Media where the flow is. Heater under water before it is plugged in.',
  'Once both waters agree within {Δtemperature:1:0} and in salinity: animals over, by a drip where they do not. Lid on, lights off until the next day.',
  'Ammonia after an hour. No food on the day; a little on the next if it reads zero.',
] as const;
