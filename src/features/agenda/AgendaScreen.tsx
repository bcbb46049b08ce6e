import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { AgendaItem } from '../../../core/agenda';
import { addDays } from '../../../core/time';
import { agendaTitle, agendaWhy, GROUP_WORDS } from '../../../core/words/agenda';
import {
  commit,
  isoOf,
  selectDocument,
  selectWaters,
  shortDay,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
} from '../../store';
import {
  Button,
  Empty,
  Go,
  Row,
  Screen,
  Section,
  space,
  TextField,
  Txt,
  useTheme,
  useWide,
  styleSheet,
} from '../../ui';
import { useWords } from '../shell';
import { download } from '../shell/download';
import { QuietPlan } from '../shell/quietPlan';
import { calendarText } from './calendarFile';
import { agendaTitleWords, doingOf, firstThings, grouped, leftOut, putOff, quietSince } from './model';
import { NewTask } from './NewTask';
import { Reminding } from './Reminding';
import { SwitchedOff } from './SwitchedOff';
import { useAgenda } from './useAgenda';

/** Days ahead the page looks. */
const AHEAD_DAYS = 60;
/** Of what comes later so many are drawn. */
const LATER_SHOWN = 12;

/** Everything due over all waters: what cannot wait first, what can visibly after it. */
export function AgendaScreen() {
  const wide = useWide();
  const doc = useAppSelector(selectDocument);
  const { items, nowMs, today } = useAgenda(AHEAD_DAYS);
  const groups = grouped(items, today);
  const quiet = quietSince(doc, nowMs);
  const displays = useAppSelector(selectWaters).filter((w) => w.kind === 'display');
  const beside = (
    <>
      <NewTask today={today} />
      <SwitchedOff />
      <Absence />
      <ToCalendar items={items} today={today} nowMs={nowMs} />
      <Reminding />
    </>
  );
  if (Object.keys(doc.waters).length === 0)
    return (
      <Screen title="Agenda">
        <Empty title="Nothing to look after yet" text="With the first water its tests and tasks stand here.">
          <Go href="/water/new">Describe a tank</Go>
        </Empty>
      </Screen>
    );
  const lists =
    quiet === null
      ? groups.map(({ group, items: list }) => ({
          title: GROUP_WORDS[group],
          list,
          later: group === 'later',
        }))
      : afterQuiet(items);
  return (
    <Screen title="Agenda" aside={wide ? beside : undefined}>
      {displays.map((water) => (
        <QuietPlan key={water.id} water={water} />
      ))}
      <Txt kind="title" heading={1}>
        {quiet === null ? agendaTitleWords(groups) : 'Good to see you'}
      </Txt>
      {quiet === null ? null : (
        <Txt>{`The last entry is of ${shortDay(quiet)}. First how the water is; the rest can wait until that is known.`}</Txt>
      )}
      {lists.map(({ title, list, later }) => (
        <Section key={title} title={title}>
          {(later ? list.slice(0, LATER_SHOWN) : list).map((item) => (
            <Item key={item.key} item={item} today={today} quiet={quiet !== null} />
          ))}
          {later && list.length > LATER_SHOWN ? (
            <Txt
              kind="small"
              tone="second"
            >{`and ${list.length - LATER_SHOWN} more in the next ${AHEAD_DAYS} days`}</Txt>
          ) : null}
        </Section>
      ))}
      {wide ? null : beside}
    </Screen>
  );
}

function afterQuiet(items: readonly AgendaItem[]) {
  const { first, rest } = firstThings(items);
  return [
    ...(first.length > 0 ? [{ title: 'First', list: first, later: false }] : []),
    ...(rest.length > 0 ? [{ title: 'Then, as you come to it', list: rest, later: true }] : []),
  ];
}

/** One item: what, where, why, how it is done; more ways behind a button. */
function Item({ item, today, quiet }: { item: AgendaItem; today: string; quiet: boolean }) {
  const { roles } = useTheme();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const words = useWords();
  const doc = useAppSelector(selectDocument);
  const [more, setMore] = useState(false);
  const title = agendaTitle(item, doc, words);
  const why = agendaWhy(item, words);
  const water = item.waterId === null ? null : (doc.waters[item.waterId]?.name ?? null);
  const due =
    item.day === today
      ? null
      : item.day < today
        ? quiet
          ? null
          : `since ${shortWrittenDay(item.day)}`
        : shortWrittenDay(item.day);
  const doing = doingOf(doc, item, isoOf(Date.now()), today);
  const act = () => {
    if (doing.kind === 'go') router.push(doing.href as Href);
    else void dispatch(commit(`${title}: done`, doing.edits));
  };
  return (
    <View style={[styles.item, { borderColor: roles.hairline }]}>
      <View style={styles.row}>
        <View style={styles.text}>
          <Txt kind="row" tone={item.canWait ? 'second' : 'ink'}>
            {title}
          </Txt>
          <Txt kind="small" tone="second">
            {[water, due, item.canWait && item.day <= today ? 'can wait' : null].filter(Boolean).join(' · ')}
          </Txt>
          {why === '' ? null : <Txt kind="small">{why}</Txt>}
        </View>
        <View style={styles.acts}>
          <Button
            kind={item.canWait || item.day > today ? 'quiet' : 'outline'}
            label={doing.label}
            name={`${doing.label}: ${title}`}
            onPress={act}
          />
          <Button
            kind="quiet"
            label={more ? 'Less' : 'Later'}
            name={`${more ? 'Less' : 'Later'}: ${title}`}
            onPress={() => setMore(!more)}
          />
        </View>
      </View>
      {more ? <Later item={item} title={title} today={today} onDone={() => setMore(false)} /> : null}
    </View>
  );
}

const DELAYS = [
  { days: 1, label: 'Tomorrow' },
  { days: 3, label: 'In three days' },
  { days: 7, label: 'In a week' },
] as const;

/** Put off, or left out with a reason. */
function Later({
  item,
  title,
  today,
  onDone,
}: {
  item: AgendaItem;
  title: string;
  today: string;
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  const doc = useAppSelector(selectDocument);
  const [why, setWhy] = useState('');
  const [tried, setTried] = useState(false);
  const [fallback = ''] = Object.keys(doc.waters);
  const until = (days: number): string => isoOf(Date.parse(`${addDays(today, days)}T06:00:00`));
  return (
    <View style={styles.later}>
      {item.says.code === 'backOn' || item.says.code === 'actNow' ? (
        <Txt kind="small">This cannot be put off.</Txt>
      ) : (
        <>
          <Row wrap>
            {DELAYS.map(({ days, label }) => (
              <Button
                key={days}
                kind="quiet"
                label={label}
                name={`${label}: ${title}`}
                onPress={() =>
                  void dispatch(commit(`${title}: put off`, [putOff(item, until(days), fallback)]))
                }
              />
            ))}
          </Row>
          <TextField
            label="Why it is left out this time"
            value={why}
            onChange={setWhy}
            error={tried && why.trim() === '' ? 'Say why, in a word or two.' : null}
            maxLength={80}
          />
          <Row>
            <Button
              kind="quiet"
              label="Leave it out"
              name={`Leave it out: ${title}`}
              onPress={() => {
                setTried(true);
                if (why.trim() === '') return;
                void dispatch(
                  commit(`${title}: left out`, [
                    leftOut(item, isoOf(Date.now()), today, why.trim(), fallback),
                  ]),
                );
                onDone();
              }}
            />
          </Row>
        </>
      )}
    </View>
  );
}

/** Days nobody is there: said once, kept clear of everywhere. */
function Absence() {
  const displays = useAppSelector(selectWaters).filter((w) => w.kind === 'display');
  return displays.length === 0 ? null : (
    <Section title="While you are away">
      {displays.map((w) => (
        <Row key={w.id} wrap>
          <Go href={`/water/${w.id}/log/event?kind=away` as Href}>{`Away from ${w.name}`}</Go>
          <Go href={`/water/${w.id}/carer` as Href}>The note for whoever looks after it</Go>
        </Row>
      ))}
    </Section>
  );
}

/** The same for the person's own calendar. */
function ToCalendar({ items, today, nowMs }: { items: readonly AgendaItem[]; today: string; nowMs: number }) {
  const words = useWords();
  const doc = useAppSelector(selectDocument);
  return (
    <Section title="In your own calendar">
      <Txt kind="small" tone="second">
        A file with everything due in sixty days, each with a reminder at nine. Opened again later, it moves
        what has moved. Doses of ammonia are not in it: by their day somebody may live in the water.
      </Txt>
      <Row>
        <Button
          icon="exported"
          label="Calendar file"
          disabled={items.length === 0}
          onPress={() =>
            void calendarText(items, today, nowMs, doc, words).then((text) =>
              download(`zoarium-${today}.ics`, 'text/calendar', text),
            )
          }
        />
      </Row>
    </Section>
  );
}

const styles = styleSheet({
  item: { borderBottomWidth: 1, paddingVertical: space(3), gap: space(2) },
  row: { flexDirection: 'row', gap: space(3), justifyContent: 'space-between', alignItems: 'center' },
  text: { flexShrink: 1, gap: space(1) },
  acts: { alignItems: 'center', minWidth: 96 },
  later: { gap: space(2) },
});
