import type { Grazing } from '../../../core/after';
import { STRIP_LEFT, type Display } from '../../../core/document';
import { formatDecimal, toUnit, unitLabel } from '../../../core/units';
import { commit, isoOf, newId, shortDay, useAppDispatch } from '../../store';
import { Button, Line, Row, Txt } from '../../ui';
import { useUnits } from '../shell';

type StripLeft = (typeof STRIP_LEFT)[number];

const LEFT_WORDS: Record<StripLeft, string> = {
  none: 'Nothing left',
  some: 'Some left',
  most: 'Most left',
};
const SAID_WORDS: Record<StripLeft, string> = {
  none: 'finished: they are hungry. Feed seaweed daily, and add no grazer.',
  some: 'partly eaten: they find enough, with little to spare.',
  most: 'hardly touched: they are fed.',
};

/** A strip of seaweed as large as what the grazers would finish in half a day, and what was left of it. */
export function StripTest({ water, grazing, now }: { water: Display; grazing: Grazing; now: number }) {
  const dispatch = useAppDispatch();
  const { length } = useUnits();
  const side = Math.max(1, Math.sqrt(grazing.stripCm2 / 2));
  const size = `${formatDecimal(toUnit(length, side), 1)} × ${formatDecimal(toUnit(length, 2 * side), 1)} ${unitLabel(length)}`;
  return (
    <>
      <Line name="They eat like" value={`${grazing.snails.toFixed(1)} snails of medium size`} />
      <Txt>
        {`Strip test: offer dried seaweed of ${size} in the morning, and look after half a day. It is about what they would finish if nothing else fed them.`}
      </Txt>
      <Row wrap>
        {STRIP_LEFT.map((left) => (
          <Button
            key={left}
            label={LEFT_WORDS[left]}
            onPress={() =>
              void dispatch(
                commit(`Strip test: ${LEFT_WORDS[left].toLowerCase()}`, [
                  {
                    put: 'events',
                    entity: {
                      id: newId(),
                      waterId: water.id,
                      at: isoOf(now),
                      note: '',
                      kind: 'seaweed',
                      areaCm2: grazing.stripCm2,
                      left,
                    },
                  },
                ]),
              )
            }
          />
        ))}
      </Row>
      {grazing.last ? (
        <Txt tone={grazing.last.left === 'none' ? 'nitrite' : 'go'}>
          {`The strip of ${shortDay(grazing.last.atMs)} was ${SAID_WORDS[grazing.last.left]}`}
        </Txt>
      ) : null}
    </>
  );
}
