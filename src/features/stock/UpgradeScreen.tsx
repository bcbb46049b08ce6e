import { useMemo, useState } from 'react';
import type { Href } from 'expo-router';
import { isOpen, livingIn, type Animal, type Display } from '../../../core/document';
import { isOfDisplay, lastOf, trusted, type Emptied } from '../../../core/evidence';
import { loadAt, provedCapacity } from '../../../core/stocking';
import { MINUTE_MS } from '../../../core/time';
import { fromMgNPerL, readEntry, showQuantity, unitLabel } from '../../../core/units';
import { listed, sentence } from '../../../core/words';
import { netVolume } from '../../../core/volume';
import { companyAfter, movePlan, targetOf, UPGRADE, type Borne, type MovePlan } from '../../../core/upgrade';
import {
  localDay,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectWaters,
  useAppSelector,
  useNow,
} from '../../store';
import { Choice, FieldRow, Go, Line, Screen, Section, TextField, Txt } from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { Verdicts } from '../shell/company';
import { WaterFirst } from '../shell/WaterFirst';
import { areTestsPlanned, TestsAfter, UpgradeDay } from './UpgradeDay';

export function UpgradeScreen() {
  return <WithDisplay>{(water) => <MovedOr water={water} />}</WithDisplay>;
}

function MovedOr({ water }: { water: Display }) {
  // A move that was just logged is later than the clock of the page.
  const [movedMs, setMoved] = useState(0);
  const now = Math.max(useNow(10 * MINUTE_MS), movedMs);
  const { emptied } = useAppSelector((s) => selectEvidence(s, water.id, now));
  return emptied ? (
    <Moved to={emptied} now={now} />
  ) : (
    <Upgrade water={water} now={now} onMoved={() => setMoved(Date.now())} />
  );
}

/** Once the move is logged. */
function Moved({ to, now }: { to: Emptied; now: number }) {
  const words = useWords();
  const isPlanned = useAppSelector((s) => areTestsPlanned(selectDocument(s), to.intoId));
  return (
    <Screen title="Move">
      <Txt kind="title" heading={1}>
        {`All are in ${to.into}`}
      </Txt>
      <Txt>{sentence({ code: 'filterMoved', atMs: to.atMs, into: to.into }, words)}</Txt>
      <Txt tone="second">{sentence({ code: 'enterItAnew' }, words)}</Txt>
      <Go href={`/water/${to.intoId}` as Href}>{`To ${to.into}`}</Go>
      {isPlanned ? null : (
        <TestsAfter waterId={to.intoId} stockOf={to.intoId} testDays={UPGRADE.testDays} now={now} />
      )}
    </Screen>
  );
}

/** Everything of one tank into another in a day: what water, what filter, in what order, and what the ammonia would do. */
function Upgrade({ water, now, onMoved }: { water: Display; now: number; onMoved: () => void }) {
  const { units } = useWords();
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const others = useAppSelector(selectWaters).filter(
    (w) => w.kind === 'display' && w.id !== water.id && isOpen(w),
  );
  const [toId, setTo] = useState('');
  const [litres, setLitres] = useState('');
  const [kept, setKept] = useState('100');
  const [reused, setReused] = useState('50');
  const chosen = doc.waters[toId];
  const to = chosen?.kind === 'display' ? chosen : undefined;
  const there = useAppSelector((s) => (to ? selectEvidence(s, to.id, now) : null));
  const here = useAppSelector((s) => selectAssessment(s, water.id, now).living);
  const theirs = useAppSelector((s) => (to ? selectAssessment(s, to.id, now).living : null));
  // Neither water may be in trouble, the one they leave said first.
  const troubled = [
    { waterId: water.id, living: here },
    { waterId: toId, living: theirs },
  ].find(({ living }) => living?.word === 'actNow' || living?.word === 'watch');
  const typed = readEntry(litres, { name: 'The new tank', unit: units.volume, min: 5, max: 20000 });
  const newNetL = to ? netVolume(to).netL : typed.ok ? typed.value : null;
  const share = (text: string, name: string) => readEntry(text, { name, unit: null, min: 0, max: 100 });
  const keptShare = share(kept, 'Rock and media');
  const reusedShare = share(reused, 'Old water');
  const nitrate = lastOf(trusted(evidence.series.nitrate))?.interval.mid ?? null;
  const residents = useMemo(() => livingIn(doc, water.id), [doc, water.id]);
  const { standing, found } =
    there && isOfDisplay(there) ? targetOf(doc, there, localDay(now)) : { standing: null, found: [] };
  const company = newNetL === null ? null : companyAfter(doc, water, to ?? newNetL, localDay(now));
  const plan =
    newNetL !== null && keptShare.ok && reusedShare.ok
      ? movePlan({
          oldNetL: evidence.netL,
          newNetL,
          keptShare: keptShare.value / 100,
          reusedShare: reusedShare.value / 100,
          loadMgN: loadAt(evidence, now),
          carriesMgN: provedCapacity(evidence)?.nearZeroNowMgN ?? null,
          nitrate,
          standing,
        })
      : null;
  const title = (): string => {
    if (troubled) return 'Not today: the water needs you first';
    if (newNetL === null || company === null) return 'Into which tank?';
    if (plan === null) return 'How much comes along?';
    if (found.length > 0) return 'Not so: the water there is not clear';
    if (company.barred > 0) return `Not so: ${company.barred} of ${countOf(residents)} may not live there`;
    return BORNE_TITLES[plan.borne];
  };
  return (
    <Screen
      title="Move"
      aside={
        plan ? (
          <UpgradeDay
            from={water}
            to={to}
            residents={residents}
            bringsRock={keptShare.ok && keptShare.value > 0}
            testDays={plan.testDays}
            now={now}
            onMoved={onMoved}
          />
        ) : null
      }
    >
      <Txt kind="title" heading={1}>
        {title()}
      </Txt>
      {troubled?.living ? <WaterFirst waterId={troubled.waterId} held={troubled.living.reason} /> : null}
      {found.length > 0 ? (
        <Txt tone="ammonia">
          {`In its water, as last logged: ${listed(found)}. Nobody goes over before ammonia and nitrite both read zero.`}
        </Txt>
      ) : null}
      <Verdicts of={company?.no ?? []} />
      <Section title="What moves">
        {others.length > 0 ? (
          <Choice
            label="Into"
            stacked
            options={[
              { value: '', label: 'A tank not entered yet' },
              ...others.map((w) => ({ value: w.id, label: w.name })),
            ]}
            value={toId}
            onChange={setTo}
          />
        ) : null}
        {to ? null : (
          <TextField
            numeric
            label="The new tank holds, net"
            unit={unitLabel(units.volume)}
            value={litres}
            onChange={setLitres}
            error={litres === '' || typed.ok ? undefined : typed.message}
          />
        )}
        <FieldRow>
          <TextField
            numeric
            label="Rock and media"
            unit="%"
            value={kept}
            onChange={setKept}
            error={keptShare.ok ? undefined : keptShare.message}
          />
          {standing ? null : (
            <TextField
              numeric
              label="Old water again"
              unit="%"
              value={reused}
              onChange={setReused}
              error={reusedShare.ok ? undefined : reusedShare.message}
            />
          )}
        </FieldRow>
      </Section>
      {plan && newNetL !== null ? (
        <Figures plan={plan} animals={countOf(residents)} staysL={standing ? newNetL : null} />
      ) : (
        <Txt tone="second">
          {newNetL === null
            ? 'Choose the tank, or say how much it holds: the day is reckoned from it.'
            : 'Say how much comes along, from 0 to 100 %: the day is reckoned from it.'}
        </Txt>
      )}
    </Screen>
  );
}

/** Water, filter and ammonia of the day. @param staysL the new tank's own water, where it is filled already */
function Figures({ plan, animals, staysL }: { plan: MovePlan; animals: number; staysL: number | null }) {
  const { units } = useWords();
  const volume = (l: number) => showQuantity('volume', l, units, 0);
  return (
    <>
      <Line name="Animals that move" value={String(animals)} />
      {staysL !== null ? (
        <Line name="Its own water stays" value={volume(staysL)} />
      ) : (
        <>
          <Line name="Old water into the new tank" value={volume(plan.reusedL)} />
          <Line name="New salt water, made before" value={volume(plan.newWaterL)} />
        </>
      )}
      {plan.carriesMgN === null ? null : (
        <Line
          name="The filter carries after it"
          value={`${plan.carriesMgN.toFixed(1)} mg N a day; ${plan.loadMgN.toFixed(1)} are needed`}
          tone={plan.borne === 'littleFilter' ? 'ammonia' : undefined}
        />
      )}
      {plan.freeMgN === null || plan.totalMgN === null ? (
        <Txt kind="small" tone="second">
          Without a proof no ammonia is predicted: take all rock and media, and test from the first hour.
        </Txt>
      ) : (
        <Line
          name="Ammonia in two weeks, predicted"
          value={`at most ${plan.totalMgN.toFixed(2)} mg/L N, ${plan.freeMgN.toFixed(3)} free`}
          tone={plan.borne === 'yes' ? 'go' : 'ammonia'}
        />
      )}
      {plan.nitrate === null ? null : (
        <Line
          name="Nitrate after it"
          value={`${fromMgNPerL('nitrate', 'ion', plan.nitrate).toFixed(0)} mg/L NO₃`}
        />
      )}
      {plan.borne === 'littleFilter' || plan.borne === 'ammoniaRises' ? (
        <Txt tone="ammonia">
          More of the rock and media, or fewer animals on the day: the rest in steps, weeks apart.
        </Txt>
      ) : null}
    </>
  );
}

const countOf = (animals: readonly Animal[]): number => animals.reduce((n, a) => n + a.count, 0);

const BORNE_TITLES: Record<Borne, string> = {
  yes: 'It may be done in a day',
  littleFilter: 'Not so: too little of the filter comes along',
  ammoniaRises: 'Not so: ammonia would rise',
  notProved: 'Nothing proved: move it all',
};
