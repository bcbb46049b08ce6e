import { useState } from 'react';
import { View } from 'react-native';
import type { Edit, Photo } from '../../../../core/document';
import { isoOf, selectDocument, useAppSelector } from '../../../store';
import { dropPictures } from '../../../store/photos';
import { Button, Row, space, Txt, styleSheet } from '../../../ui';
import { Picture } from './Picture';
import { kept, PickPhoto, type Kept } from './TakePhoto';

/** Pictures taken for an entry that is not stored yet become photos of it with the entry itself. */
export const photoEdits = (
  pending: readonly Kept[],
  of: NonNullable<Photo['of']>,
  waterId: string,
  at: string = isoOf(Date.now()),
): Edit[] =>
  pending.map((p) => ({
    put: 'photos',
    entity: { ...p, waterId, at, note: '', view: '', light: '', of },
  }));

/** Pictures of one entry: those it has, those taken for it now, and one more. */
export function Attach({
  of,
  pending,
  onChange,
}: {
  /** The stored entry being corrected. */
  of?: NonNullable<Photo['of']> | undefined;
  pending: readonly Kept[];
  onChange: (pending: Kept[]) => void;
}) {
  const photos = useAppSelector((s) => selectDocument(s).photos);
  const has = of ? Object.values(photos).filter((p) => p.of?.kind === of.kind && p.of.id === of.id) : [];
  const [large, setLarge] = useState<string | null>(null);
  const shown = has.find((p) => p.id === large);
  const add = async (file: File): Promise<string | null> => {
    const picture = await kept(file);
    if (typeof picture === 'string') return picture;
    onChange([...pending, picture]);
    return null;
  };
  return (
    <View style={styles.all}>
      {has.length + pending.length > 0 ? (
        <Txt kind="small" tone="second">
          {has.length + pending.length === 1
            ? 'A photo goes with it.'
            : `${has.length + pending.length} photos go with it.`}
        </Txt>
      ) : null}
      {shown ? <Picture photo={shown} whole /> : null}
      <Row wrap>
        {has.map((p) => (
          <Picture
            key={p.id}
            photo={p}
            chosen={p.id === large}
            onPress={() => setLarge(p.id === large ? null : p.id)}
          />
        ))}
        {pending.map((p, i) => (
          <View key={p.id}>
            <Picture photo={{ ...BARE, ...p }} />
            <Button
              kind="quiet"
              label="Leave it out"
              name={`Leave it out: photo ${i + 1}`}
              onPress={() => {
                void dropPictures([p.id]);
                onChange(pending.filter((x) => x.id !== p.id));
              }}
            />
          </View>
        ))}
      </Row>
      <PickPhoto quiet onPicked={add} />
    </View>
  );
}

/** A picture that has no entry yet, as one that has. */
const BARE: Omit<Photo, 'id' | 'width' | 'height' | 'bytes'> = {
  waterId: '',
  at: '1970-01-01T00:00:00.000Z',
  note: '',
  view: 'new',
  light: '',
};

const styles = styleSheet({ all: { gap: space(1) } });
