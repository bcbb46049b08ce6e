import type { Equipment } from '../../../core/document';
import { socketsOf } from '../../../core/equipment';
import { Caution, Line, Section, Txt } from '../../ui';

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
