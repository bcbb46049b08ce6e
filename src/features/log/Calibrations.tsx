import type { Calibration, Kit } from '../../../core/document';
import {
  calibrationSessions,
  daysSinceCalibration,
  type CalibrationSession,
} from '../../../core/instruments';
import { formatDecimal, toUnit } from '../../../core/units';
import { commit, dayAndHour, newId, useAppDispatch, useAppSelector } from '../../store';
import { FieldRow, Section, Table, Txt } from '../../ui';
import { useUnits } from '../shell';
import { CheckEntry, TextEntry, useEntryForm } from '../shell/form';
import { SaveButton } from '../shell/saving';
import { readCalibration } from './calibrationForm';
import { typedUnit } from './sampleForm';

/** ", calibrated 12 days ago" for a list; nothing when never. */
export function calibratedWords(kit: Kit, calibrations: Record<string, Calibration>): string {
  const days = daysSinceCalibration(
    calibrationSessions(
      Object.values(calibrations).filter((c) => c.kitId === kit.id),
      kit.parameter,
    ),
    Date.now(),
  );
  return days === null
    ? ''
    : days === 0
      ? ', calibrated today'
      : `, calibrated ${days} day${days === 1 ? '' : 's'} ago`;
}

/** How readings after a calibration that found a drift are taken. */
function afterDrift(last: CalibrationSession): string {
  if (last.adjusted) return 'It was then set to the standard.';
  return last.correction.from === 'slope'
    ? 'Later readings are corrected by slope and offset.'
    : 'Later readings are corrected by the offset.';
}

/** An instrument against its standards: what was found, what follows for the readings before and after. */
export function Calibrations({ kit }: { kit: Kit }) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const all = useAppSelector((s) => s.document.entities.calibrations);
  const mine = Object.values(all)
    .filter((c) => c.kitId === kit.id)
    .sort((a, b) => (a.at < b.at ? 1 : -1));
  const sessions = calibrationSessions(mine, kit.parameter);
  const last = sessions[sessions.length - 1];
  const { key, label } = typedUnit(kit, units);
  const shown = (x: number) => {
    try {
      return formatDecimal(key === null ? x : toUnit(key, x), 4);
    } catch {
      return formatDecimal(x, 2);
    }
  };
  const form = useEntryForm({
    start: { standard: '', reading: '', temp: '', adjusted: false },
    read: (texts) => readCalibration(texts, { kitId: kit.id, unit: key, heat: units.temperature }),
    save: ({ calibration }) => {
      const entity = { ...calibration, id: newId(), at: new Date().toISOString() };
      return dispatch(commit(`${kit.name} calibrated`, [{ put: 'calibrations', entity }]));
    },
    done: 'restart',
  });
  return (
    <Section title="Calibrations">
      {last ? (
        <Txt tone={last.good ? 'go' : 'nitrite'}>
          {last.good
            ? `Last one good, off by ${shown(Math.abs(last.error))}.`
            : `Last one found a drift: readings since the good one before are kept, not trusted. ${afterDrift(last)}`}
        </Txt>
      ) : (
        <Txt kind="small" tone="second">
          One standard allows an offset, two within two hours a slope as well.
        </Txt>
      )}
      {mine.length > 0 ? (
        <Table
          caption="Calibrations, newest first"
          columns={[
            { title: 'when', flex: 1.4 },
            { title: 'standard' },
            { title: 'it showed' },
            { title: 'then' },
          ]}
          rows={mine
            .slice(0, 12)
            .map((c) => [
              dayAndHour(Date.parse(c.at)),
              shown(c.standard),
              shown(c.reading),
              c.adjusted ? 'set to it' : 'left as is',
            ])}
        />
      ) : null}
      <FieldRow>
        <TextEntry form={form} name="standard" numeric label="Standard" unit={label || undefined} />
        <TextEntry form={form} name="reading" numeric label="It shows" unit={label || undefined} />
        <TextEntry
          form={form}
          name="temp"
          numeric
          label="Temperature of the standard"
          unit={units.temperature === 'C' ? '°C' : '°F'}
          hint="If known."
        />
      </FieldRow>
      <CheckEntry form={form} name="adjusted" label="I then set it to the standard" />
      <SaveButton saving={form.saving} icon="keep" label="Log the calibration" onPress={form.save} />
    </Section>
  );
}
