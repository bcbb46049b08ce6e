import { createElement } from 'react';
import { View } from 'react-native';
import { useTheme } from './theme';
import { FONTS, RADIUS, space, TARGET } from './tokens';
import { Txt } from './Txt';

/** One of a long list, by the device's own picker. */
export function Pick<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
}) {
  const { roles } = useTheme();
  return (
    <View>
      <Txt kind="small" tone="second">
        {label}
      </Txt>
      {createElement(
        'select',
        {
          value,
          'aria-label': label,
          onChange: (event: { target: { value: string } }) => onChange(event.target.value as T),
          style: {
            minHeight: TARGET,
            width: '100%',
            padding: `0 ${space(3)}px`,
            borderRadius: RADIUS,
            border: `1px solid ${roles.edge}`,
            background: roles.paper,
            color: roles.ink,
            fontFamily: FONTS.text,
            fontSize: 17,
          },
        },
        options.map((o) => createElement('option', { key: o.value, value: o.value }, o.label)),
      )}
    </View>
  );
}
