import { MINUTE_MS } from '../../../core/time';
import { memo, useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import { isNitrogen, type Kit, type Reading, parameterName } from '../../../core/document';
import type { Point } from '../../../core/evidence';
import { agoWords, selectSettings, useAppSelector, type SampleDraft } from '../../store';
import {
  Button,
  Check,
  chime,
  Choice,
  Mark,
  RADIUS,
  Row,
  space,
  TARGET,
  TextField,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { useUnits } from '../shell';
import { saidWords } from '../../../core/vial';
import { VialPanel } from './vial/VialPanel';
import {
  capital,
  kitDoubt,
  questionOf,
  readingWords,
  readNumberText,
  selectedSteps,
  shownValue,
  readingIn,
  slotOf,
  tapStep,
  typedUnit,
} from './sampleForm';

interface Props {
  kit: Kit;
  waterId: string;
  draft: SampleDraft;
  due: boolean;
  last: Point | undefined;
  fault: string | null;
  nitritePresent: boolean;
  now: number;
  /** A second reading of the parameter in the same sitting, by this kit. */
  second?: boolean;
  /** Stable from one drawing to the next; told how the draft of that moment changes. */
  onChange: (change: (draft: SampleDraft) => Partial<SampleDraft>) => void;
}

/** A row is drawn again only when something of its own parameter changed: a keystroke in one leaves the others alone. */
const sameRow = (a: Props, b: Props): boolean => {
  const p = b.kit.parameter;
  return (
    a.kit === b.kit &&
    a.waterId === b.waterId &&
    a.due === b.due &&
    a.last === b.last &&
    a.fault === b.fault &&
    a.nitritePresent === b.nitritePresent &&
    Math.floor(a.now / MINUTE_MS) === Math.floor(b.now / MINUTE_MS) &&
    a.onChange === b.onChange &&
    a.draft.also === b.draft.also &&
    readingIn(a.draft, a.kit, a.second === true) === readingIn(b.draft, b.kit, b.second === true) &&
    a.draft.texts[slotOf(a.kit, a.second === true)] === b.draft.texts[slotOf(b.kit, b.second === true)] &&
    a.draft.timers[p] === b.draft.timers[p] &&
    a.draft.doubted.includes(p) === b.draft.doubted.includes(p)
  );
};

/** One parameter of the sheet: name, last value, the kit's own steps or a number, and what to doubt. */
export const SampleRow = memo(function SampleRow({
  kit,
  draft,
  due,
  last,
  fault,
  nitritePresent,
  now,
  second = false,
  onChange,
}: Props) {
  const { roles } = useTheme();
  const units = useUnits();
  const p = kit.parameter;
  const kits = useAppSelector((s) => s.document.entities.kits);
  const others = Object.values(kits).filter((k) => k.parameter === p && (!k.archived || k.id === kit.id));
  const own = useAppSelector((s) => s.document.entities.ownParameters);
  const slot = slotOf(kit, second);
  const reading = readingIn(draft, kit, second);
  const text = draft.texts[slot] ?? '';
  const typed = kit.scale.kind === 'number' ? readNumberText(text, kit, units, own) : {};
  const value = kit.scale.kind === 'number' ? typed.value : reading?.value;
  const name = parameterName(p, own);
  const question = questionOf(value, kit, isNitrogen(p) ? undefined : last?.interval.mid);
  const doubted = draft.doubted.includes(p);
  const doubt = kitDoubt(kit, new Date(now).toISOString(), nitritePresent);
  const lastWords = last
    ? `last ${isNitrogen(p) ? last.text : shownValue({ kind: 'exact', value: last.interval.mid }, kit, units)} · ${agoWords(last.atMs, now)}`
    : 'never tested';

  const cards = useAppSelector((s) => s.document.entities.cards);
  const card = Object.values(cards).find((c) => c.kitId === kit.id);
  const [photographing, setPhotographing] = useState(false);
  const setReading = (next: Reading | null) =>
    onChange((d) => ({
      readings: [...d.readings.filter((r) => r !== readingIn(d, kit, second)), ...(next ? [next] : [])],
    }));
  const without = (d: SampleDraft) => {
    const texts = { ...d.texts };
    delete texts[slot];
    return { texts, readings: d.readings.filter((r) => r !== readingIn(d, kit, second)) };
  };
  // Steps of another kit mean other numbers: this row begins again, empty. Choosing a kit enters no value.
  const useKit = (kitId: string) => onChange((d) => ({ ...without(d), kits: { ...d.kits, [p]: kitId } }));
  const next = others.find((k) => k.id !== kit.id && !draft.also.includes(k.id));

  return (
    <View
      style={[
        styles.row,
        { borderColor: roles.hairline },
        due && value === undefined && { backgroundColor: roles.wash },
      ]}
    >
      <Row style={styles.between}>
        <Row style={styles.name}>
          {isNitrogen(p) ? <Mark of={p} size={18} /> : null}
          <Txt kind="section" heading={2} tone={isNitrogen(p) ? p : 'ink'}>
            {second ? `${capital(name)}, ${kit.name}` : capital(name)}
          </Txt>
        </Row>
        <Txt kind="small" tone="second" style={styles.right}>
          {lastWords}
        </Txt>
      </Row>
      {kit.scale.kind === 'steps' ? (
        <View role="group" aria-label={`${name}, ${typedUnit(kit, units, own).label}`} style={styles.steps}>
          {kit.scale.steps.map((step, i) => {
            const picked = selectedSteps(kit, reading?.value);
            const on = picked.includes(i);
            const between = on && picked.length === 2;
            const top = kit.scale.kind === 'steps' && kit.scale.topOpen && i === kit.scale.steps.length - 1;
            return (
              <Pressable
                key={step}
                role="button"
                aria-pressed={on}
                aria-label={`${name} ${step}${top ? '+' : ''}`}
                onPress={() => {
                  const next = tapStep(kit, reading?.value, i);
                  setReading(next ? { ...reading, parameter: p, kitId: kit.id, value: next } : null);
                }}
                style={[
                  styles.step,
                  {
                    borderColor: on ? roles.ink : roles.edge,
                    backgroundColor: on && !between ? roles.ink : 'transparent',
                    borderStyle: between ? 'dashed' : 'solid',
                    borderWidth: between ? 2.5 : 1.5,
                  },
                ]}
              >
                <Txt kind="row" tone={on && !between ? 'ground' : 'ink'}>{`${step}${top ? '+' : ''}`}</Txt>
              </Pressable>
            );
          })}
        </View>
      ) : (
        <TextField
          big
          numeric
          label={kit.name}
          unit={typedUnit(kit, units, own).label}
          value={text}
          onChange={(next) => onChange((d) => ({ texts: { ...d.texts, [slot]: next.slice(0, 60) } }))}
          error={fault}
          question={question?.text ?? null}
          hint={
            value?.kind === 'repeats'
              ? `Mean of ${value.values.length}: ${shownValue(value, kit, units)}`
              : undefined
          }
        />
      )}
      <Row style={styles.between} wrap>
        {kit.scale.kind === 'steps' ? (
          <Txt kind="small" tone={reading ? 'ink' : 'second'} style={styles.shrink}>
            {reading
              ? readingWords(reading, kit, units, own)
              : `${typedUnit(kit, units, own).label} · two neighbours make “between”`}
          </Txt>
        ) : null}
        {kit.waitMinutes !== null && !reading ? (
          <Timer
            minutes={kit.waitMinutes}
            name={name}
            endMs={draft.timers[p] ?? null}
            onSet={(endMs) =>
              onChange((d) => {
                const timers = { ...d.timers };
                if (endMs === null) delete timers[p];
                else timers[p] = endMs;
                return { timers };
              })
            }
          />
        ) : null}
      </Row>
      {reading?.photo ? (
        <Txt kind="small" tone="second">{`A photo said ${saidWords(reading.photo)}.`}</Txt>
      ) : null}
      {card && photographing ? (
        <VialPanel
          kit={kit}
          card={card}
          unit={typedUnit(kit, units, own).label}
          own={reading}
          ownWords={reading ? readingWords(reading, kit, units, own) : ''}
          onTake={(value, photo) => {
            setReading({ ...reading, parameter: p, kitId: kit.id, value, photo });
            setPhotographing(false);
          }}
          onClose={() => setPhotographing(false)}
        />
      ) : card ? (
        <Button
          kind="quiet"
          label="By a photo, against your card"
          name={`By a photo, against your card: ${name}`}
          onPress={() => setPhotographing(true)}
        />
      ) : null}
      {kit.scale.kind === 'steps' && question ? (
        <Txt kind="small" tone="nitrite" live>
          {question.text}
        </Txt>
      ) : null}
      {question?.jump || doubted ? (
        <Check
          label="Keep it, do not trust it"
          name={`Keep it, do not trust it: ${name}`}
          checked={doubted}
          onChange={(on) =>
            onChange((d) => ({ doubted: on ? [...d.doubted, p] : d.doubted.filter((x) => x !== p) }))
          }
        />
      ) : null}
      {kit.scale.kind === 'number' && value !== undefined && !text.includes('/') ? (
        <Button
          kind="quiet"
          label="Repeat it"
          name={`Repeat it: ${name}`}
          onPress={() => onChange((d) => ({ texts: { ...d.texts, [slot]: `${text.trim()} / ` } }))}
        />
      ) : null}
      {doubt ? (
        <Txt kind="small" tone={doubt.startsWith('This kit') ? 'ammonia' : 'second'}>
          {doubt}
        </Txt>
      ) : null}
      {others.length > 1 && !second ? (
        <Choice
          label="Read with"
          options={others.map((k) => ({ value: k.id, label: k.name }))}
          value={kit.id}
          onChange={useKit}
        />
      ) : null}
      {next && !second && value !== undefined ? (
        <Button
          kind="quiet"
          label={`Read it with ${next.name} as well`}
          onPress={() => onChange((d) => ({ also: [...d.also, next.id] }))}
        />
      ) : null}
      {second ? (
        <Button
          kind="quiet"
          label="Leave this one out"
          name={`Leave ${kit.name} out`}
          onPress={() => onChange((d) => ({ ...without(d), also: d.also.filter((id) => id !== kit.id) }))}
        />
      ) : null}
    </View>
  );
}, sameRow);

/** A reagent's wait: the end is remembered, so it survives a reload. */
function Timer({
  minutes,
  name,
  endMs,
  onSet,
}: {
  minutes: number;
  name: string;
  endMs: number | null;
  onSet: (endMs: number | null) => void;
}) {
  const { roles } = useTheme();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (endMs === null) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [endMs]);
  const sound = useAppSelector((s) => selectSettings(s).timerSound === true);
  const rung = endMs !== null && now >= endMs;
  const waited = useRef(false);
  useEffect(() => {
    // Only a wait that ended while it was watched rings: not one that ended before the page opened.
    if (rung && waited.current && sound) chime();
    waited.current = endMs !== null && !rung;
  }, [rung, endMs, sound]);
  if (endMs === null)
    return (
      <Button
        kind="quiet"
        label={`Wait ${minutes} min`}
        name={`Wait ${minutes} min for ${name}`}
        onPress={() => onSet(Date.now() + minutes * MINUTE_MS)}
      />
    );
  const left = Math.min(minutes * MINUTE_MS, Math.max(0, endMs - now));
  const done = left === 0;
  const share = 1 - left / (minutes * MINUTE_MS);
  return (
    <View style={styles.timer}>
      <Row style={styles.between}>
        <Txt kind="strong" tone={done ? 'action' : 'ink'}>
          {done
            ? 'Read it now'
            : `${Math.floor(left / MINUTE_MS)}:${String(Math.floor((left % MINUTE_MS) / 1000)).padStart(2, '0')} of ${minutes}:00`}
        </Txt>
        <Button kind="quiet" label="Stop" name={`Stop waiting for ${name}`} onPress={() => onSet(null)} />
      </Row>
      <View style={[styles.track, { backgroundColor: roles.hairline }]}>
        <View
          style={[styles.bar, { backgroundColor: roles.nitrate, width: `${Math.min(100, share * 100)}%` }]}
        />
      </View>
    </View>
  );
}

const styles = styleSheet({
  row: {
    borderBottomWidth: 1,
    paddingVertical: space(3),
    gap: space(2),
    marginHorizontal: -space(5),
    paddingHorizontal: space(5),
  },
  between: { justifyContent: 'space-between' },
  name: { gap: space(2), flexShrink: 0 },
  right: { textAlign: 'right', flexShrink: 1 },
  steps: { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) },
  step: {
    flexGrow: 1,
    flexBasis: 46,
    minHeight: TARGET + 6,
    borderRadius: RADIUS,
    alignItems: 'center',
    justifyContent: 'center',
  },
  shrink: { flexShrink: 1 },
  timer: { flexGrow: 1, gap: space(1) },
  track: { height: 8, borderRadius: 4, overflow: 'hidden' },
  bar: { height: 8 },
});
