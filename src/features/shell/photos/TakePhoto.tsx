import { createElement, useRef, useState } from 'react';
import { newId } from '../../../store';
import { keepPicture } from '../../../store/photos';
import { Button, Row, Txt } from '../../../ui';
import { scalePhoto } from '../../../workers';

/** A picture that was scaled and is kept in this browser, before it belongs to anything. */
export interface Kept {
  id: string;
  width: number;
  height: number;
  bytes: number;
}

/** Picks a picture from the camera or a file. @param onPicked what it hands back is waited for; a sentence says what went wrong */
export function PickPhoto({
  onPicked,
  quiet = false,
}: {
  onPicked: (file: File) => Promise<string | null>;
  quiet?: boolean;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const camera = useRef<HTMLInputElement | null>(null);
  const file = useRef<HTMLInputElement | null>(null);
  const take = async (picked: File | undefined) => {
    if (!picked) return;
    setSaid(null);
    setWorking(true);
    setSaid(await onPicked(picked));
    setWorking(false);
  };
  const input = (ref: typeof file, label: string, more: object) =>
    createElement('input', {
      ref,
      type: 'file',
      accept: 'image/*',
      'aria-label': label,
      style: { display: 'none' },
      onChange: (event: { target: HTMLInputElement }) => {
        void take(event.target.files?.[0]);
        event.target.value = '';
      },
      ...more,
    });
  return (
    <>
      {working ? <Txt live>Taking it in.</Txt> : null}
      {said ? (
        <Txt tone="ammonia" live>
          {said}
        </Txt>
      ) : null}
      <Row wrap>
        <Button
          kind={quiet ? 'quiet' : 'primary'}
          label={quiet ? 'Take a photo' : 'Camera'}
          onPress={() => camera.current?.click()}
        />
        <Button
          {...(quiet ? { kind: 'quiet' as const } : {})}
          label={quiet ? 'Photo from a file' : 'From a file'}
          onPress={() => file.current?.click()}
        />
      </Row>
      {input(camera, 'Take a photo', { capture: 'environment' })}
      {input(file, 'File of a photo', {})}
    </>
  );
}

/** Why a picture could not be kept, in a sentence. */
export const NO_PICTURE =
  'That is no picture this browser can read. Choose a JPEG or PNG; nothing was changed.';
const FULL =
  'This browser has no room left for it. Export, and delete some photos; nothing else was changed.';

/** Scales a picture and keeps it. @returns what was kept, or a sentence */
export async function kept(file: File): Promise<Kept | string> {
  const scaled = await scalePhoto(file);
  if (!scaled) return NO_PICTURE;
  const id = newId();
  try {
    await keepPicture(id, scaled.whole, scaled.small);
  } catch {
    return FULL;
  }
  const { width, height, bytes } = scaled;
  return { id, width, height, bytes };
}
