import { useMemo, useState } from 'react';
import type { Href } from 'expo-router';
import {
  companyOf,
  fewestToGo,
  findingsOf,
  membersOf,
  tankOf,
  without,
  type Finding,
  type Member,
} from '../../../core/company';
import type { Display } from '../../../core/document';
import { MINUTE_MS } from '../../../core/time';
import { animalWords, sentence } from '../../../core/words';
import { severityWord, SOURCE_WORDS } from '../../../core/words/company';
import { localDay, selectDocument, selectEvidence, useAppSelector, useNow } from '../../store';
import { Check, Empty, Go, Screen, Section, Txt } from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { toneOfGravity, Verdicts } from '../shell/company';
import { toggled } from '../shell/form';

export function CompanyScreen() {
  return <WithDisplay>{(water) => <Company water={water} />}</WithDisplay>;
}

const STAGE_WORDS: Record<Member['stage'], string> = {
  here: 'at home',
  coming: 'on its way',
  wish: 'wished for',
};

/** Who lives with whom: everybody at home, on the way and wished for; what speaks against it, and what going without some would change. */
function Company({ water }: { water: Display }) {
  const now = useNow(10 * MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const [out, setOut] = useState<string[]>([]);
  const tank = useMemo(() => tankOf(evidence, localDay), [evidence]);
  const members = useMemo(
    () => membersOf(doc, water).sort((a, b) => a.species.common.localeCompare(b.species.common)),
    [doc, water],
  );
  const found = useMemo(() => companyOf(tank, members), [tank, members]);
  const fewest = useMemo(() => fewestToGo(tank, members), [tank, members]);
  const tried = useMemo(() => without(tank, members, new Set(out)), [tank, members, out]);
  const nameOf = (id: string) => (doc.animals[id] ? animalWords(doc, doc.animals[id]) : '');
  const shown = out.length > 0 ? tried.stays : found;
  const lasting = shown.filter((f) => f.severity === 'no' && f.lasting);
  // Whoever comes on no day goes neither before nor after another.
  const never = lasting.flatMap(({ ids }) => (ids.length === 1 ? ids : []));
  const isIdle = ({ says, ids }: Finding) =>
    says.code === 'firstThen' && ids.some((id) => never.includes(id));
  if (members.length === 0)
    return (
      <Screen title="Company">
        <Empty alone title="Nobody yet" text="Wish for animals, and see here whether they may live together.">
          <Go href={`/water/${water.id}/stock/species` as Href}>Find an animal</Go>
        </Empty>
      </Screen>
    );
  return (
    <Screen
      title="Company"
      aside={
        <WhatIf members={members} found={found} nameOf={nameOf} out={out} gone={tried.gone} onOut={setOut} />
      }
    >
      <Txt kind="title" heading={1}>
        {lasting.length === 0 ? 'They may live together' : 'Not all of them together'}
      </Txt>
      <Fewest fewest={fewest} nameOf={nameOf} />
      <Group title="No day is right for this" of={lasting} />
      <Group title="Not yet" of={shown.filter((f) => f.severity === 'no' && !f.lasting)} />
      <Group title="Only if" of={shown.filter((f) => f.severity === 'onlyIf')} />
      <Group title="To be minded" of={shown.filter((f) => f.severity === 'note' && !isIdle(f))} />
      {shown.length === 0 ? <Txt tone="go">Nothing speaks against any of them.</Txt> : null}
      <Txt kind="small" tone="second">
        {`From ${SOURCE_WORDS.fieldGuide} and what ${SOURCE_WORDS.tradePractice} agree on: single animals differ. Watch each newcomer for an hour, and again in the first night.`}
      </Txt>
    </Screen>
  );
}

function Fewest({ fewest, nameOf }: { fewest: string[] | null; nameOf: (id: string) => string }) {
  if (fewest === null) return <Txt>More than a handful would have to go before the rest fits.</Txt>;
  if (fewest.length === 0) return null;
  return (
    <Txt>
      {`The fewest without whom the rest fits: ${fewest.map(nameOf).join(', ')}. Of a pair that clashes, the one not bought yet.`}
    </Txt>
  );
}

function Group({ title, of }: { title: string; of: readonly Finding[] }) {
  return of.length === 0 ? null : (
    <Section title={title}>
      <Verdicts of={of} graded />
    </Section>
  );
}

/** Everybody with a box: taken out, what goes and what stays is said at once. Nothing is logged. */
function WhatIf({
  members,
  found,
  nameOf,
  out,
  gone,
  onOut,
}: {
  members: readonly Member[];
  found: readonly Finding[];
  nameOf: (id: string) => string;
  out: readonly string[];
  gone: readonly Finding[];
  onOut: (out: string[]) => void;
}) {
  const words = useWords();
  return (
    <>
      <Txt kind="section" heading={2}>
        And without …
      </Txt>
      <Txt kind="small" tone="second">
        Only a thought: nothing is logged.
      </Txt>
      {members.map((m) => {
        const gravest = findingsOf(found, m.id)[0];
        return (
          <Check
            key={m.id}
            label={nameOf(m.id)}
            note={`${STAGE_WORDS[m.stage]}${gravest && gravest.severity !== 'note' ? ` · ${severityWord(gravest).toLowerCase()}` : ''}`}
            checked={out.includes(m.id)}
            onChange={(on) => onOut(toggled(out, m.id, on))}
          />
        );
      })}
      {out.length > 0 && gone.length === 0 ? <Txt>Nothing would change.</Txt> : null}
      {gone.length > 0 ? (
        <Section title="That would be gone">
          {[...new Map(gone.map((f) => [sentence(f.says, words), f]))].map(([text, f]) => (
            <Txt key={text} tone={toneOfGravity(f)}>
              {text}
            </Txt>
          ))}
        </Section>
      ) : null}
    </>
  );
}
