import { useState } from 'react';
import type { Href } from 'expo-router';
import type { Display } from '../../../core/document';
import { animalMoney, jumpersWithoutLid, monthMoney, setUpMoney } from '../../../core/money';
import { choicesOf } from '../../../core/planner';
import { MINUTE_MS } from '../../../core/time';
import { readEntry, showQuantity } from '../../../core/units';
import { animalWords } from '../../../core/words';
import {
  commit,
  localDay,
  selectDocument,
  selectVolume,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Go, Line, Screen, Section, TextField, Txt } from '../../ui';
import { useUnits, WithDisplay } from '../shell';

export function MoneyScreen() {
  return <WithDisplay>{(water) => <Money water={water} />}</WithDisplay>;
}

const monthOf = (ms: number): string => localDay(ms).slice(0, 7);
/** "521.00, and 1 without a price". */
const besides = (amount: number, unpriced: number): string =>
  unpriced > 0 ? `${amount.toFixed(2)}, and ${unpriced} without a price` : amount.toFixed(2);
const sum = (amount: number | null): string => (amount === null ? 'price not said' : amount.toFixed(2));

/** What the animals cost, and a month of running the tank. */
function Money({ water }: { water: Display }) {
  const now = useNow(10 * MINUTE_MS);
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const animals = animalMoney(doc, water, now, monthOf);
  const month = monthMoney(doc, water, netL, now);
  const setUp = setUpMoney(doc, water);
  const { setUpLimit, monthLimit } = water.costs ?? NOT_SAID;
  const { budget } = choicesOf(water);
  const known = month.stated + (month.current ?? 0) + (month.salt ?? 0) + (month.tests ?? 0);
  const isSaid = month.stated > 0 || [month.current, month.salt, month.tests].some((sum) => sum !== null);
  const jumpers = jumpersWithoutLid(doc, water);
  const names = jumpers.ids.flatMap((id) => (doc.animals[id] ? [animalWords(doc, doc.animals[id])] : []));
  return (
    <Screen title="Money" aside={<Prices water={water} />}>
      <Txt kind="title" heading={1}>
        {isSaid ? `About ${known.toFixed(0)} a month` : 'No price is said yet'}
      </Txt>
      <Txt kind="small" tone="second">
        {isSaid
          ? 'Running it, as far as prices are said; in your own currency.'
          : 'Say what current, salt and tests cost, and what running it costs is told here; in your own currency.'}
      </Txt>
      <Against limit={monthLimit} spent={known} what="a month" />
      <Section title="Put in so far">
        <Line name="Equipment" value={besides(setUp.equipment, setUp.unpriced)} />
        <Line name="Animals" value={besides(setUp.animals, animals.spentUnpriced)} />
        <Line name="In all" value={setUp.all.toFixed(2)} />
        <Against limit={setUpLimit} spent={setUp.all} what="set aside in all" />
        {setUpLimit !== undefined && setUp.all <= setUpLimit && setUp.all + animals.wished > setUpLimit ? (
          <Txt tone="nitrite">
            {`With all that is wished for it would be ${(setUp.all + animals.wished - setUpLimit).toFixed(2)} over.`}
          </Txt>
        ) : null}
      </Section>
      <Section title="A month">
        <Line name="Current" value={sum(month.current)} />
        <Line name="Stated with the equipment" value={sum(month.stated)} />
        <Line
          name={`Salt for ${showQuantity('volume', month.changedL, units, 0)} changed`}
          value={month.changedL === 0 ? '0.00' : sum(month.salt)}
        />
        <Line name="Tests" value={sum(month.tests)} />
        <Txt kind="small" tone="second">
          Watts are reckoned as if they ran all day; heat for the coldest months costs more.
        </Txt>
        <Go href={`/water/${water.id}/equipment` as Href}>Equipment</Go>
      </Section>
      <Section title="Animals">
        <Line name="Spent so far" value={besides(animals.spent, animals.spentUnpriced)} />
        <Line
          name="This month"
          value={`${animals.spentThisMonth.toFixed(2)}${budget === null ? '' : ` of ${budget.toFixed(2)}`}`}
        />
        <Line name="Wished for" value={besides(animals.wished, animals.unpriced)} />
        {budget !== null && animals.spentThisMonth > budget ? (
          <Txt tone="nitrite">The month’s budget is spent.</Txt>
        ) : null}
      </Section>
      {names.length > 0 ? (
        <Section title="The lid beside the fish">
          <Txt tone="ammonia">
            {`No lid is noted, and these jump: ${names.join(', ')}${jumpers.worth > 0 ? `, together worth ${jumpers.worth.toFixed(0)}` : ''}. A net over the tank costs less than most of them once.`}
          </Txt>
        </Section>
      ) : null}
    </Screen>
  );
}

/** What is left of a limit, or over it; nothing where none is said. */
function Against({ limit, spent, what }: { limit: number | undefined; spent: number; what: string }) {
  if (limit === undefined) return null;
  const by = Math.abs(limit - spent).toFixed(2);
  return (
    <Txt tone={spent > limit ? 'nitrite' : 'go'}>
      {spent > limit
        ? `${by} over the ${limit.toFixed(2)} ${what}.`
        : `${by} left of the ${limit.toFixed(2)} ${what}.`}
    </Txt>
  );
}

type Costs = NonNullable<Display['costs']>;
const NOT_SAID: Costs = { perKWh: null, saltPerKg: null, testsAMonth: null };

function Prices({ water }: { water: Display }) {
  const dispatch = useAppDispatch();
  const costs = water.costs ?? NOT_SAID;
  const put = (patch: Partial<Costs>) =>
    void dispatch(
      commit('Prices noted', [{ put: 'waters', entity: { ...water, costs: { ...costs, ...patch } } }]),
    );
  return (
    <>
      <Txt kind="section" heading={2}>
        Prices
      </Txt>
      <Price label="Current" unit="a kWh" value={costs.perKWh} onValue={(perKWh) => put({ perKWh })} />
      <Price label="Salt" unit="a kg" value={costs.saltPerKg} onValue={(saltPerKg) => put({ saltPerKg })} />
      <Price
        label="Test kits"
        unit="a month"
        value={costs.testsAMonth}
        onValue={(testsAMonth) => put({ testsAMonth })}
      />
      <Txt kind="small" tone="second">
        Left empty, it is left out of the sum.
      </Txt>
      <Txt kind="section" heading={2}>
        Not more than
      </Txt>
      <Price
        label="Setting up, in all"
        unit=""
        max={1e7}
        value={costs.setUpLimit ?? null}
        onValue={(limit) => put({ setUpLimit: limit ?? undefined })}
      />
      <Price
        label="Running it"
        unit="a month"
        max={1e6}
        value={costs.monthLimit ?? null}
        onValue={(limit) => put({ monthLimit: limit ?? undefined })}
      />
    </>
  );
}

function Price({
  label,
  unit,
  value,
  max = 1000,
  onValue,
}: {
  label: string;
  unit: string;
  max?: number;
  value: number | null;
  onValue: (value: number | null) => void;
}) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const empty = text.trim() === '';
  const read = readEntry(text, { name: label, unit: null, min: 0, max, whenEmpty: 0 });
  return (
    <TextField
      numeric
      label={label}
      unit={unit}
      value={text}
      onChange={setText}
      error={read.ok ? undefined : read.message}
      onBlur={() => {
        const next = empty ? null : read.ok ? read.value : value;
        if (next !== value) onValue(next);
      }}
    />
  );
}
