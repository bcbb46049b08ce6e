import { useState } from 'react';
import { View } from 'react-native';
import { asWanted, placeOf, type Display } from '../../../core/document';
import { choicesOf, type PlanChoices, type Planned } from '../../../core/planner';
import { weekStart } from '../../../core/time';
import { animalWords, listed } from '../../../core/words';
import { commit, language, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { Button, Check, Choice, Row, Section, space, styleSheet, TextField, Txt } from '../../ui';
import { Sortable } from '../../ui/Sortable';
import { toggled } from '../shell/form';
import { editsToOrder, readBudget } from './planModel';

const WEEK = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
/** In the order of the person's language. */
const DAYS = WEEK.map((_, i) => (weekStart(language()) + i) % 7);
const LOOKS = [7, 4, 3, 2] as const;

/** What the plan reckons with, each kept with the tank as soon as it is said. */
export function PlanChoicesPart({ water, planned }: { water: Display; planned: Planned }) {
  const dispatch = useAppDispatch();
  const choices = choicesOf(water);
  const put = (patch: Partial<PlanChoices>) =>
    void dispatch(
      commit('Plan: what it reckons with', [
        { put: 'waters', entity: { ...water, stocking: { ...choices, ...patch } } },
      ]),
    );
  return (
    <>
      <Txt kind="section" heading={2}>
        What it reckons with
      </Txt>
      <Choice
        label="Dates of the start"
        options={[
          { value: 'likely', label: 'Likely' },
          { value: 'cautious', label: 'Cautious' },
        ]}
        value={choices.which}
        onChange={(which) => put({ which })}
      />
      <View role="group" aria-label="Days with a shop">
        <Txt kind="label" tone="second">
          Days with a shop
        </Txt>
        <Row wrap style={styles.days}>
          {DAYS.map((day) => (
            <Check
              key={day}
              label={WEEK[day] ?? ''}
              checked={choices.shopDays.includes(day)}
              onChange={(on) => put({ shopDays: toggled(choices.shopDays, day, on) })}
            />
          ))}
        </Row>
        <Txt kind="small" tone="second">
          None chosen is any day.
        </Txt>
      </View>
      <Choice
        label="Looks at a quarantine a week"
        options={LOOKS.map((n) => ({ value: String(n), label: n === 7 ? 'Daily' : String(n) }))}
        value={String(choices.looksAWeek)}
        onChange={(n) => put({ looksAWeek: Number(n) })}
      />
      {choices.looksAWeek < 7 ? (
        <Txt kind="small" tone="second">
          Fewer looks see less: the days in quarantine grow in proportion.
        </Txt>
      ) : null}
      <Budget budget={choices.budget} onBudget={(budget) => put({ budget })} />
      {choices.budget === null ? null : <Unpriced planned={planned} />}
      <Direct why={choices.direct} onWhy={(direct) => put({ direct })} />
      <Order planned={planned} />
    </>
  );
}

function Budget({ budget, onBudget }: { budget: number | null; onBudget: (budget: number | null) => void }) {
  const [text, setText] = useState(budget === null ? '' : String(budget));
  const read = readBudget(text);
  return (
    <>
      <TextField
        label="Budget a month, for animals"
        numeric
        value={text}
        placeholder="No limit"
        error={read.ok ? undefined : read.message}
        onChange={setText}
        onBlur={() => {
          if (read.ok && read.budget !== budget) onBudget(read.budget);
        }}
      />
      {budget === 0 ? (
        <Txt kind="small" tone="nitrite">
          With nothing to spend only what costs nothing is planned.
        </Txt>
      ) : null}
    </>
  );
}

/** Wishes that a budget lets through unseen: nothing says what they cost. */
function Unpriced({ planned }: { planned: Planned }) {
  const doc = useAppSelector(selectDocument);
  const names = planned.animals
    .filter((a) => placeOf(a).kind === 'wish' && a.wish?.price === undefined)
    .map((a) => animalWords(doc, a));
  if (names.length === 0) return null;
  return (
    <Txt kind="small" tone="nitrite">
      {`No price is said for ${listed(names)}: counted as costing nothing. Prices are on each wish’s page.`}
    </Txt>
  );
}

/** Cleaners and corals without a quarantine: a risk, taken for a reason that is kept. */
function Direct({ why, onWhy }: { why: string | null; onWhy: (why: string | null) => void }) {
  const [asked, setAsked] = useState(false);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  return (
    <>
      <Check
        label="Cleaners and corals without a quarantine of their own"
        note="What lives on them comes along."
        checked={why !== null || asked}
        onChange={(on) => {
          setAsked(on);
          if (!on) onWhy(null);
        }}
      />
      {why !== null ? <Txt kind="small" tone="second">{`Because: ${why}`}</Txt> : null}
      {asked && why === null ? (
        <>
          <TextField
            label="Why the risk is taken"
            value={text}
            error={tried && text.trim() === '' ? 'Say why, in a word: it is kept with the tank.' : null}
            onChange={setText}
          />
          <Row>
            <Button
              label="Plan it so"
              onPress={() => {
                setTried(true);
                if (text.trim() !== '') onWhy(text.trim());
              }}
            />
          </Row>
        </>
      ) : null}
    </>
  );
}

/** Wishes in the order they are wanted: where not all can come, the first do. */
function Order({ planned }: { planned: Planned }) {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const wishes = asWanted(planned.animals.filter((a) => placeOf(a).kind === 'wish'));
  if (wishes.length < 2) return null;
  const ranked = wishes.filter((a) => a.wish?.priority !== undefined).length;
  return (
    <Section title="Wanted most">
      <Sortable
        items={wishes.map((a, i) => ({
          id: a.id,
          label: animalWords(doc, a),
          ...(i < ranked ? { rank: i + 1 } : {}),
          ...(a.wish?.held ? { note: 'days set' } : {}),
        }))}
        onOrder={(ids) => void dispatch(commit('Order of the wishes', editsToOrder(doc, ids)))}
      />
      <Txt kind="small" tone="second">
        {`Drag, or space and arrows. ${orderWords(ranked, wishes.length)}`}
      </Txt>
    </Section>
  );
}

/** @param ranked so many of all wishes have a place in the order */
function orderWords(ranked: number, all: number): string {
  if (ranked === 0)
    return 'As yet all are wanted alike, and as many come as can; once in order, the first do.';
  return `Where not all can come, the first do${ranked < all ? '; those without a number are wanted last, all alike' : ''}.`;
}

const styles = styleSheet({
  // A name stands nearer to its own box than to the next.
  days: { columnGap: space(5), rowGap: 0 },
});
