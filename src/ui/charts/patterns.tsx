import { Circle, Defs, Line, Pattern, Rect } from 'react-native-svg';
import { useTheme } from '../theme';

/** Fills that stay apart in greyscale: nitrite hatched, nitrate dotted. `prefix` keeps ids of several drawings apart. */
export function NitrogenPatterns({ prefix }: { prefix: string }) {
  const { roles } = useTheme();
  return (
    <Defs>
      <Pattern
        id={`${prefix}-hatch`}
        width={9}
        height={9}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <Rect width={9} height={9} fill={roles.nitriteFill} fillOpacity={0.55} />
        <Line x1={1} y1={0} x2={1} y2={9} stroke={roles.nitrite} strokeWidth={1.6} />
      </Pattern>
      <Pattern id={`${prefix}-dots`} width={9} height={9} patternUnits="userSpaceOnUse">
        <Rect width={9} height={9} fill={roles.nitrateFill} fillOpacity={0.45} />
        <Circle cx={3} cy={3} r={1.9} fill={roles.nitrate} />
      </Pattern>
    </Defs>
  );
}
