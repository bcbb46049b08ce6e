import { createElement } from 'react';
import { View } from 'react-native';
import { useTheme } from './theme';
import { TARGET } from './tokens';
import { Txt } from './Txt';

/** A whole number set by dragging or with the arrow keys. */
export function Slide({
  label,
  min,
  max,
  value,
  says,
  onChange,
}: {
  label: string;
  min: number;
  max: number;
  value: number;
  /** The value in words, for the eye and for whoever listens. */
  says: string;
  onChange: (value: number) => void;
}) {
  const { roles } = useTheme();
  return (
    <View>
      <Txt kind="small" tone="second">
        {label}
      </Txt>
      {createElement('input', {
        type: 'range',
        min,
        max,
        step: 1,
        value,
        'aria-label': label,
        'aria-valuetext': says,
        onChange: (event: { target: { value: string } }) => onChange(Number(event.target.value)),
        style: { width: '100%', height: TARGET, margin: 0, accentColor: roles.action },
      })}
      <Txt kind="strong">{says}</Txt>
    </View>
  );
}
