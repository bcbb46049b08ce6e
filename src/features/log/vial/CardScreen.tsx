import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { type Card, type Kit } from '../../../../core/document';
import { cardFrom, hasCard, isCard, spotsAt } from '../../../../core/vial';
import { commit, isoOf, newId, selectDocument, useAppDispatch, useAppSelector } from '../../../store';
import { Button, Check, Row, Screen, space, Txt, useTheme, styleSheet } from '../../../ui';
import { SpotPad } from '../../../ui/SpotPad';
import { patchesOf } from '../../../workers';
import { NotHere, useParam } from '../../shell';
import { PickPhoto, NO_PICTURE } from '../../shell/photos';
import { SaveButton, useSaving } from '../../shell/saving';
import { CORNERS, usePicked, useSpots, type Picked } from './useSpots';

export function CardScreen() {
  const id = useParam('kitId');
  const kits = useAppSelector((s) => s.document.entities.kits);
  const kit = Object.hasOwn(kits, id) ? kits[id] : undefined;
  return kit && hasCard(kit) ? <CardOf key={kit.id} kit={kit} /> : <NotHere what="kit" />;
}

/** A kit's own card, photographed once: where its squares lie and how they look. */
function CardOf({ kit }: { kit: Kit }) {
  const dispatch = useAppDispatch();
  const cards = useAppSelector((s) => selectDocument(s).cards);
  const card = Object.values(cards).find((c) => c.kitId === kit.id);
  const photo = usePicked();
  return (
    <Screen title={`Card of ${kit.name}`}>
      <Txt kind="title" heading={1}>
        {`The card of ${kit.name}`}
      </Txt>
      <Txt>
        Lay the card flat in daylight, out of the sun, no lamp near it. The whole card in the picture, as
        large as it goes.
      </Txt>
      {card ? <Swatches card={card} /> : null}
      {photo.picked ? (
        <NewCard
          key={photo.picked.url.length}
          kit={kit}
          card={card}
          picked={photo.picked}
          onDone={photo.drop}
        />
      ) : (
        <PickPhoto onPicked={photo.take} />
      )}
      {card && !photo.picked ? (
        <Button
          kind="quiet"
          label="Forget this card"
          onPress={() => void dispatch(commit('Card forgotten', [{ remove: 'cards', id: card.id }]))}
        />
      ) : null}
      <Txt kind="small" tone="second">
        No card’s colours come with the app: prints differ and fade. A card of another batch is photographed
        anew.
      </Txt>
    </Screen>
  );
}

function Swatches({ card }: { card: Card }) {
  const { roles } = useTheme();
  return (
    <View role="group" aria-label="Squares of the card" style={styles.swatches}>
      {card.squares.map((s) => (
        <View key={s.value} style={styles.swatch}>
          <View
            style={[
              styles.colour,
              { backgroundColor: `rgb(${s.rgb.map(Math.round).join(',')})`, borderColor: roles.edge },
            ]}
          />
          <Txt kind="small">{String(s.value)}</Txt>
        </View>
      ))}
    </View>
  );
}

/** Corners and squares tapped in turn; kept when each is of one colour. */
function NewCard({
  kit,
  card,
  picked,
  onDone,
}: {
  kit: Kit;
  card: Card | undefined;
  picked: Picked;
  onDone: () => void;
}) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const saving = useSaving();
  const steps = kit.scale.kind === 'steps' ? kit.scale.steps : [];
  const [absent, setAbsent] = useState<readonly number[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const there = steps.filter((s) => !absent.includes(s));
  const on = useSpots([...CORNERS, ...there.map((s) => ({ key: `s${s}`, label: `Square ${s}` }))]);
  const inHand = on.spots.find((s) => s.key === on.active);
  const keep = async () => {
    setFault(null);
    if (on.missing || !on.corners) {
      setFault(`Still to be tapped: ${on.missing?.label ?? 'a corner'}.`);
      return;
    }
    if (!isCard(on.corners)) {
      setFault('The four corners make no card. Tap them in turn, the way a clock goes round.');
      return;
    }
    const squares = there.map((value) => ({ value, at: on.at(`s${value}`)! }));
    const patches = await patchesOf(
      picked.file,
      spotsAt(
        squares.map((s) => s.at),
        picked.aspect,
      ),
    );
    const made = patches && cardFrom(on.corners, squares, patches);
    if (!made) setFault(NO_PICTURE);
    else if ('outside' in made)
      setFault(`Square ${made.outside.join(', ')} lies off the card: tap it again, or the corners.`);
    else if ('uneven' in made)
      setFault(
        `Square ${made.uneven.join(', ')} is not of one colour there: tap its middle, off any letter.`,
      );
    else {
      const entity = {
        id: card?.id ?? newId(),
        kitId: kit.id,
        at: isoOf(Date.now()),
        squares: made.squares,
      };
      await saving.run(
        () => dispatch(commit('Card kept', [{ put: 'cards', entity }])),
        () => {
          onDone();
          router.push(`/kits/${kit.id}` as Href);
        },
      );
    }
  };
  return (
    <View style={styles.new}>
      <Txt kind="strong" live>
        {on.missing ? `Tap: ${inHand?.label}` : 'All are set: look whether each ring sits well.'}
      </Txt>
      <SpotPad
        src={picked.url}
        alt="The card"
        aspect={picked.aspect}
        spots={on.spots}
        active={on.active}
        onPlace={on.place}
        onPick={on.pick}
      />
      <Txt kind="small" tone="second">
        Arrow keys move the one in hand. Not every square is on every card:
      </Txt>
      <Row wrap>
        {steps.map((s) => (
          <Check
            key={s}
            label={String(s)}
            name={`Square ${s} is on the card`}
            checked={!absent.includes(s)}
            onChange={(is) => setAbsent(is ? absent.filter((x) => x !== s) : [...absent, s])}
          />
        ))}
      </Row>
      {there.length < 3 ? <Txt tone="nitrite">Three squares are the least.</Txt> : null}
      {fault ? (
        <Txt tone="ammonia" live>
          {fault}
        </Txt>
      ) : null}
      <Row wrap>
        <SaveButton
          saving={saving}
          kind="primary"
          icon="keep"
          label="Keep the card"
          disabled={there.length < 3}
          onPress={() => void keep()}
        />
        <Button kind="quiet" label="Tap anew" onPress={on.restart} />
        <Button kind="quiet" label="Another photo" onPress={onDone} />
      </Row>
    </View>
  );
}

const styles = styleSheet({
  swatches: { flexDirection: 'row', flexWrap: 'wrap', gap: space(3) },
  swatch: { alignItems: 'center', gap: space(1) },
  colour: { width: 44, height: 44, borderRadius: 6, borderWidth: 1 },
  new: { gap: space(2) },
});
