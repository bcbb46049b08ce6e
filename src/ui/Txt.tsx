import type { ReactNode } from 'react';
import { Text, type StyleProp, type TextStyle } from 'react-native';
import { useTheme } from './theme';
import { TYPE, type Role, type TypeKind } from './tokens';

interface Props {
  children: ReactNode;
  /** Type style; default body. */
  kind?: TypeKind;
  tone?: Role;
  /** Makes it a heading of this level. */
  heading?: 1 | 2 | 3;
  /** Says it aloud when it changes. */
  live?: boolean;
  lines?: number;
  id?: string;
  style?: StyleProp<TextStyle>;
}

/** All text of the app. */
export function Txt({ children, kind = 'body', tone = 'ink', heading, live, lines, id, style }: Props) {
  const { roles } = useTheme();
  return (
    <Text
      id={id}
      role={heading ? 'heading' : undefined}
      aria-level={heading}
      aria-live={live ? 'polite' : undefined}
      numberOfLines={lines}
      style={[TYPE[kind], { color: roles[tone] }, style]}
    >
      {children}
    </Text>
  );
}
