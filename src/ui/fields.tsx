import { useId, useRef, useState, type ReactNode } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { focusedRadio, onKey, radioAfter, radiosOf } from './keys';
import { useTheme } from './theme';
import { FONTS, RADIUS, space, TARGET, TYPE } from './tokens';
import { Txt } from './Txt';
import { styleSheet } from './styleSheet';

interface FieldFrameProps {
  id: string;
  label: string;
  hint?: string;
  error?: string | null;
  question?: string | null;
  children: ReactNode;
}

/** Label above, message below. An error stops, a question only asks. */
function FieldFrame({ id, label, hint, error, question, children }: FieldFrameProps) {
  return (
    <View style={styles.field}>
      <Txt kind="label" tone="second" id={`${id}-label`}>
        {label}
      </Txt>
      {children}
      <View id={`${id}-message`} aria-live="polite">
        {error ? (
          <Txt kind="small" tone="ammonia">
            {error}
          </Txt>
        ) : question ? (
          <Txt kind="small" tone="nitrite">
            {question}
          </Txt>
        ) : hint ? (
          <Txt kind="small" tone="second">
            {hint}
          </Txt>
        ) : null}
      </View>
    </View>
  );
}

interface TextFieldProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  hint?: string;
  error?: string | null;
  question?: string | null;
  /** Unit shown at the right inside the field. */
  unit?: string;
  /** A button at the right inside the field. */
  after?: ReactNode;
  numeric?: boolean;
  multiline?: boolean;
  placeholder?: string;
  big?: boolean;
  /** Above this many characters typing is cut: far beyond what is accepted, so that the message can say so. */
  maxLength?: number;
}

/** One line (or several) of text. For numbers pass numeric: the text stays as typed, the caller parses it. */
export function TextField({
  label,
  value,
  onChange,
  onBlur,
  hint,
  error,
  question,
  unit,
  after,
  numeric,
  multiline,
  placeholder,
  big,
  maxLength = 5000,
}: TextFieldProps) {
  const { roles } = useTheme();
  const id = useId();
  const [focused, setFocused] = useState(false);
  return (
    <FieldFrame id={id} label={label} hint={hint} error={error} question={question}>
      <View
        style={[
          styles.box,
          {
            backgroundColor: roles.paper,
            borderColor: error ? roles.ammonia : focused ? roles.action : roles.edge,
          },
          focused && styles.ring,
          focused && { outlineColor: roles.action },
        ]}
      >
        <TextInput
          aria-label={unit ? `${label}, ${unit}` : label}
          aria-describedby={`${id}-message`}
          aria-invalid={Boolean(error)}
          value={value}
          onChangeText={onChange}
          onFocus={() => setFocused(true)}
          onBlur={() => {
            setFocused(false);
            onBlur?.();
          }}
          inputMode={numeric ? 'decimal' : 'text'}
          multiline={multiline}
          placeholder={placeholder}
          placeholderTextColor={roles.second}
          maxLength={maxLength}
          style={[
            TYPE.body,
            styles.input,
            multiline && styles.multiline,
            big && styles.big,
            { color: roles.ink },
          ]}
        />
        {unit ? (
          <Txt tone="second" style={styles.unit}>
            {unit}
          </Txt>
        ) : null}
        {after}
      </View>
    </FieldFrame>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly { value: T; label: string; note?: string }[];
  value: T;
  onChange: (value: T) => void;
  /** One below the other, with notes. */
  stacked?: boolean;
}

/** One of a few. */
export function Choice<T extends string>({ label, options, value, onChange, stacked }: ChoiceProps<T>) {
  const { roles } = useTheme();
  const group = useRef<View>(null);
  const chosenAt = options.findIndex((o) => o.value === value);
  const keys = onKey((key) => {
    const to =
      key === ' ' ? focusedRadio(group.current) : radioAfter(key, Math.max(0, chosenAt), options.length);
    const option = to === null ? undefined : options[to];
    if (to === null || !option) return false;
    onChange(option.value);
    radiosOf(group.current)[to]?.focus();
    return true;
  });
  return (
    <View style={styles.field}>
      <Txt kind="label" tone="second">
        {label}
      </Txt>
      <View
        ref={group}
        role="radiogroup"
        aria-label={label}
        style={[styles.options, stacked && styles.stacked]}
        {...keys}
      >
        {options.map((o, i) => {
          const chosen = o.value === value;
          return (
            <Pressable
              key={o.value}
              role="radio"
              aria-checked={chosen}
              // One stop of the tab key for the whole group.
              tabIndex={i === Math.max(0, chosenAt) ? 0 : -1}
              aria-label={o.note ? `${o.label}. ${o.note}` : o.label}
              onPress={() => onChange(o.value)}
              style={[
                styles.option,
                stacked && styles.optionStacked,
                {
                  borderColor: chosen ? roles.ink : roles.edge,
                  backgroundColor: chosen ? roles.ink : 'transparent',
                },
              ]}
            >
              <Txt kind={stacked ? 'row' : 'strong'} tone={chosen ? 'ground' : 'ink'}>
                {o.label}
              </Txt>
              {o.note ? (
                <Txt kind="small" tone={chosen ? 'ground' : 'second'}>
                  {o.note}
                </Txt>
              ) : null}
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

/** On or off, as a box with a tick; the state is also in words. */
export function Check({
  label,
  name,
  checked,
  onChange,
  note,
}: {
  label: string;
  /** Spoken name where the label alone would be ambiguous; contains it. */ name?: string;
  checked: boolean;
  onChange: (on: boolean) => void;
  note?: string;
}) {
  const { roles } = useTheme();
  const keys = onKey((key) => {
    if (key !== ' ') return false;
    onChange(!checked);
    return true;
  });
  return (
    <View {...keys}>
      <Pressable
        role="checkbox"
        aria-checked={checked}
        aria-label={name ?? label}
        onPress={() => onChange(!checked)}
        style={styles.check}
      >
        <View
          style={[
            styles.tick,
            {
              borderColor: checked ? roles.go : roles.edge,
              backgroundColor: checked ? roles.go : 'transparent',
            },
          ]}
        >
          <Txt kind="label" tone="ground">
            {checked ? '✓' : ' '}
          </Txt>
        </View>
        <View style={styles.shrink}>
          <Txt>{label}</Txt>
          {note ? (
            <Txt kind="small" tone="second">
              {note}
            </Txt>
          ) : null}
        </View>
      </Pressable>
    </View>
  );
}

const styles = styleSheet({
  field: { gap: space(1) },
  /** Round the whole field, unit included; the page's style leaves the text itself without one. */
  ring: { outlineStyle: 'solid', outlineWidth: 3, outlineOffset: 1 },
  box: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1.5,
    borderRadius: RADIUS,
    minHeight: TARGET,
  },
  input: { flex: 1, minWidth: 0, paddingHorizontal: space(3), paddingVertical: space(2) },
  big: { fontFamily: FONTS.displayHeavy, fontSize: 32, lineHeight: 38 },
  multiline: { minHeight: 96, textAlignVertical: 'top' },
  unit: { paddingRight: space(3) },
  options: { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) },
  stacked: { flexDirection: 'column' },
  option: {
    maxWidth: '100%',
    minHeight: TARGET,
    borderWidth: 1.5,
    borderRadius: RADIUS,
    paddingHorizontal: space(4),
    paddingVertical: space(2),
    justifyContent: 'center',
  },
  optionStacked: { alignItems: 'flex-start' },
  check: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space(3),
    minHeight: TARGET,
    paddingVertical: space(1),
  },
  tick: {
    width: 28,
    height: 28,
    borderRadius: 8,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
  shrink: { flexShrink: 1 },
});
