import { View } from 'react-native';
import { space, Txt, styleSheet } from '../../ui';

/** Keeps the place of the likely dates while they are worked out, so that nothing below moves when they come. */
export function WorkingOut() {
  return (
    <View style={likelyPlace}>
      <Txt kind="small" tone="second">
        Working out when …
      </Txt>
    </View>
  );
}

export const likelyPlace = styleSheet({
  place: { width: '100%', minHeight: 104, gap: space(1) },
}).place;
