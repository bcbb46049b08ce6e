import { inUnits } from '../../../core/words';
import { MINUTE_MS } from '../../../core/time';
import { useState } from 'react';
import { View } from 'react-native';
import type { SetupItem, Display } from '../../../core/document';
import { lastOf, trusted, type WaterEvidence } from '../../../core/evidence';
import { setupLists, type SandSchool, type SetupPoint } from '../../../core/setup';
import { showQuantity } from '../../../core/units';
import {
  commit,
  localDay,
  selectEvidence,
  shortWrittenDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Caution, Check, Choice, Screen, Section, space, Txt, useTheme, styleSheet } from '../../ui';
import { useUnits, WithDisplay } from '../shell';

export function SetupScreen() {
  return <WithDisplay>{(water) => <Setup water={water} />}</WithDisplay>;
}

/** Two ordered lists; each point with its reason, its evidence and the day it was done. */
function Setup({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const dispatch = useAppDispatch();
  const setup = useAppSelector((s) => s.document.entities.setup);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const done = new Map(
    Object.values(setup)
      .filter((s) => s.waterId === water.id)
      .map((s) => [s.item, s]),
  );
  const [sand, setSand] = useState<SandSchool>(() => (done.has('sandAfter') ? 'after' : 'before'));
  const lists = setupLists({
    school: water.school,
    sand,
    hasSump: water.sumpL > 0,
    hasSand: water.sandKg !== 0,
  });
  const toggle = (item: SetupItem, on: boolean) => {
    const id = `${water.id.slice(0, 48)}-${item}`;
    dispatch(
      commit(
        on ? 'Point of setting up dated' : 'Point of setting up open again',
        on
          ? [{ put: 'setup', entity: { id, waterId: water.id, item, doneDay: localDay(Date.now()) } }]
          : [{ remove: 'setup', id: done.get(item)?.id ?? id }],
      ),
    );
  };
  const all = [...lists.beforeWater, ...lists.filling];
  const left = all.filter((p) => !done.has(p.item)).length;
  const part = (points: SetupPoint[]) =>
    points.map((p, i) => (
      <Point
        key={p.item}
        n={i + 1}
        point={p}
        doneDay={done.get(p.item)?.doneDay ?? null}
        evidence={evidence}
        onToggle={(on) => toggle(p.item, on)}
      />
    ));
  return (
    <Screen title="Setting up">
      <Txt kind="title" heading={1}>
        Setting up
      </Txt>
      <Txt tone="second">
        {left === 0
          ? 'All points are dated.'
          : `${all.length - left} of ${all.length} points dated. Once begun, the essential ones hold the sea water gate until they are done.`}
      </Txt>
      <Caution>
        Mains power and salt water meet here: a licensed electrician, a residual-current device, drip loops,
        the local code. Lift with two people.
      </Caution>
      {water.sandKg !== 0 ? (
        <Choice
          label="Sand"
          options={[
            { value: 'before', label: 'before the water', note: 'Our default: it clouds least.' },
            { value: 'after', label: 'days later', note: 'Rock is set firm on glass first.' },
          ]}
          value={sand}
          onChange={setSand}
          stacked
        />
      ) : null}
      <Section title="Before water">{part(lists.beforeWater)}</Section>
      <Section title="Filling">{part(lists.filling)}</Section>
    </Screen>
  );
}

function Point({
  n,
  point,
  doneDay,
  evidence,
  onToggle,
}: {
  n: number;
  point: SetupPoint;
  doneDay: string | null;
  evidence: WaterEvidence;
  onToggle: (on: boolean) => void;
}) {
  const { roles } = useTheme();
  const units = useUnits();
  const found = useEvidenceWords(point, evidence);
  return (
    <View style={[styles.point, { borderColor: roles.hairline }]}>
      <Check
        label={`${n}. ${inUnits(point.title, units)}`}
        checked={doneDay !== null}
        onChange={onToggle}
        note={inUnits(point.reason, units)}
      />
      <View style={styles.under}>
        {doneDay ? (
          <Txt kind="small" tone="go">{`done ${shortWrittenDay(doneDay)}`}</Txt>
        ) : point.essential ? (
          <Txt kind="small" tone="second">
            essential
          </Txt>
        ) : null}
        {found ? (
          <Txt kind="small" tone="second">
            {found}
          </Txt>
        ) : null}
      </View>
    </View>
  );
}

/** What the log already says about a point. */
function useEvidenceWords(point: SetupPoint, e: WaterEvidence): string | null {
  const units = useUnits();
  switch (point.evidence) {
    case 'temperature': {
      const t = lastOf(trusted(e.series.temperature));
      return t
        ? `logged: ${showQuantity('temperature', t.interval.mid, units)}`
        : 'no temperature logged yet';
    }
    case 'salinity': {
      const s = lastOf(trusted(e.series.salinity));
      return s
        ? `logged: ${showQuantity('salinity', s.interval.mid, units)} with ${s.kit.name}`
        : 'no salinity logged yet';
    }
    case 'waterMade': {
      const made = e.events.reduce((sum, x) => (x.kind === 'waterMade' ? sum + x.litres : sum), 0);
      return made > 0 ? `logged: ${showQuantity('volume', made, units, 0)} made` : null;
    }
    case 'saltMixed': {
      const n = e.events.filter((x) => x.kind === 'saltMixed').length;
      return n > 0 ? `logged: ${n} batch${n === 1 ? '' : 'es'}` : null;
    }
    case 'lid':
      return e.water.hasLid ? 'the tank says: a lid is on' : 'the tank says: no lid yet';
    default:
      return null;
  }
}

const styles = styleSheet({
  point: { borderBottomWidth: 1, paddingVertical: space(2) },
  under: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space(4), paddingLeft: 40 },
});
