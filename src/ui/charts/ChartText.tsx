import { Text } from 'react-native-svg';
import { FONTS, type Role } from '../tokens';
import { useTheme } from '../theme';

/** Text inside a drawing: axis figures small, labels bold, never under 13. */
export function ChartText({
  x,
  y,
  children,
  tone = 'second',
  bold,
  anchor = 'start',
  size = 14,
}: {
  x: number;
  y: number;
  children: string;
  tone?: Role;
  bold?: boolean;
  anchor?: 'start' | 'middle' | 'end';
  size?: number;
}) {
  const { roles } = useTheme();
  return (
    <Text
      x={x}
      y={y}
      fill={roles[tone]}
      textAnchor={anchor}
      fontSize={size}
      fontFamily={bold ? FONTS.textBold : FONTS.text}
    >
      {children}
    </Text>
  );
}
