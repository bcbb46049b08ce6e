import { useWords } from '../shell';
import { sentence } from '../../../core/words';
import { MINUTE_MS } from '../../../core/time';
import { useMemo } from 'react';
import type { Display } from '../../../core/document';
import { nitrogenLedger } from '../../../core/nitrogen';
import { formatDecimal } from '../../../core/units';
import { selectEvidence, selectVolume, useAppSelector, useNow } from '../../store';
import { Caution, Line, Section, Txt } from '../../ui';

/** Nitrogen in against nitrogen found, the likeliest causes of a gap, and what it does to alkalinity. */
export function LedgerPanel({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const words = useWords();
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const volume = useAppSelector((s) => selectVolume(s, water.id));
  const l = useMemo(() => nitrogenLedger(evidence, volume.sdL / volume.netL), [evidence, volume]);
  const mg = (x: number) => `${x.toFixed(0)} mg N`;
  const k = l.alkalinity;
  const days = (d: number | null) =>
    d === null ? 'not at this pace' : d === 0 ? 'already' : `in about ${d.toFixed(0)} days`;
  return (
    <>
      <Section title="The ledger">
        {l.verdict === 'nothingYet' ? (
          <Txt tone="second">It opens with the first dose or food and a sitting of ammonia and nitrite.</Txt>
        ) : (
          <>
            {l.given.ammonia > 0 ? <Line name="Ammonia dosed" value={mg(l.given.ammonia)} /> : null}
            {l.given.food > 0 ? <Line name="In food" value={mg(l.given.food)} /> : null}
            {l.given.seafood > 0 ? <Line name="In seafood" value={mg(l.given.seafood)} /> : null}
            {l.takenByChanges > 0.5 ? (
              <Line name="Not rotted yet, or taken by changes" value={mg(l.takenByChanges)} />
            ) : null}
            <Line name="Should be there" value={mg(l.putIn)} />
            <Line name="Found" value={`${mg(l.found.total)} ± ${l.gapSd.toFixed(0)}`} />
            <Txt kind="strong" tone={l.verdict === 'fits' ? 'go' : 'nitrite'}>
              {l.verdict === 'fits'
                ? 'It adds up, as far as kits can tell.'
                : l.verdict === 'missing'
                  ? `${mg(l.gap)} are missing. Likely, best first:`
                  : `${mg(-l.gap)} too much. Likely, best first:`}
            </Txt>
            {l.causes.slice(0, 4).map((c, i) => (
              <Txt key={c.says.code} kind="small">{`${i + 1}. ${sentence(c.says, words)}`}</Txt>
            ))}
          </>
        )}
      </Section>
      {k.now !== null ? (
        <Section title="Alkalinity in the account">
          <Line name="Now" value={`${formatDecimal(k.now, 1)} dKH`} />
          <Line
            name="Fall the bacteria explain"
            value={`${formatDecimal(k.expectedFall, 1)} dKH${k.measuredFall === null ? '' : `, measured ${formatDecimal(k.measuredFall, 1)}`}`}
          />
          <Line name="Under 7 dKH" value={days(k.daysTo7)} />
          <Line name="Under 5 dKH" value={days(k.daysTo5)} />
          {k.bicarbonateG !== null ? (
            <Line
              name="To 8.5 dKH"
              value={`${formatDecimal(k.bicarbonateG, 0)} g baking soda, at most 1 dKH a day with animals`}
            />
          ) : null}
          {k.bicarbonateG !== null ? (
            <Caution>Dissolve it first and add it slowly, in flow. Follow the label of what you use.</Caution>
          ) : null}
          <Txt kind="small" tone="second">
            0.400 dKH for each mg N/L turned into nitrite. Doses and changes are taken out of both; new water
            is taken to bring 8.5 dKH.
          </Txt>
        </Section>
      ) : null}
    </>
  );
}
