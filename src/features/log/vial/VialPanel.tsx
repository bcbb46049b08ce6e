import { useState } from 'react';
import { View } from 'react-native';
import type { Card, Kit, Reading } from '../../../../core/document';
import {
  agree,
  isCard,
  photoSaid,
  readingOf,
  saidWords,
  spotsAt,
  squaresIn,
  valueOf,
  type VialReading,
} from '../../../../core/vial';
import { VIAL_WORDS } from '../../../../core/words/vial';
import { demoShown } from '../../../store';
import { Button, Line, Row, space, Txt, styleSheet } from '../../../ui';
import { SpotPad } from '../../../ui/SpotPad';
import { patchesOf } from '../../../workers';
import { NO_PICTURE, PickPhoto } from '../../shell/photos';
import { demoPicture } from './demoPicture';
import { CORNERS, usePicked, useSpots, type Picked } from './useSpots';

interface Props {
  kit: Kit;
  card: Card;
  unit: string;
  /** What the person reads by eye, and in words. */
  own: Reading | undefined;
  ownWords: string;
  onTake: (value: Reading['value'], photo: NonNullable<Reading['photo']>) => void;
  onClose: () => void;
}

/** A vial read from a photo against the person's card: always beside their own reading, and only what they confirm is entered. */
export function VialPanel(props: Props) {
  const photo = usePicked();
  const { card, onClose } = props;
  return (
    <View style={styles.panel} role="group" aria-label={`A photo of the vial, ${props.kit.name}`}>
      {photo.picked ? (
        <ReadPhoto {...props} picked={photo.picked} onAnother={photo.drop} />
      ) : (
        <>
          <Txt kind="small">
            Vial and card side by side in one picture, in the same light, the whole card in it. Daylight, no
            lamp shining in the glass.
          </Txt>
          <PickPhoto quiet onPicked={photo.take} />
          {demoShown() ? (
            <Button
              kind="quiet"
              label="The demo’s picture"
              onPress={() => void demoPicture(card).then(photo.take)}
            />
          ) : null}
          <Button kind="quiet" label="Without a photo" onPress={onClose} />
        </>
      )}
    </View>
  );
}

const ASKED = [...CORNERS, { key: 'vial', label: 'The middle of the vial’s colour' }];

function ReadPhoto({
  kit,
  card,
  unit,
  own,
  ownWords,
  onTake,
  onClose,
  picked,
  onAnother,
}: Props & { picked: Picked; onAnother: () => void }) {
  const on = useSpots(ASKED);
  const [said, setSaid] = useState<VialReading | string | null>(null);
  const corners = on.corners && isCard(on.corners) ? on.corners : null;
  const squares = corners ? squaresIn(card, corners) : [];
  const inHand = on.spots.find((s) => s.key === on.active);
  const place: typeof on.place = (...args) => {
    setSaid(null);
    on.place(...args);
  };
  const read = async () => {
    const vial = on.at('vial');
    if (!corners || !vial) return;
    const patches = await patchesOf(picked.file, spotsAt([...squares, vial], picked.aspect));
    const told = patches && readingOf(card, patches);
    setSaid(told === null ? NO_PICTURE : told === 'vialUneven' ? VIAL_WORDS.vialUneven : told);
  };
  const found = said === null || typeof said === 'string' ? null : photoSaid(said);
  const refusal =
    typeof said === 'string' ? said : said && !found ? said.doubts.map((d) => VIAL_WORDS[d]).join(' ') : null;
  return (
    <>
      <Txt kind="strong" live>
        {on.missing
          ? `Tap: ${inHand?.label}`
          : corners
            ? 'A small ring should sit in each square.'
            : 'The four corners make no card. Tap them in turn, the way a clock goes round.'}
      </Txt>
      <SpotPad
        src={picked.url}
        alt="Card and vial"
        aspect={picked.aspect}
        spots={on.spots}
        active={on.active}
        marks={squares}
        loupe={said === null}
        onPlace={place}
        onPick={on.pick}
      />
      {refusal ? (
        <Txt tone="ammonia" live>
          {refusal}
        </Txt>
      ) : null}
      {found ? (
        <View aria-live="polite">
          <Line name="By the photo" value={`${saidWords(found)} ${unit}`} />
          <Line name="By your eye" value={own ? ownWords : 'not read yet: tap your step above'} />
          {own && !agree(own.value, kit, found) ? (
            <Txt tone="nitrite">
              They disagree. Look again in daylight; if they still do, repeat the test before acting on it.
            </Txt>
          ) : null}
        </View>
      ) : null}
      <Row wrap>
        {found ? (
          <>
            <Button
              kind="primary"
              label="Enter what the photo says"
              onPress={() => onTake(valueOf(found), found)}
            />
            {own ? (
              <Button label="Keep mine, the photo beside it" onPress={() => onTake(own.value, found)} />
            ) : null}
          </>
        ) : (
          <Button
            kind="primary"
            label="Read it"
            name={`Read it: the vial of ${kit.name}`}
            disabled={!corners || !on.at('vial')}
            onPress={() => void read()}
          />
        )}
        <Button kind="quiet" label="Another photo" onPress={onAnother} />
        <Button kind="quiet" label="Without a photo" onPress={onClose} />
      </Row>
    </>
  );
}

const styles = styleSheet({ panel: { gap: space(2), paddingVertical: space(2) } });
