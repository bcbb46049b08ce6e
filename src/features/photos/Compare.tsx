import { createElement, useState } from 'react';
import { View } from 'react-native';
import type { Photo } from '../../../core/document';
import { daysBetween } from '../../../core/time';
import { localDay, shortDay } from '../../store';
import { RADIUS, Txt } from '../../ui';
import { Slide } from '../../ui/Slide';
import { usePicture } from '../shell/photos';

/** Two pictures of one view laid over each other, parted where the slider stands. */
export function Compare({ before, after }: { before: Photo; after: Photo }) {
  const [share, setShare] = useState(50);
  const [old, fresh] = [usePicture(before.id, 'whole'), usePicture(after.id, 'whole')];
  if (old === null || fresh === null)
    return (
      <Txt tone="nitrite">
        One of them is not in this browser: the zip of the device that has it brings it along.
      </Txt>
    );
  if (!old || !fresh) return null;
  const [from, to] = [localDay(Date.parse(before.at)), localDay(Date.parse(after.at))];
  const days = daysBetween(from, to);
  const layer = (src: string, alt: string, clip: string | undefined) =>
    createElement('img', {
      src,
      alt,
      style: {
        position: 'absolute',
        inset: 0,
        width: '100%',
        height: '100%',
        objectFit: 'cover',
        borderRadius: RADIUS,
        clipPath: clip,
      },
    });
  return (
    <View>
      {createElement(
        'div',
        { style: { position: 'relative', width: '100%', aspectRatio: `${before.width} / ${before.height}` } },
        layer(old, `${before.view || 'photo'}, ${shortDay(Date.parse(before.at))}`, undefined),
        layer(fresh, `${after.view || 'photo'}, ${shortDay(Date.parse(after.at))}`, `inset(0 0 0 ${share}%)`),
      )}
      <Slide
        label="Left the older, right the newer"
        min={0}
        max={100}
        value={share}
        says={`${shortDay(Date.parse(before.at))} and ${shortDay(Date.parse(after.at))}, ${apart(days)}`}
        onChange={setShare}
      />
      {before.light !== after.light ? (
        <Txt kind="small" tone="nitrite">
          The light was set differently: colours cannot be compared, shapes can.
        </Txt>
      ) : null}
    </View>
  );
}

const apart = (days: number): string =>
  days === 0 ? 'the same day' : days === 1 ? 'a day apart' : `${days} days apart`;
