import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { MINUTE_MS } from '../../../core/time';
import type { Water } from '../../../core/document';
import { waterHolds } from '../../../core/readiness';
import { showQuantity } from '../../../core/units';
import { selectAssessment, selectEvidence, selectVolume, useAppSelector, useNow } from '../../store';
import { Screen, Section, space, TARGET, TextField, Txt, useTheme, useWide, styleSheet } from '../../ui';
import { useUnits, WithWater } from '../shell';
import { WaterFirst } from '../shell/WaterFirst';
import { needsOf, TOOL_GROUPS, TOOLS } from '../../../core/bench';

export function BenchScreen() {
  return <WithWater>{(water) => <WaterBench water={water} />}</WithWater>;
}

function WaterBench({ water }: { water: Water }) {
  const units = useUnits();
  const volume = useAppSelector((s) => selectVolume(s, water.id));
  const litres = (x: number) => showQuantity('volume', x, units, 0);
  return (
    <Bench
      base={`/water/${water.id}`}
      lede={`Reckons with ${litres(volume.netL)} ± ${litres(volume.sdL)} of real water in ${water.name}, by ${volume.from}.`}
      water={water}
    />
  );
}

/** The bench without any tank. */
export function LoneBenchScreen() {
  return (
    <Bench
      base=""
      lede="Each tool works on its own; with a tank described it starts from your log and ends in it."
    />
  );
}

/** What this water needs now, with why. */
function NeededNow({ water, base }: { water: Water; base: string }) {
  const now = useNow(MINUTE_MS);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const needs = needsOf(water, evidence);
  const held = useAppSelector((s) => waterHolds(selectAssessment(s, water.id, now)));
  return needs.length === 0 && !held ? null : (
    <Section title="What it needs now">
      {held ? <WaterFirst waterId={water.id} held={held} /> : null}
      {needs.map(({ tool, why }) => {
        const t = TOOLS.find((x) => x.id === tool);
        return t ? <ToolLink key={tool} href={`${base}/bench/${tool}`} title={t.title} lede={why} /> : null;
      })}
    </Section>
  );
}

/** Found by any word of its title or of what it is for. */
const isFound = (t: { title: string; lede: string }, query: string): boolean =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => `${t.title} ${t.lede}`.toLowerCase().includes(word));

function Bench({ base, lede, water }: { base: string; lede: string; water?: Water }) {
  const wide = useWide();
  const now = useNow(MINUTE_MS);
  // With animals in nobody is led to a dose.
  const living = useAppSelector((s) => water !== undefined && selectEvidence(s, water.id, now).isInhabited);
  const [query, setQuery] = useState('');
  const searching = query.trim() !== '';
  const found = TOOLS.filter((t) => isFound(t, query.trim()));
  const groups = TOOL_GROUPS.map((g) => (
    <Section key={g.title} title={g.title}>
      {g.tools.map((t) => (
        <ToolLink key={t.id} href={`${base}/bench/${t.id}`} title={t.title} lede={t.lede} />
      ))}
    </Section>
  ));
  // The lists are of one kind: on a wide screen they stand in both columns, not one under the other.
  const here = wide ? Math.ceil(groups.length / 2) - (water ? 1 : 0) : groups.length;
  return (
    <Screen title="Bench" aside={wide && !searching ? groups.slice(here) : undefined}>
      <Txt kind="title" heading={1}>
        Bench
      </Txt>
      <TextField label="Find a calculator" value={query} onChange={setQuery} />
      {searching && found.length === 0 ? (
        <Txt tone="second">None of them. Try one word of what you want to know.</Txt>
      ) : null}
      {searching
        ? found.map((t) => (
            <ToolLink key={t.id} href={`${base}/bench/${t.id}`} title={t.title} lede={t.lede} />
          ))
        : null}
      {searching ? null : (
        <>
          <Txt tone="second">{lede}</Txt>
          {water ? <NeededNow water={water} base={base} /> : null}
          {water ? (
            <Section title={`For ${water.name}`}>
              {water.kind === 'display' ? (
                <ToolLink
                  href={`${base}/setup`}
                  title="Setting up"
                  lede="Before water and filling, point by point, dated."
                />
              ) : null}
              <ToolLink
                href={`${base}/equipment`}
                title="Equipment and consumables"
                lede="What, where, since when; service, settings, loans, money."
              />
              {water.kind === 'display' && !living ? (
                <ToolLink
                  href={`${base}/cycle/dose`}
                  title="Ammonia dose"
                  lede="From the bottle’s strength to millilitres and drops, with a counter."
                />
              ) : null}
              <ToolLink
                href="/kits"
                title="Kits and instruments"
                lede="Steps, basis, dates, calibrations: what every reading rests on."
              />
              {water.kind === 'display' ? (
                <ToolLink
                  href={`${base}/month`}
                  title="A month"
                  lede="What was used, spent, made and lost, and what drifts; one page."
                />
              ) : null}
              <ToolLink href="/glossary" title="Glossary" lede="Terms in one line, with their formula." />
            </Section>
          ) : null}
          {groups.slice(0, here)}
        </>
      )}
    </Screen>
  );
}

function ToolLink({ href, title, lede }: { href: string; title: string; lede: string }) {
  const { roles } = useTheme();
  return (
    <Link href={href as Href} style={[styles.tool, { borderColor: roles.hairline }]}>
      <View style={styles.inside}>
        <Txt kind="row">{title}</Txt>
        <Txt kind="small" tone="second">
          {lede}
        </Txt>
      </View>
    </Link>
  );
}

const styles = styleSheet({
  tool: { display: 'flex', borderBottomWidth: 1, minHeight: TARGET },
  inside: { flex: 1, paddingVertical: space(3), gap: 2 },
});
