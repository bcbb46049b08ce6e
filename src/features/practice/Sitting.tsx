import { useState } from 'react';
import { PARAMETERS, PARAMETER_NAMES, parameterName, type Parameter } from '../../../core/document';
import { PRICES, sitting, sittingMinutes, type Truth } from '../../../core/practice';
import { MINUTE_MS } from '../../../core/time';
import {
  commit,
  isoOf,
  movePracticeClock,
  newId,
  selectAssessment,
  selectDocument,
  useAppDispatch,
  useAppSelector,
  type PracticeRun,
} from '../../store';
import { Button, Check, Line, Row, Section, Txt } from '../../ui';
import { useUnits } from '../shell';
import { toggled } from '../shell/form';
import { SaveButton, useSaving } from '../shell/saving';
import { readingLine } from './told';

const TESTED: readonly Parameter[] = [
  'ammonia',
  'nitrite',
  'nitrate',
  'salinity',
  'temperature',
  'alkalinity',
  'ph',
  'phosphate',
];

/** The kits on the table: what is due is chosen first; what they show is read once and logged as it is. */
export function Sitting({
  run,
  truth,
  waterId,
  now,
}: {
  run: PracticeRun;
  truth: Truth;
  waterId: string;
  now: number;
}) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const doc = useAppSelector(selectDocument);
  const due = useAppSelector((s) => selectAssessment(s, waterId, now).due);
  const [chosen, setChosen] = useState<readonly Parameter[] | null>(null);
  const [shown, setShown] = useState<ReturnType<typeof sitting> | null>(null);
  const saving = useSaving();
  const picked: readonly Parameter[] = chosen ?? due.filter((p) => TESTED.includes(p));
  return (
    <Section title="Kits">
      <Row wrap>
        {PARAMETERS.filter((p) => TESTED.includes(p)).map((p) => (
          <Check
            key={p}
            label={PARAMETER_NAMES[p]}
            checked={picked.includes(p)}
            onChange={(on) => {
              setShown(null);
              setChosen(toggled(picked, p, on));
            }}
          />
        ))}
      </Row>
      {picked.length > 0 ? (
        <Txt kind="small" tone="second">
          {`About ${sittingMinutes(doc.kits, picked)} minutes at the table; costs ${PRICES.sitting}.`}
        </Txt>
      ) : null}
      {shown ? (
        <>
          {shown.map((r) => (
            <Line
              key={r.parameter}
              name={parameterName(r.parameter, {})}
              value={readingLine(r, doc.kits, units)}
            />
          ))}
          <Row>
            <SaveButton
              saving={saving}
              kind="primary"
              label="Log what they show"
              onPress={() =>
                void saving.run(
                  () =>
                    dispatch(
                      commit('Practice readings logged', [
                        {
                          put: 'samples',
                          entity: {
                            id: newId(),
                            waterId,
                            at: isoOf(Date.now()),
                            readings: shown,
                            note: '',
                          },
                        },
                      ]),
                    ),
                  () => {
                    setShown(null);
                    setChosen(null);
                    // What is done next comes after it.
                    movePracticeClock(Date.now() + sittingMinutes(doc.kits, picked) * MINUTE_MS);
                  },
                )
              }
            />
          </Row>
        </>
      ) : (
        <Row>
          <Button
            label="Test"
            disabled={picked.length === 0}
            onPress={() => setShown(sitting(doc, truth, picked, run.seed))}
          />
        </Row>
      )}
    </Section>
  );
}
