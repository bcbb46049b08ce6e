import { createElement, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import { format } from 'date-fns/format';
import { dayOrder } from '../../core/time';
import { TextField } from './fields';
import { useTheme } from './theme';
import { TARGET } from './tokens';
import { notReadText, readWhen, writtenWhen, type WhenKind } from './when';
import { styleSheet } from './styleSheet';

const order = () => dayOrder(typeof navigator === 'undefined' ? 'en-GB' : navigator.language);
const today = () => format(Date.now(), 'yyyy-MM-dd');

/** A day or a moment, written in the order of the person's language; typed, or chosen in the browser's calendar. What is handed on is in the
 *  stored form; what cannot be read is handed on as typed, so that the form says so. */
export function WhenField({
  label,
  value,
  onChange,
  onBlur,
  kind,
  error,
  question,
  hint,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  kind: WhenKind;
  error?: string | null;
  question?: string | null;
  hint?: string;
}) {
  const { roles, dark } = useTheme();
  const picker = useRef<HTMLInputElement>(null);
  const isDay = (text: string) => readWhen(kind, text, order(), today()) !== null;
  /** As typed, while it is being typed. */
  const [typed, setTyped] = useState<string | null>(null);
  /** What was typed and is no day, as it may be kept nowhere else; until another value stands in place of that beside it. */
  const [left, setLeft] = useState<{ text: string; value: string } | null>(null);
  const type = (text: string) => {
    setTyped(text);
    setLeft(null);
    onChange(text.trim() === '' ? '' : (readWhen(kind, text, order(), today()) ?? text));
  };
  const stood = left?.value === value ? left.text : value;
  const unread = typed === null && stood !== '' && !isDay(stood);
  return (
    <View>
      <TextField
        label={label}
        value={typed ?? (unread ? stood : writtenWhen(kind, value, order()))}
        onChange={type}
        onBlur={() => {
          if (typed !== null && typed.trim() !== '' && !isDay(typed)) setLeft({ text: typed, value });
          setTyped(null);
          onBlur?.();
        }}
        error={unread ? notReadText(kind, order()) : error}
        question={question ?? null}
        {...(hint === undefined ? {} : { hint })}
        after={
          <Pressable
            role="button"
            aria-label="Open the calendar"
            onPress={() => picker.current?.showPicker()}
            style={styles.button}
          >
            <CalendarDays size={20} color={roles.second} />
          </Pressable>
        }
      />
      {createElement('input', {
        ref: picker,
        type: kind,
        value: readWhen(kind, value, order(), today()) ?? '',
        tabIndex: -1,
        'aria-hidden': true,
        onChange: (event: { target: { value: string } }) => {
          setLeft(null);
          onChange(event.target.value);
        },
        style: {
          position: 'absolute',
          right: 0,
          top: TARGET,
          width: 1,
          height: 1,
          opacity: 0,
          border: 0,
          padding: 0,
          pointerEvents: 'none',
          colorScheme: dark ? 'dark' : 'light',
        },
      })}
    </View>
  );
}

const styles = styleSheet({
  button: { width: TARGET, minHeight: TARGET, alignItems: 'center', justifyContent: 'center' },
});
