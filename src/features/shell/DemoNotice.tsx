import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { dayAndHour, demoShown, practiceRun, showDemo, useNow } from '../../store';
import { Button, space, Txt, useTheme, styleSheet } from '../../ui';

/** Stands above every screen of the demo: whose tanks these are, and the way out. */
export function DemoNotice() {
  const { roles } = useTheme();
  useNow();
  if (practiceRun())
    return (
      <View role="note" aria-label="Practice" style={[styles.notice, { backgroundColor: roles.sand }]}>
        <Txt kind="small" style={styles.text}>
          {`Practice, ${dayAndHour(Date.now())}. Nothing of yours is touched.`}
        </Txt>
        <Link href={'/practice' as Href} style={styles.link}>
          <Txt kind="strong">The clock</Txt>
        </Link>
      </View>
    );
  if (!demoShown()) return null;
  return (
    <View role="note" aria-label="Demo" style={[styles.notice, { backgroundColor: roles.sand }]}>
      <Txt kind="small" style={styles.text}>
        The demo: made-up tanks. Your own data is not touched.
      </Txt>
      <Button kind="quiet" label="Leave" name="Leave the demo" onPress={() => void showDemo(false)} />
    </View>
  );
}

const styles = styleSheet({
  notice: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space(3),
    paddingLeft: space(5),
    paddingRight: space(2),
  },
  text: { flexShrink: 1 },
  link: { flexShrink: 0, padding: space(2) },
});
