import { useState } from 'react';
import { handlingOf } from '../../../core/arrivals';
import { FOUND_IN_DIP, MAX_NAME, type Animal } from '../../../core/document';
import { speciesOf } from '../../../core/species';
import { MINUTE_MS } from '../../../core/time';
import { readEntry } from '../../../core/units';
import { dayAndHour, isoOf, useNow, type Outcome, useKinds } from '../../store';
import { Button, Check, FieldRow, Line, Row, Section, Txt, useChime } from '../../ui';
import { TextEntry, toggled, useEntryForm } from '../shell/form';
import { DipCaution } from '../shell/handling';
import { SaveButton } from '../shell/saving';

type Dip = NonNullable<Animal['dips']>[number];
type Found = Dip['found'][number];

const FOUND_WORDS: Record<Found, string> = {
  nothing: 'Nothing came off',
  worms: 'Worms',
  nudibranchs: 'Nudibranchs',
  crabs: 'Crabs',
  eggs: 'Eggs, which no dip kills: scrape them off',
  slime: 'Much slime',
};

const LIST = [
  'Look at it dry of glare, from all sides and at the base: eggs, spirals, bites, bare skeleton.',
  'Eggs and the plug it came on go: no dip kills eggs.',
  'Shake it in the dip, count what falls off, rinse it twice in clean salt water.',
  'Look again a week later: what hatched since shows then.',
];

interface DipTexts {
  product: string;
  minutes: string;
}

/** The look and the dip of a coral before it goes in: its list, a timer of the label's minutes, and what came off. */
export function CoralDip({
  animal,
  onPut,
}: {
  animal: Animal;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
}) {
  const kinds = useKinds();
  const dips = animal.dips ?? [];
  const last = dips[dips.length - 1];
  const running = last?.outAt === null ? last : null;
  const put = (label: string, next: Dip[]) => onPut(label, { ...animal, dips: next });
  const form = useEntryForm({
    start: (): DipTexts => ({ product: '', minutes: '' }),
    read: readDip,
    save: ({ product, minutes }) =>
      put('Dip begun', [
        ...dips,
        { at: isoOf(Date.now()), product, minutes, outAt: null, found: [], note: '' },
      ]),
    done: 'restart',
  });
  return (
    <Section title="Dip and look">
      <DipCaution toxin={handlingOf(speciesOf(kinds, animal.speciesId)).includes('toxin')} />
      {dips
        .filter((d) => d.outAt !== null)
        .map((d) => (
          <Line
            key={d.at}
            name={`${d.product}, ${dayAndHour(Date.parse(d.at))}`}
            value={d.found.map((f) => (FOUND_WORDS[f].split(',')[0] ?? '').toLowerCase()).join(', ')}
          />
        ))}
      {running ? (
        <Running
          key={running.at}
          dip={running}
          onOut={(found) =>
            void put('Out of the dip', [
              ...dips.slice(0, -1),
              { ...running, outAt: isoOf(Date.now()), found: found.length === 0 ? ['nothing'] : found },
            ])
          }
        />
      ) : (
        <>
          {LIST.map((line) => (
            <Txt key={line} kind="small">
              {line}
            </Txt>
          ))}
          <FieldRow>
            <TextEntry form={form} name="product" label="Dip, as its label has it" />
            <TextEntry form={form} name="minutes" numeric label="The label's time" unit="min" />
          </FieldRow>
          <SaveButton saving={form.saving} icon="keep" label="It goes in now" onPress={form.save} />
        </>
      )}
    </Section>
  );
}

/** The running dip: minutes left by the wall clock, a sound at the end, and what came off. */
function Running({ dip, onOut }: { dip: Dip; onOut: (found: Found[]) => void }) {
  const now = useNow(1000);
  const left = dip.minutes * MINUTE_MS - (now - Date.parse(dip.at));
  const over = left <= 0;
  useChime(over ? 1 : 0);
  const [found, setFound] = useState<Found[]>([]);
  const seconds = Math.max(0, Math.ceil(left / 1000));
  return (
    <>
      <Txt kind="number" live={over} tone={over ? 'ammonia' : 'ink'}>
        {over ? 'Take it out' : `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`}
      </Txt>
      <Txt kind="small" tone="second">{`${dip.product}: what came off?`}</Txt>
      <Row wrap>
        {FOUND_IN_DIP.filter((f) => f !== 'nothing').map((f) => (
          <Check
            key={f}
            label={FOUND_WORDS[f]}
            checked={found.includes(f)}
            onChange={(on) => setFound(toggled(found, f, on))}
          />
        ))}
      </Row>
      <Button kind="primary" label="It is out and rinsed" onPress={() => onOut(found)} />
    </>
  );
}

/** A dip as its label has it; nothing is proposed. */
function readDip(t: DipTexts) {
  const product = t.product.trim();
  const minutes = readEntry(t.minutes, { name: 'Minutes', unit: null, min: 0, max: 120, above: true });
  if (product !== '' && product.length <= MAX_NAME && minutes.ok)
    return { ok: true as const, product, minutes: minutes.value };
  return {
    ok: false as const,
    faults: {
      ...(product === '' || product.length > MAX_NAME
        ? { product: `Write what the label calls it, in ${MAX_NAME} characters at most.` }
        : {}),
      ...(minutes.ok ? {} : { minutes: minutes.message }),
    },
  };
}
