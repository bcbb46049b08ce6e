import { useState } from 'react';
import type { Display } from '../../../core/document';
import type { Board, Glass, Spot } from '../../../core/placement';
import { formatDecimal, readEntry, toUnit, unitLabel } from '../../../core/units';
import { commit, useAppDispatch } from '../../store';
import { Button, Choice, FieldRow, Line, Row, Section, TextField, Txt } from '../../ui';
import { useUnits } from '../shell';
import { BoardLayouts } from './BoardLayouts';
import { readSpot, type SpotTexts } from './boardModel';

const NONE: SpotTexts = { x: '', y: '', z: '' };
type Flow = Board['flow'][number]['flow'];

/** Light as measured or guessed, flow, and rock: what the places are judged by. */
export function BoardPoints({ water, glass, board }: { water: Display; glass: Glass; board: Board }) {
  const dispatch = useAppDispatch();
  const put = (patch: Partial<Board>) =>
    void dispatch(
      commit('Board: light, flow, rock', [
        { put: 'waters', entity: { ...water, board: { ...board, ...patch } } },
      ]),
    );
  return (
    <>
      <Txt kind="section" heading={2}>
        Light, flow and rock
      </Txt>
      <Surface
        par={board.surfacePar}
        measured={board.par.length > 0}
        onPar={(surfacePar) => put({ surfacePar })}
      />
      <Points glass={glass} board={board} onPut={put} />
      <Rocks glass={glass} board={board} onPut={put} />
      <BoardLayouts water={water} glass={glass} board={board} />
    </>
  );
}

function Surface({
  par,
  measured,
  onPar,
}: {
  par: number | null;
  measured: boolean;
  onPar: (par: number | null) => void;
}) {
  const [text, setText] = useState(par === null ? '' : String(par));
  const read = readEntry(text, { name: 'PAR', unit: null, min: 0, max: 3000, whenEmpty: 0 });
  return (
    <TextField
      numeric
      label="Under the surface, as a guess"
      unit="PAR"
      value={text}
      hint={measured ? 'Measured points count instead.' : 'From the fixture’s maker, until you measure.'}
      onChange={setText}
      error={read.ok ? undefined : read.message}
      onBlur={() => {
        const next = text.trim() === '' ? null : read.ok ? read.value : par;
        if (next !== par) onPar(next);
      }}
    />
  );
}

interface PartProps {
  glass: Glass;
  board: Board;
  onPut: (patch: Partial<Board>) => void;
}

/** A point with its PAR, its flow, or both. */
function Points({ glass, board, onPut }: PartProps) {
  const units = useUnits();
  const [texts, setTexts] = useState(NONE);
  const [par, setPar] = useState('');
  const [flow, setFlow] = useState<Flow | ''>('');
  const [tried, setTried] = useState(false);
  const spot = readSpot(texts, glass, units);
  const read = readEntry(par, { name: 'PAR', unit: null, min: 0, max: 3000, whenEmpty: 0 });
  const faults = !tried || spot.ok ? {} : spot.faults;
  const nothing = par.trim() === '' && flow === '';
  const add = () => {
    setTried(true);
    if (!spot.ok || !read.ok || nothing) return;
    onPut({
      ...(par.trim() === '' ? {} : { par: [...board.par, { ...spot.spot, par: read.value }] }),
      ...(flow === '' ? {} : { flow: [...board.flow, { ...spot.spot, flow }] }),
    });
    setTexts(NONE);
    setPar('');
    setFlow('');
    setTried(false);
  };
  const where = ({ xCm, yCm, zCm }: Spot) =>
    [xCm, yCm, zCm].map((cm) => formatDecimal(toUnit(units.length, cm), 0)).join(', ');
  return (
    <Section title="A measured point">
      <SpotFields texts={texts} faults={faults} onTexts={setTexts} />
      <TextField
        numeric
        label="Light there"
        unit="PAR"
        value={par}
        onChange={setPar}
        error={tried && !read.ok ? read.message : undefined}
      />
      <Choice
        label="Flow there"
        options={[
          { value: 'low', label: 'Low' },
          { value: 'medium', label: 'Medium' },
          { value: 'high', label: 'High' },
        ]}
        value={flow}
        onChange={setFlow}
      />
      {tried && nothing ? <Txt tone="ammonia">Say its light, its flow, or both.</Txt> : null}
      <Row>
        <Button icon="add" label="Add the point" onPress={add} />
      </Row>
      {board.par.map((p, i) => (
        <Entry
          key={`par ${i}`}
          name={`${where(p)} ${unitLabel(units.length)}`}
          value={`${p.par.toFixed(0)} PAR`}
          onRemove={() => onPut({ par: board.par.filter((_, n) => n !== i) })}
        />
      ))}
      {board.flow.map((p, i) => (
        <Entry
          key={`flow ${i}`}
          name={`${where(p)} ${unitLabel(units.length)}`}
          value={`${p.flow} flow`}
          onRemove={() => onPut({ flow: board.flow.filter((_, n) => n !== i) })}
        />
      ))}
    </Section>
  );
}

/** Rock as blocks on the bottom. */
function Rocks({ glass, board, onPut }: PartProps) {
  const units = useUnits();
  const [texts, setTexts] = useState({ x: '', y: '', width: '', depth: '', height: '' });
  const [tried, setTried] = useState(false);
  const read = (text: string, name: string, min: number, max: number) =>
    readEntry(text, { name, unit: units.length, min, max });
  const fields = {
    x: read(texts.x, 'From the left', 0, glass.lengthCm),
    y: read(texts.y, 'From the front', 0, glass.widthCm),
    width: read(texts.width, 'Width', 1, glass.lengthCm),
    depth: read(texts.depth, 'Depth', 1, glass.widthCm),
    height: read(texts.height, 'Height', 1, glass.waterCm),
  };
  const LABELS = {
    x: 'Left edge',
    y: 'Front edge',
    width: 'Width',
    depth: 'Depth',
    height: 'Height',
  } as const;
  const add = () => {
    setTried(true);
    const { x, y, width, depth, height } = fields;
    if (!x.ok || !y.ok || !width.ok || !depth.ok || !height.ok) return;
    onPut({
      rocks: [
        ...board.rocks,
        {
          xCm: x.value,
          yCm: y.value,
          widthCm: width.value,
          depthCm: depth.value,
          heightCm: height.value,
        },
      ],
    });
    setTexts({ x: '', y: '', width: '', depth: '', height: '' });
    setTried(false);
  };
  return (
    <Section title="Rock as blocks">
      <FieldRow>
        {(Object.keys(LABELS) as (keyof typeof LABELS)[]).map((key) => {
          const entry = fields[key];
          return (
            <TextField
              key={key}
              numeric
              label={LABELS[key]}
              unit={unitLabel(units.length)}
              value={texts[key]}
              onChange={(text) => setTexts({ ...texts, [key]: text })}
              error={tried && !entry.ok ? entry.message : undefined}
            />
          );
        })}
      </FieldRow>
      <Row>
        <Button icon="add" label="Add the rock" onPress={add} />
      </Row>
      {board.rocks.map((r, i) => (
        <Entry
          key={i}
          name={`Rock ${i + 1}`}
          value={`${formatDecimal(toUnit(units.length, r.widthCm), 0)} × ${formatDecimal(toUnit(units.length, r.depthCm), 0)} × ${formatDecimal(toUnit(units.length, r.heightCm), 0)} ${unitLabel(units.length)}`}
          onRemove={() => onPut({ rocks: board.rocks.filter((_, n) => n !== i) })}
        />
      ))}
    </Section>
  );
}

function SpotFields({
  texts,
  faults,
  onTexts,
}: {
  texts: SpotTexts;
  faults: Partial<Record<keyof SpotTexts, string>>;
  onTexts: (texts: SpotTexts) => void;
}) {
  const units = useUnits();
  const LABELS = {
    x: 'Point from the left',
    y: 'Point from the front',
    z: 'Point above the bottom',
  } as const;
  return (
    <FieldRow>
      {(Object.keys(LABELS) as (keyof SpotTexts)[]).map((key) => (
        <TextField
          key={key}
          numeric
          label={LABELS[key]}
          unit={unitLabel(units.length)}
          value={texts[key]}
          onChange={(text) => onTexts({ ...texts, [key]: text })}
          error={faults[key]}
        />
      ))}
    </FieldRow>
  );
}

function Entry({ name, value, onRemove }: { name: string; value: string; onRemove: () => void }) {
  return (
    <Row style={{ justifyContent: 'space-between' }}>
      <Line name={name} value={value} />
      <Button kind="quiet" icon="remove" label="Remove" name={`Remove ${name}`} onPress={onRemove} />
    </Row>
  );
}
