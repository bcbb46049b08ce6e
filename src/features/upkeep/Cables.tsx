import type { Equipment } from '../../../core/document';
import { socketsOf } from '../../../core/equipment';
import { commit, localDay, shortWrittenDay, useAppDispatch } from '../../store';
import { Button, Caution, Line, Row, Section, Txt } from '../../ui';

/** Where each cable goes, what switches it, and what one fuse would stop. */
export function Cables({ parts }: { parts: readonly Equipment[] }) {
  const sockets = socketsOf(parts);
  if (sockets.length === 0) return null;
  const unseen = sockets.flatMap((s) => s.parts).filter((p) => !p.plug?.loopSeenDay);
  return (
    <Section title="Cables">
      <Caution>
        Mains and salt water: a residual-current device, a drip loop on every cable, sockets above the water
        line. A licensed electrician and the local code decide.
      </Caution>
      {unseen.length > 0 ? (
        <Txt tone="nitrite">{`Drip loop not looked at: ${unseen.map((p) => p.name).join(', ')}.`}</Txt>
      ) : (
        <Txt tone="go">Every drip loop was looked at.</Txt>
      )}
      {sockets.map((s) => (
        <Section key={s.name} title={s.name === '' ? 'No socket said' : `${s.name}, ${s.watts.toFixed(0)} W`}>
          {s.parts.map((p) => (
            <Line key={p.id} name={p.name} value={cableWords(p)} />
          ))}
          {s.heatAndFlow ? (
            <Txt tone="nitrite">
              Heat and flow hang on this one: one fuse stops both. Hang one of them on another circuit.
            </Txt>
          ) : null}
        </Section>
      ))}
    </Section>
  );
}

const cableWords = (part: Equipment): string =>
  [part.watts === null ? '' : `${part.watts} W`, part.plug?.by ? `switched by ${part.plug.by}` : '']
    .filter(Boolean)
    .join(', ') || 'power not said';

/** Whether the cable hangs lower than its socket before it rises to it. */
export function DripLoop({ part }: { part: Equipment }) {
  const dispatch = useAppDispatch();
  if (part.endedDay !== null || (!part.plug && !part.watts)) return null;
  const seen = part.plug?.loopSeenDay ?? null;
  const plug = { socket: '', by: '', ...part.plug, loopSeenDay: localDay(Date.now()) };
  return (
    <Section title="Cable">
      <Txt tone={seen ? 'ink' : 'nitrite'}>
        {seen
          ? `Drip loop seen ${shortWrittenDay(seen)}.`
          : 'Drip loop not looked at: the cable hangs lower than its socket, so that water drips off and does not run in.'}
      </Txt>
      <Row>
        <Button
          label="Drip loop seen today"
          onPress={() =>
            void dispatch(
              commit(`${part.name}: drip loop seen`, [{ put: 'equipment', entity: { ...part, plug } }]),
            )
          }
        />
      </Row>
    </Section>
  );
}
