import { Pressable, View } from 'react-native';
import { ICONS, type IconName } from './icons';
import { useTheme } from './theme';
import { RADIUS, space, TARGET, type Roles } from './tokens';
import { Txt } from './Txt';
import { styleSheet } from './styleSheet';

export type ButtonKind = 'primary' | 'outline' | 'quiet';

interface Props {
  label: string;
  onPress: () => void;
  /** primary: the one action of a screen; outline: others; quiet: text only. */
  kind?: ButtonKind;
  icon?: IconName;
  disabled?: boolean;
  /** What was pressed is under way: it says so and takes no second press. */
  busy?: boolean;
  /** Longer name for screen readers when the label needs its surroundings. */
  name?: string;
  expanded?: boolean;
  grow?: boolean;
}

/** Colours of a button by kind and state; pure, so that it can be tested without rendering. */
export function buttonColours(
  roles: Roles,
  kind: ButtonKind,
  state: { pressed: boolean; hovered: boolean; disabled: boolean },
): { fill: string; edge: string; ink: keyof Roles } {
  if (state.disabled)
    return { fill: kind === 'quiet' ? 'transparent' : roles.sand, edge: 'transparent', ink: 'second' };
  if (kind === 'primary')
    return {
      fill: state.pressed ? roles.ink : roles.action,
      edge: 'transparent',
      ink: state.pressed ? 'ground' : 'onAction',
    };
  const fill = state.pressed ? roles.sand : state.hovered ? roles.wash : 'transparent';
  return kind === 'outline'
    ? { fill, edge: roles.edge, ink: 'ink' }
    : { fill, edge: 'transparent', ink: 'action' };
}

export function Button({
  label,
  onPress,
  kind = 'outline',
  icon,
  disabled: off = false,
  busy = false,
  name,
  expanded,
  grow,
}: Props) {
  const { roles } = useTheme();
  const Icon = icon ? ICONS[icon] : null;
  const disabled = off || busy;
  return (
    <Pressable
      role="button"
      aria-label={busy ? `Saving: ${name ?? label}` : (name ?? label)}
      aria-busy={busy}
      aria-disabled={disabled}
      aria-expanded={expanded}
      disabled={off}
      onPress={busy ? undefined : onPress}
      style={(state) => {
        const c = buttonColours(roles, kind, {
          pressed: state.pressed,
          hovered: Boolean((state as { hovered?: boolean }).hovered),
          disabled,
        });
        return [
          styles.base,
          kind === 'quiet' && styles.quiet,
          grow && styles.grow,
          { backgroundColor: c.fill, borderColor: c.edge },
        ];
      }}
    >
      {(state) => {
        const c = buttonColours(roles, kind, { pressed: state.pressed, hovered: false, disabled });
        return (
          <View style={styles.inside}>
            {Icon ? (
              <View style={styles.icon}>
                <Icon size={20} color={roles[c.ink]} />
              </View>
            ) : null}
            <Txt kind="row" tone={c.ink} style={styles.label}>
              {busy ? 'Saving …' : label}
            </Txt>
          </View>
        );
      }}
    </Pressable>
  );
}

const styles = styleSheet({
  base: {
    maxWidth: '100%',
    minHeight: TARGET + 4,
    borderRadius: RADIUS,
    borderWidth: 1.5,
    paddingHorizontal: space(5),
    justifyContent: 'center',
  },
  quiet: { paddingHorizontal: space(2), minHeight: TARGET, alignSelf: 'flex-start', marginLeft: -space(2) },
  grow: { flex: 1 },
  inside: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: space(2),
    paddingVertical: space(2),
  },
  icon: { flexShrink: 0 },
  label: { textAlign: 'center', flexShrink: 1 },
});
