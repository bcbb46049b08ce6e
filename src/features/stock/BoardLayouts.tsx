import { useState } from 'react';
import { MAX_NAME, type Display } from '../../../core/document';
import { layoutFacts, sameRocks, type Board, type Glass } from '../../../core/placement';
import { showQuantity } from '../../../core/units';
import { commit, localDay, shortWrittenDay, useAppDispatch } from '../../store';
import { Button, Row, Section, TextField, Txt } from '../../ui';
import { PlaceMap } from '../../ui/charts/PlaceMap';
import { useUnits } from '../shell';
import { useSaving } from '../shell/saving';

type Rocks = Board['rocks'];
const MOST = 20;

/** Ways to set the rock, each with its figures: kept under a name, and taken up again. What stands is never lost by it. */
export function BoardLayouts({ water, glass, board }: { water: Display; glass: Glass; board: Board }) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState('');
  const saving = useSaving();
  const [fault, setFault] = useState<string | null>(null);
  const kept = board.layouts ?? [];
  const standsKept = kept.some((l) => sameRocks(l.rocks, board.rocks));
  const put = (label: string, patch: Partial<Board>) =>
    dispatch(commit(label, [{ put: 'waters', entity: { ...water, board: { ...board, ...patch } } }]));
  const keep = () => {
    const called = name.trim();
    const wrong = faultOf(called, kept, board.rocks);
    setFault(wrong);
    if (wrong) return;
    // What was typed stays until it is stored.
    void saving.run(
      () => put(`Layout “${called}” kept`, { layouts: [...kept, { name: called, rocks: board.rocks }] }),
      () => setName(''),
    );
  };
  const take = (layout: { name: string; rocks: Rocks }) => {
    const standing = { name: `As it stood, ${shortWrittenDay(localDay(Date.now()))}`, rocks: board.rocks };
    const layouts = standsKept || board.rocks.length === 0 ? kept : [...kept, standing].slice(-MOST);
    void put(`Rock set as “${layout.name}”`, { rocks: layout.rocks, layouts });
  };
  return (
    <Section title="Layouts">
      <Facts rocks={board.rocks} glass={glass} />
      <Txt kind="small" tone="second">
        Before water: each piece on the bottom, not on sand; pushed from all sides and on top, nothing may
        rock; a hand behind it and caves right through. Epoxy and cement: gloves, and the label’s cure.
      </Txt>
      <TextField
        label="Keep this layout as"
        value={name}
        onChange={(text) => {
          setName(text);
          setFault(null);
        }}
        error={fault}
      />
      <Row>
        <Button label="Keep the layout" onPress={keep} />
      </Row>
      {kept.map((layout, i) => (
        <Section key={`${layout.name} ${i}`} title={layout.name}>
          <PlaceMap
            light={[]}
            flows={[]}
            pieces={[]}
            rocks={layout.rocks.map((r) => ({ x: r.xCm, y: r.yCm, width: r.widthCm, height: r.depthCm }))}
            across={glass.lengthCm}
            up={glass.widthCm}
            summary={`${layout.name}, from above: ${layout.rocks.length} pieces.`}
          />
          <Facts rocks={layout.rocks} glass={glass} />
          <Row wrap>
            {sameRocks(layout.rocks, board.rocks) ? (
              <Txt tone="go">It stands like this.</Txt>
            ) : (
              <Button
                label="Set it like this"
                name={`Set it like ${layout.name}`}
                onPress={() => take(layout)}
              />
            )}
            <Button
              kind="quiet"
              icon="remove"
              label="Remove"
              name={`Remove ${layout.name}`}
              onPress={() =>
                void put(`Layout “${layout.name}” removed`, { layouts: kept.filter((_, n) => n !== i) })
              }
            />
          </Row>
        </Section>
      ))}
    </Section>
  );
}

function faultOf(name: string, kept: readonly { name: string }[], rocks: Rocks): string | null {
  if (rocks.length === 0) return 'Add a rock first: there is nothing to keep.';
  if (name === '') return 'Give the layout a name.';
  if (name.length > MAX_NAME) return `The name is too long: ${MAX_NAME} characters is the most.`;
  if (kept.some((l) => l.name === name)) return 'That name is taken. Choose another, or remove that layout.';
  if (kept.length >= MOST) return `${MOST} layouts is the most. Remove one first.`;
  return null;
}

/** Ground it takes, water above it, room around and between. */
function Facts({ rocks, glass }: { rocks: Rocks; glass: Glass }) {
  const units = useUnits();
  const facts = layoutFacts(rocks, glass);
  if (!facts)
    return (
      <Txt kind="small" tone="second">
        No rock yet: add it above as blocks.
      </Txt>
    );
  const shown = (cm: number) => showQuantity('length', Math.max(0, cm), units, 0);
  const { left, right, front, back } = facts.gapCm;
  return (
    <>
      <Txt kind="small">
        {`Covers ${Math.round(100 * facts.share)} % of the ground, ${shown(facts.freeAboveCm)} of water above the highest. To the glass: left ${shown(left)}, right ${shown(right)}, front ${shown(front)}, back ${shown(back)}.`}
      </Txt>
      {facts.narrowestCm === null ? null : (
        <Txt kind="small">{`The narrowest way between two pieces is ${shown(facts.narrowestCm)}.`}</Txt>
      )}
      {Math.min(left, right, front, back) < 0 || facts.freeAboveCm < 0 ? (
        <Txt tone="ammonia">A piece stands beyond the glass: check its edges.</Txt>
      ) : null}
    </>
  );
}
