import { useState } from 'react';
import { type Animal } from '../../../core/document';
import { isDay } from '../../../core/time';
import { readEntry } from '../../../core/units';
import { localDay, shortWrittenDay, type Outcome } from '../../store';
import { FieldRow, Section, TextField, Txt } from '../../ui';
import { WhenField } from '../../ui/WhenField';
import { farQuestion } from './dayWords';

/** What the plan takes a wish for: its price, and days that are set already: a shop day, a gift. */
export function ForThePlan({
  animal,
  now,
  onPut,
}: {
  animal: Animal;
  now: number;
  onPut: (label: string, entity: Animal) => Promise<Outcome>;
}) {
  const { price, held } = animal.wish ?? {};
  const [text, setText] = useState(price === undefined ? '' : String(price));
  const read = readEntry(text, { name: 'Price', unit: null, min: 0, max: 1e6, whenEmpty: 0 });
  const today = localDay(now);
  const put = (patch: Partial<NonNullable<Animal['wish']>>) =>
    onPut('Wish changed', { ...animal, wish: { ...animal.wish, ...patch } });
  const setPrice = (next: number | undefined) => {
    if (next === price) return;
    const { price: _, ...rest } = animal.wish ?? {};
    void onPut('Wish changed', { ...animal, wish: next === undefined ? rest : { ...rest, price: next } });
  };
  const setBuy = (day: string) => {
    if (day === '') {
      const { held: _, ...rest } = animal.wish ?? {};
      void onPut('Day let go', { ...animal, wish: rest });
    } else if (isDay(day))
      void put({ held: { buyDay: day, quarantineId: held?.quarantineId ?? null, releaseDay: null } });
  };
  return (
    <Section title="For the plan">
      <FieldRow>
        <TextField
          label={animal.count > 1 ? 'Price of all of them' : 'Price'}
          numeric
          value={text}
          placeholder="May be left empty"
          error={read.ok ? undefined : read.message}
          onChange={setText}
          onBlur={() => {
            if (read.ok) setPrice(text.trim() === '' ? undefined : read.value);
          }}
        />
        <WhenField
          kind="date"
          label="Bought on, if that is set"
          value={held?.buyDay ?? ''}
          onChange={setBuy}
          error={
            held && held.buyDay < today
              ? 'That day has passed. Note the purchase under Stock, or choose a new day.'
              : null
          }
          question={farQuestion(held?.buyDay ?? '', today)}
        />
      </FieldRow>
      {held?.releaseDay ? (
        <Txt kind="small" tone="second">
          {`The day it is let in is set, too: ${shortWrittenDay(held.releaseDay)}. Let it go on the plan’s page.`}
        </Txt>
      ) : null}
    </Section>
  );
}
