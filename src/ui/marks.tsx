/** The three marks of nitrogen, the same everywhere: ammonia a filled circle, nitrite an open diamond, nitrate a square. */
import Svg, { Circle, Path, Rect } from 'react-native-svg';
import type { NitrogenSpecies } from '../../core/units';
import { useTheme } from './theme';

export function Mark({ of, size = 16 }: { of: NitrogenSpecies; size?: number }) {
  const { roles } = useTheme();
  return (
    <Svg width={size} height={size} viewBox="0 0 16 16" aria-hidden>
      {of === 'ammonia' ? <Circle cx={8} cy={8} r={5.5} fill={roles.ammonia} /> : null}
      {of === 'nitrite' ? (
        <Path d="M8 1.5 14.5 8 8 14.5 1.5 8Z" fill="none" stroke={roles.nitrite} strokeWidth={2} />
      ) : null}
      {of === 'nitrate' ? <Rect x={3} y={3} width={10} height={10} fill={roles.nitrate} /> : null}
    </Svg>
  );
}
