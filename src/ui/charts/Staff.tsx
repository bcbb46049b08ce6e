import { useId } from 'react';

import Svg, { Defs, Path, Pattern, Rect } from 'react-native-svg';
import { useTheme } from '../theme';
import { styleSheet } from '../styleSheet';

const STAFF = 34;
const STRIPE = 22;

/** The staff itself: black and white stripes the whole height of what it stands in. */
export function Staff({ left }: { left: number }) {
  const { roles, dark } = useTheme();
  const id = useId();
  const pale = dark ? roles.second : roles.paper;
  const deep = dark ? roles.ground : roles.ink;
  return (
    <Svg width={STAFF} height="100%" style={[styles.staff, { left }]} aria-hidden>
      <Defs>
        <Pattern id={`${id}-stripes`} width={STAFF} height={STRIPE * 2} patternUnits="userSpaceOnUse">
          <Rect width={STAFF} height={STRIPE} fill={pale} />
          <Rect y={STRIPE} width={STAFF} height={STRIPE} fill={deep} />
        </Pattern>
      </Defs>
      <Rect width={STAFF} height="100%" fill={`url(#${id}-stripes)`} />
      <Rect width={2} height="100%" fill={dark ? roles.second : roles.ink} />
      <Rect x={STAFF - 2} width={2} height="100%" fill={dark ? roles.second : roles.ink} />
    </Svg>
  );
}

/** The marker of where one stands, at the left of its mark. */
export function StaffPointer() {
  const { roles } = useTheme();
  return (
    <Svg width={62} height={30} style={styles.pointer} aria-hidden>
      <Path d="M0 15 18 1H62V29H18Z" fill={roles.action} />
    </Svg>
  );
}

const styles = styleSheet({
  staff: { position: 'absolute', top: 0, bottom: 0 },
  pointer: { position: 'absolute', left: -6, top: '50%', marginTop: -15 },
});
