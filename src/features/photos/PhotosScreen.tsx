import { useState } from 'react';
import { View } from 'react-native';
import type { Document, Photo, Water } from '../../../core/document';
import { commit, isoOf, selectDocument, shortDay, useAppDispatch, useAppSelector } from '../../store';
import { dropPictures } from '../../store/photos';
import {
  Button,
  Choice,
  Empty,
  Line,
  Row,
  Screen,
  Section,
  space,
  TextField,
  Txt,
  useWide,
  styleSheet,
} from '../../ui';
import { Pick } from '../../ui/Pick';
import { WithWater } from '../shell';
import { kept, PickPhoto, Picture } from '../shell/photos';
import { Compare } from './Compare';
import { megabytes, photosOf, stripsOf, subjects, thinnedOut } from './model';
import { compared } from '../../../core/time';

export function PhotosScreen() {
  return <WithWater>{(water) => <Photos key={water.id} water={water} />}</WithWater>;
}

/** Pictures of a water as strips through time; two of one view laid over each other. */
function Photos({ water }: { water: Water }) {
  const wide = useWide();
  const doc = useAppSelector(selectDocument);
  const photos = photosOf(doc, water.id);
  const strips = stripsOf(doc, photos);
  const thin = thinnedOut(strips);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const turn = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id].slice(-2));
  const looked = chosen.flatMap((id) => doc.photos[id] ?? []).sort((a, b) => compared(a.at, b.at));
  const add = <NewPhoto water={water} doc={doc} />;
  const bytes = photos.reduce((sum, p) => sum + p.bytes, 0);
  return (
    <Screen
      title="Photos"
      aside={
        wide ? (
          <>
            {add}
            <Stored photos={photos} bytes={bytes} thin={thin} />
          </>
        ) : undefined
      }
    >
      <Txt kind="title" heading={1}>
        {photos.length === 0 ? 'No photo yet' : photos.length === 1 ? 'One photo' : `${photos.length} photos`}
      </Txt>
      {looked.length === 1 ? <OnePhoto photo={looked[0] as Photo} onDone={() => setChosen([])} /> : null}
      {looked.length === 2 ? <Compare before={looked[0] as Photo} after={looked[1] as Photo} /> : null}
      {photos.length === 0 ? (
        <Empty
          title="The best witness of a coral"
          text="The same view, the same light, once a week: what grows and what fades is seen before it is measured."
        />
      ) : (
        <Txt kind="small" tone="second">
          Touch one to look at it, two to lay them over each other.
        </Txt>
      )}
      {strips.map((s) => (
        <Section key={s.key} title={s.title}>
          <View style={styles.strip}>
            {s.photos.map((p) => (
              <Picture key={p.id} photo={p} chosen={chosen.includes(p.id)} onPress={() => turn(p.id)} />
            ))}
          </View>
        </Section>
      ))}
      {wide ? null : (
        <>
          {add}
          <Stored photos={photos} bytes={bytes} thin={thin} />
        </>
      )}
    </Screen>
  );
}

/** One picture large, what it is of, and out again. */
function OnePhoto({ photo, onDone }: { photo: Photo; onDone: () => void }) {
  const dispatch = useAppDispatch();
  return (
    <View style={styles.one}>
      <Picture photo={photo} whole />
      <Txt kind="small" tone="second">
        {[shortDay(Date.parse(photo.at)), photo.light === '' ? null : `light ${photo.light}`, photo.note]
          .filter(Boolean)
          .join(' · ')}
      </Txt>
      <Row wrap>
        <Button kind="quiet" label="Close it" onPress={onDone} />
        <Button
          kind="quiet"
          label="Delete this photo"
          onPress={() => {
            void dispatch(commit('Photo deleted', [{ remove: 'photos', id: photo.id }]));
            onDone();
          }}
        />
      </Row>
    </View>
  );
}

/** A picture from the camera or a file, with what it shows and how the light was. */
function NewPhoto({ water, doc }: { water: Water; doc: Document }) {
  const dispatch = useAppDispatch();
  const [of, setOf] = useState('');
  const [view, setView] = useState('');
  const [light, setLight] = useState('');
  const [note, setNote] = useState('');
  const take = async (file: File): Promise<string | null> => {
    const picture = await kept(file);
    if (typeof picture === 'string') return picture;
    const entity: Photo = {
      ...picture,
      waterId: water.id,
      at: isoOf(Date.now()),
      note: note.trim(),
      view: view.trim(),
      light: light.trim(),
      ...(of === '' ? {} : { of: { kind: 'animal', id: of } }),
    };
    await dispatch(commit('Photo kept', [{ put: 'photos', entity }]));
    setNote('');
    return null;
  };
  const views = [...new Set(photosOf(doc, water.id).map((p) => p.view))].filter(Boolean).slice(0, 6);
  return (
    <Section title="New photo">
      <Pick label="It shows" value={of} options={subjects(doc, water.id)} onChange={setOf} />
      <TextField
        label="View"
        value={view}
        maxLength={80}
        hint="From one place each time, under one name: front, left corner."
        onChange={setView}
      />
      {views.length > 0 ? (
        <Choice
          label="Views so far"
          options={views.map((v) => ({ value: v, label: v }))}
          value={view}
          onChange={setView}
        />
      ) : null}
      <TextField label="How the light is set" value={light} maxLength={80} onChange={setLight} />
      <TextField label="Note" value={note} onChange={setNote} />
      <PickPhoto onPicked={take} />
      <Txt kind="small" tone="second">
        It is scaled and written anew: no place, device or name stays in it.
      </Txt>
    </Section>
  );
}

/** What the pictures take, and how many; thinned out only when it was said twice. */
function Stored({
  photos,
  bytes,
  thin,
}: {
  photos: readonly Photo[];
  bytes: number;
  thin: readonly Photo[];
}) {
  const dispatch = useAppDispatch();
  const [sure, setSure] = useState(false);
  const go = async () => {
    await dispatch(
      commit(
        'Photos thinned out',
        thin.map((p) => ({ remove: 'photos', id: p.id })),
      ),
    );
    await dropPictures(thin.map((p) => p.id));
    setSure(false);
  };
  return photos.length === 0 ? null : (
    <Section title="In this browser">
      <Line name="Pictures of this water" value={`${photos.length}, ${megabytes(bytes)}`} />
      {thin.length > 0 ? (
        <>
          <Txt kind="small" tone="second">
            Thinned out, the newest of each view stay, and before them the first of each month:
            {` ${thin.length} would go for good, ${megabytes(thin.reduce((sum, p) => sum + p.bytes, 0))}.`}
          </Txt>
          <Row wrap>
            {sure ? (
              <>
                <Button label={`Yes, ${thin.length} go for good`} onPress={() => void go()} />
                <Button kind="quiet" label="Keep them all" onPress={() => setSure(false)} />
              </>
            ) : (
              <Button kind="quiet" label="Thin them out" onPress={() => setSure(true)} />
            )}
          </Row>
        </>
      ) : null}
    </Section>
  );
}

const styles = styleSheet({
  strip: { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) },
  one: { gap: space(2) },
});
