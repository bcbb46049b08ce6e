import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { Button, RADIUS, space, Txt, useTheme, styleSheet } from '../../ui';

/** One thing that waits, with its way on. */
export function Reminder({ text, label, href }: { text: string; label: string; href: string }) {
  const { roles } = useTheme();
  const router = useRouter();
  return (
    <View style={[styles.item, { backgroundColor: roles.sand }]}>
      <Txt style={styles.text}>{text}</Txt>
      <Button
        kind="quiet"
        label={label}
        name={`${text} ${label}`}
        onPress={() => router.push(href as Href)}
      />
    </View>
  );
}

const styles = styleSheet({
  item: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space(2),
    borderRadius: RADIUS,
    paddingLeft: space(4),
    paddingRight: space(1),
  },
  text: { flexShrink: 1, paddingVertical: space(2) },
});
