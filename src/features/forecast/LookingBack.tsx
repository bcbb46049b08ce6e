import type { Display } from '../../../core/document';
import { isOfDisplay, proofState } from '../../../core/evidence';
import { bandOf, heldAgainst, movesOf, saidOf } from '../../../core/forecast';
import { DAY_MS } from '../../../core/time';
import { heldWords, moveWords, movingEntries } from '../../../core/words/forecast';
import { localMidnight, selectDocument, selectEvidence, shortDay, useAppSelector } from '../../store';
import { Section, Txt } from '../../ui';
import { BandStrips } from '../../ui/charts/BandStrips';
import type { Ok } from './ok';

/** What was said of the date and when; what moved it; and, once it has come true, how far off it was. */
export function LookingBack({ water, answer: a }: { water: Display; answer: Ok }) {
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, a.atMs));
  const doc = useAppSelector(selectDocument);
  const list = saidOf(doc, water.id);
  const first = list[0];
  const last = list[list.length - 1];
  if (!first || !last || list.length < 2) return null;
  const proof = isOfDisplay(evidence) ? proofState(evidence) : null;
  const readyMs = proof?.status === 'passed' ? proof.proof.testAtMs : null;
  const toMs = Math.max(a.atMs, Date.parse(last.at));
  const dayOf = (ms: number) => (ms - a.startMs) / DAY_MS;
  const bands = list.map((s) => {
    const { lowMs, midMs, highMs } = bandOf(s);
    return { atMs: Date.parse(s.at), low: dayOf(lowMs), mid: dayOf(midMs), high: dayOf(highMs) };
  });
  const ready = readyMs === null ? [] : [{ atMs: readyMs, day: dayOf(readyMs) }];
  return (
    <Section title="What was said, and when">
      <BandStrips
        series={[
          {
            name: 'proof',
            unit: 'day of the tank',
            tone: 'nitrate',
            bands,
            points: ready.map(({ atMs, day }) => ({ atMs, low: day, mid: day, high: day })),
          },
        ]}
        nowMs={toMs}
        fromMs={Date.parse(first.at)}
        toMs={toMs}
        midnight={localMidnight}
        dayLabel={shortDay}
        summary={`The likely day of the proof as it was said on ${list.length} days; the sentences below say what moved it.`}
      />
      {movesOf(list, movingEntries(evidence)).map((m) => (
        <Txt key={m.atMs} kind="small">
          {moveWords(m, shortDay)}
        </Txt>
      ))}
      {readyMs === null
        ? null
        : heldAgainst(list, readyMs).map((h) => (
            <Txt key={h.atMs} kind="small">
              {heldWords(h, shortDay)}
            </Txt>
          ))}
    </Section>
  );
}
