import type { Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { placeOf, type Animal, type Display } from '../../../core/document';
import {
  flowAt,
  lightAt,
  misplaced,
  movedTo,
  reachOf,
  stoodBefore,
  type Board as BoardData,
  type Glass,
  type Spot,
} from '../../../core/placement';
import { speciesOf } from '../../../core/species';
import { formatDecimal, toUnit, unitLabel } from '../../../core/units';
import { animalWords } from '../../../core/words';
import { misplacedText, notKnown, placeFacts } from '../../../core/words/placement';
import { commit, isoOf, selectDocument, shortDay, useAppDispatch, useAppSelector } from '../../store';
import { Button, Choice, Empty, FieldRow, Go, Line, Row, Screen, Section, TextField, Txt } from '../../ui';
import { PlaceMap, type MapPiece } from '../../ui/charts/PlaceMap';
import { useUnits, WithDisplay } from '../shell';
import { BoardPoints } from './BoardPoints';
import {
  boardOf,
  glassSides,
  labelOf,
  lightFields,
  placeable,
  placedOf,
  readSpot,
  spotOf,
  type SpotTexts,
} from './boardModel';

export function BoardScreen() {
  return <WithDisplay>{(water) => <Board water={water} />}</WithDisplay>;
}

function Board({ water }: { water: Display }) {
  const glass = glassSides(water);
  return glass ? (
    <Placing water={water} glass={glass} />
  ) : (
    <Screen title="Places">
      <Empty
        alone
        title="The sides of the glass are not said"
        text="Places are kept in its length, width and height: say them under Edit instead of a volume."
      >
        <Go href={`/water/${water.id}/edit` as Href}>Edit the tank</Go>
      </Empty>
    </Screen>
  );
}

/** The place of each thing: front and top of the glass, who stands where, and what speaks against it. */
function Placing({ water, glass }: { water: Display; glass: Glass }) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const [chosenId, setChosen] = useState('');
  const board = boardOf(water);
  const animals = useMemo(() => placeable(doc, water), [doc, water]);
  const placed = placedOf(doc, animals);
  const wrong = misplaced(board, glass, placed);
  const nameOf = (id: string) => (doc.animals[id] ? animalWords(doc, doc.animals[id]) : '');
  const chosen = animals.find((a) => a.id === chosenId);
  const put = (animal: Animal, spot: Spot) =>
    void dispatch(
      commit(`${animalWords(doc, animal)}: place`, [
        { put: 'animals', entity: movedTo(animal, spot, isoOf(Date.now())) },
      ]),
    );
  const pieces = (side: 'front' | 'top'): MapPiece[] =>
    placed.map((p) => ({
      id: p.id,
      label: labelOf(placed, p),
      x: p.spot.xCm,
      y: side === 'front' ? p.spot.zCm : p.spot.yCm,
      radius: p.species.arrivalCm / 2,
      grown: reachOf(p.species),
      chosen: p.id === chosenId,
      wrong: wrong.some((m) => m.id === p.id || ('other' in m && m.other === p.id)),
      reserved: placeOf(doc.animals[p.id] as Animal).kind === 'wish',
    }));
  const touch = (side: 'front' | 'top') => (x: number, up: number) => {
    if (!chosen) return;
    const was = spotOf(doc, chosen) ?? { xCm: x, yCm: glass.widthCm / 2, zCm: glass.waterCm / 4 };
    put(chosen, side === 'front' ? { ...was, xCm: x, zCm: up } : { ...was, xCm: x, yCm: up });
  };
  const unknown = placed.length > 0 ? notKnown(board) : null;
  return (
    <Screen title="Places" aside={<BoardPoints water={water} glass={glass} board={board} />}>
      <Txt kind="title" heading={1}>
        {titleOf(placed.length, new Set(wrong.map((m) => m.id)).size, unknown !== null)}
      </Txt>
      <Txt kind="small" tone="second">
        Front, from where you sit. Discs as bought, rings grown up; hollow ones are kept for wishes.
        {unknown === null ? '' : ` ${unknown}`}
      </Txt>
      {(['front', 'top'] as const).map((side) => (
        <SideView
          key={side}
          side={side}
          glass={glass}
          light={lightFields(board, glass, side, chosen ? spotOf(doc, chosen) : null)}
          flows={board.flow.map((f) => ({ x: f.xCm, y: side === 'front' ? f.zCm : f.yCm, label: f.flow }))}
          rocks={board.rocks.map((r) =>
            side === 'front'
              ? { x: r.xCm, y: 0, width: r.widthCm, height: r.heightCm }
              : { x: r.xCm, y: r.yCm, width: r.widthCm, height: r.depthCm },
          )}
          pieces={pieces(side)}
          onTouch={touch(side)}
        />
      ))}
      {wrong.map((m) => (
        <Txt key={JSON.stringify(m)} tone="ammonia">
          {misplacedText(m, nameOf, units)}
        </Txt>
      ))}
      {placed.some((p) => p.species.is.includes('anemone')) ? (
        <Txt kind="small" tone="second">
          An anemone walks until a place suits it, and stings what it passes: guard every pump intake, and
          place corals around it once it has stayed for weeks.
        </Txt>
      ) : null}
      {animals.length === 0 ? (
        <Empty
          title="Nothing to place"
          text="Corals, anemones and clams that live here or are wished for stand here."
        />
      ) : (
        <Choice
          label="Place or move"
          stacked
          options={animals.map((a) => ({
            value: a.id,
            label: animalWords(doc, a),
            note: spotOf(doc, a) ? '' : 'no place yet',
          }))}
          value={chosenId}
          onChange={setChosen}
        />
      )}
      {chosen ? (
        <Spotted
          key={chosen.id}
          animal={chosen}
          glass={glass}
          board={board}
          onPut={(spot) => put(chosen, spot)}
        />
      ) : null}
      <Territories water={water} />
    </Screen>
  );
}

function titleOf(placed: number, bad: number, unknown: boolean): string {
  if (placed === 0) return 'Nobody has a place yet';
  if (bad > 0) return bad === 1 ? 'One stands badly' : `${bad} stand badly`;
  return unknown ? 'Nothing speaks against them, as far as is known' : 'All stand well';
}

function SideView({
  side,
  glass,
  ...map
}: { side: 'front' | 'top'; glass: Glass } & Omit<
  Parameters<typeof PlaceMap>[0],
  'across' | 'up' | 'summary'
>) {
  const name = side === 'front' ? 'Front' : 'From above, the front below';
  return (
    <>
      <Txt kind="small" tone="second">
        {name}
      </Txt>
      <PlaceMap
        {...map}
        across={glass.lengthCm}
        up={side === 'front' ? glass.waterCm : glass.widthCm}
        summary={`${name}: ${map.pieces.map((p) => `${p.label} ${Math.round(p.x)} cm from the left`).join('; ') || 'nothing placed'}.`}
      />
    </>
  );
}

/** Its place in figures, for keys and for the exact; and where it stood before. */
function Spotted({
  animal,
  glass,
  board,
  onPut,
}: {
  animal: Animal;
  glass: Glass;
  board: BoardData;
  onPut: (spot: Spot) => void;
}) {
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const { coral } = speciesOf(doc, animal.speciesId);
  const spot = spotOf(doc, animal);
  const shown = (cm: number) => formatDecimal(toUnit(units.length, cm), 1);
  const start = (): SpotTexts =>
    spot ? { x: shown(spot.xCm), y: shown(spot.yCm), z: shown(spot.zCm) } : { x: '', y: '', z: '' };
  const [texts, setTexts] = useState(start);
  const [tried, setTried] = useState(false);
  const facts =
    spot && coral ? placeFacts(lightAt(board, spot, glass.waterCm), flowAt(board, spot), coral) : null;
  const read = readSpot(texts, glass, units);
  const faults = read.ok || !tried ? {} : read.faults;
  const field = (key: keyof SpotTexts, label: string) => (
    <TextField
      numeric
      label={label}
      unit={unitLabel(units.length)}
      value={texts[key]}
      onChange={(text) => setTexts({ ...texts, [key]: text })}
      error={faults[key]}
    />
  );
  return (
    <Section title="Its place">
      <Txt kind="small" tone="second">
        Touch a view to place it, or say where:
      </Txt>
      <FieldRow>
        {field('x', 'From the left')}
        {field('y', 'From the front')}
        {field('z', 'Above the bottom')}
      </FieldRow>
      <Row>
        <Button
          label="Put it there"
          onPress={() => {
            setTried(true);
            if (read.ok) onPut(read.spot);
          }}
        />
      </Row>
      {facts ? (
        <>
          <Line name="Light there" value={facts.light} />
          <Line name="Flow there" value={facts.flow} />
        </>
      ) : null}
      {stoodBefore(animal, doc.waters)
        .slice(0, 5)
        .map(({ spot: s, from }, i) => (
          <Line
            key={i}
            name={`Stood before, from ${shortDay(from)}`}
            value={`${shown(s.xCm)}, ${shown(s.yCm)}, ${shown(s.zCm)} ${unitLabel(units.length)}`}
          />
        ))}
      <Txt kind="small" tone="second">
        Moving rock stirs up what lies in it: dry hands at the plugs, pumps off first.
      </Txt>
    </Section>
  );
}

/** Fish that hold ground, as a hint where not to crowd them. */
function Territories({ water }: { water: Display }) {
  const doc = useAppSelector(selectDocument);
  const holders = Object.values(doc.animals).filter(
    (a) =>
      a.homeId === water.id && placeOf(a).kind !== 'gone' && speciesOf(doc, a.speciesId).territory !== 'none',
  );
  if (holders.length === 0) return null;
  const WORDS = { none: '', cave: 'a cave', patch: 'a patch of rock', tank: 'the whole tank' };
  return (
    <Section title="Ground that is held">
      {holders.map((a) => (
        <Line key={a.id} name={animalWords(doc, a)} value={WORDS[speciesOf(doc, a.speciesId).territory]} />
      ))}
      <Txt kind="small" tone="second">
        A cave for each, out of sight of the next, saves most fights.
      </Txt>
    </Section>
  );
}
