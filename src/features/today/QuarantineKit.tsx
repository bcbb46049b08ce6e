import { QUARANTINE_KIT, type Quarantine, type QuarantineKit as Point } from '../../../core/document';
import { commit, localDay, shortWrittenDay, useAppDispatch, useAppSelector } from '../../store';
import { Check, Section, Txt } from '../../ui';

const POINTS: Record<Point, { label: string; why: string }> = {
  qHeater: { label: 'Heater with its own thermometer', why: 'A small tank cools in an hour.' },
  qFilter: { label: 'A filter or sponge, and air', why: 'Medicines and warmth take oxygen.' },
  qTools: {
    label: 'Siphon, net and bucket of its own',
    why: 'What touches both tanks carries everything over.',
  },
  qCover: { label: 'A tight cover', why: 'A frightened fish jumps.' },
  qShelter: { label: 'Pipes or pots to hide in', why: 'Plastic, not rock: it soaks up nothing.' },
  qLight: {
    label: 'A light to look by, and dusk',
    why: 'Signs are seen against the light; rest wants shade.',
  },
  qSpareWater: {
    label: 'Salt water ready, matched and warm',
    why: 'The first answer to ammonia is clean water.',
  },
};

/** The seven things a quarantine needs, ticked off with the day. */
export function QuarantineKit({ water }: { water: Quarantine }) {
  const dispatch = useAppDispatch();
  const setup = useAppSelector((s) => s.document.entities.setup);
  const done = new Map(
    Object.values(setup)
      .filter((s) => s.waterId === water.id)
      .map((s) => [s.item, s]),
  );
  const left = QUARANTINE_KIT.filter((p) => !done.has(p)).length;
  const toggle = (item: Point, on: boolean) => {
    const id = done.get(item)?.id ?? `${water.id.slice(0, 48)}-${item}`;
    void dispatch(
      commit(
        on ? `${POINTS[item].label} ✓` : `${POINTS[item].label}: open again`,
        on
          ? [{ put: 'setup', entity: { id, waterId: water.id, item, doneDay: localDay(Date.now()) } }]
          : [{ remove: 'setup', id }],
      ),
    );
  };
  return (
    <Section title={left === 0 ? 'Its kit is complete' : `Its kit: ${left} of ${QUARANTINE_KIT.length} open`}>
      {QUARANTINE_KIT.map((item) => {
        const point = done.get(item);
        return (
          <Check
            key={item}
            label={POINTS[item].label}
            note={point ? `since ${shortWrittenDay(point.doneDay)}` : POINTS[item].why}
            checked={point !== undefined}
            onChange={(on) => toggle(item, on)}
          />
        );
      })}
      <Txt kind="small" tone="second">
        Heater and pumps are unplugged before a hand goes in; plugs hang above a drip loop.
      </Txt>
    </Section>
  );
}
