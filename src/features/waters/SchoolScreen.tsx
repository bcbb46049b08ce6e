import { MINUTE_MS } from '../../../core/time';
import { Pressable, View } from 'react-native';
import { SCHOOLS, type School, type Display } from '../../../core/document';
import { EVIDENCE } from '../../../core/evidence';
import { assessWater } from '../../../core/readiness';
import { formatDecimal, fromMgNPerL } from '../../../core/units';
import { GATE_NAMES, SCHOOL_WORDS, WORDS } from '../../../core/words';
import { commit, LOCAL, selectDocument, useAppDispatch, useAppSelector, useNow } from '../../store';
import { Choice, RADIUS, Screen, Section, space, Txt, useTheme, styleSheet } from '../../ui';
import { WithDisplay } from '../shell';
import { schoolChange } from './schoolChange';

export function SchoolScreen() {
  return <WithDisplay>{(water) => <Schools water={water} />}</WithDisplay>;
}

/** The seven schools over the same readings, side by side. One is chosen for the tank; changing it is logged. */
function Schools({ water }: { water: Display }) {
  const { roles } = useTheme();
  const doc = useAppSelector(selectDocument);
  const now = useNow(MINUTE_MS);
  const dispatch = useAppDispatch();
  const choose = (school: School) => {
    if (school === water.school) return;
    dispatch(
      commit(`School changed to ${SCHOOL_WORDS[school].title.toLowerCase()}`, [
        { put: 'waters', entity: { ...water, school } },
        ...schoolChange(water, school),
      ]),
    );
  };
  return (
    <Screen title="Schools of cycling">
      <Txt kind="title" heading={1}>
        Seven schools, one tank
      </Txt>
      <Txt tone="second">
        Practitioners disagree on when a tank is ready. Each school looks at the same readings by its own
        rule. Choose one; it is then held for this tank.
      </Txt>
      <View role="radiogroup" aria-label="School" style={styles.list}>
        {SCHOOLS.map((school) => {
          const chosen = school === water.school;
          const view = assessWater(
            { ...doc, waters: { ...doc.waters, [water.id]: { ...water, school } } },
            water.id,
            now,
            LOCAL,
          );
          const here = view.gates.find((g) => g.status === 'here');
          const verdict = `${WORDS[view.fish.word]}${here ? `, at ${GATE_NAMES[here.id].title.toLowerCase()}` : ''}`;
          return (
            <Pressable
              key={school}
              role="radio"
              aria-checked={chosen}
              aria-label={`${SCHOOL_WORDS[school].title}. Says ${verdict}.`}
              onPress={() => choose(school)}
              style={[
                styles.school,
                {
                  borderColor: chosen ? roles.ink : roles.hairline,
                  backgroundColor: chosen ? roles.paper : 'transparent',
                },
              ]}
            >
              <Txt kind="section">
                {SCHOOL_WORDS[school].title}
                {school === 'proof24' ? ' · our default' : ''}
                {chosen ? ' ✓' : ''}
              </Txt>
              <Txt>{SCHOOL_WORDS[school].rule}</Txt>
              <Txt tone="second" kind="small">
                {SCHOOL_WORDS[school].reason}
              </Txt>
              <Txt
                kind="strong"
                tone={view.fish.word === 'go' || view.fish.word === 'goSmall' ? 'go' : 'ink'}
              >{`It says: ${verdict}`}</Txt>
            </Pressable>
          );
        })}
      </View>
      <HowStrict water={water} />
    </Screen>
  );
}

const HOLDS = [
  { value: '7', label: 'One week' },
  { value: '14', label: 'Two weeks', note: 'our default: the slow bacteria settle' },
  { value: 'level', label: 'Until nitrate levels off', note: 'what rots has ended' },
] as const;
type Hold = (typeof HOLDS)[number]['value'];

const NITRITE = [
  {
    value: 'strict',
    label: 'Wait for zero',
    note: 'our default: while nitrite shows, the second bacteria cannot keep up',
  },
  {
    value: 'seaWater',
    label: 'As in sea water',
    note: `up to ${formatDecimal(fromMgNPerL('nitrite', 'ion', EVIDENCE.nitriteSeaMgN), 1)} mg/L passes: chloride keeps it from the gills, so it hardly harms sea fish`,
  },
] as const;

/** What practitioners differ on within the schools: how long the hold lasts, and how nitrite counts. */
function HowStrict({ water }: { water: Display }) {
  const dispatch = useAppDispatch();
  const keep = (label: string, more: Partial<Display>) =>
    void dispatch(commit(label, [{ put: 'waters', entity: { ...water, ...more } }]));
  const hold: Hold = water.hold?.kind === 'nitrateLevel' ? 'level' : water.hold?.days === 7 ? '7' : '14';
  return (
    <>
      <Section title="How long the quiet weeks last">
        <Choice
          label="Hold of the patient school"
          options={HOLDS}
          value={hold}
          onChange={(value) =>
            keep('Length of the hold changed', {
              hold: value === 'level' ? { kind: 'nitrateLevel' } : { kind: 'days', days: Number(value) },
            })
          }
        />
      </Section>
      <Section title="How nitrite counts">
        <Choice
          label="Nitrite at the end of the cycle"
          options={NITRITE}
          value={water.nitriteWeight ?? 'strict'}
          onChange={(nitriteWeight) => keep('Weight of nitrite changed', { nitriteWeight })}
        />
      </Section>
    </>
  );
}

const styles = styleSheet({
  list: { gap: space(3) },
  school: { borderWidth: 1.5, borderRadius: RADIUS, padding: space(4), gap: space(1) },
});
