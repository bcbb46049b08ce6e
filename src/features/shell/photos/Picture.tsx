import { createElement, useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Photo } from '../../../../core/document';
import { shortDay } from '../../../store';
import { pictureOf, type PhotoSize } from '../../../store/photos';
import { RADIUS, Txt, useTheme, styleSheet } from '../../../ui';

/** The data of a picture: undefined while it is looked up, null where it is not in this browser. */
export function usePicture(id: string, size: PhotoSize): string | null | undefined {
  const [found, setFound] = useState<{ id: string; url: string | null }>();
  useEffect(() => {
    let here = true;
    void pictureOf(id, size).then((url) => here && setFound({ id, url }));
    return () => {
      here = false;
    };
  }, [id, size]);
  return found?.id === id ? found.url : undefined;
}

/** A picture small, to be chosen where something comes of it, or as large as the page. */
export function Picture({
  photo,
  chosen = false,
  whole = false,
  onPress,
}: {
  photo: Photo;
  chosen?: boolean;
  whole?: boolean;
  onPress?: () => void;
}) {
  const { roles } = useTheme();
  const url = usePicture(photo.id, whole ? 'whole' : 'small');
  const day = onPress || whole ? shortDay(Date.parse(photo.at)) : '';
  const words = [photo.view || 'photo', day].filter(Boolean).join(', ');
  const image = url
    ? createElement('img', {
        src: url,
        alt: words,
        style: {
          width: whole ? '100%' : 132,
          height: whole ? 'auto' : 99,
          objectFit: 'cover',
          borderRadius: RADIUS,
          display: 'block',
        },
      })
    : null;
  const missing =
    url === null ? (
      <View style={[styles.missing, { borderColor: roles.hairline }]}>
        <Txt kind="small" tone="second">
          Not in this browser
        </Txt>
      </View>
    ) : null;
  if (whole) return image ?? missing;
  if (!onPress) return image ?? missing ?? <View style={styles.missing} />;
  return (
    <Pressable
      role="checkbox"
      aria-checked={chosen}
      aria-label={words}
      onPress={onPress}
      style={[styles.small, { borderColor: chosen ? roles.action : 'transparent' }]}
    >
      {image ?? missing ?? <View style={styles.missing} />}
      <Txt kind="small" tone="second" style={styles.day}>
        {day}
      </Txt>
    </Pressable>
  );
}

const styles = styleSheet({
  small: { borderWidth: 3, borderRadius: RADIUS + 3, minHeight: 48 },
  day: { paddingHorizontal: 6, paddingVertical: 2 },
  missing: {
    width: 132,
    height: 99,
    borderWidth: 1,
    borderRadius: RADIUS,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
