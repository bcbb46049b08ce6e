import { type Href } from 'expo-router';
import {
  crewPlan,
  type CrewPlan,
  filmBands,
  filmSays,
  type FilmSays,
  grazingOf,
  type Leftovers,
  leftoversOf,
  resetPlan,
} from '../../../core/after';
import { lastOf, trusted } from '../../../core/evidence';
import { speciesOf } from '../../../core/species';
import { addDays, DAY_MS, MINUTE_MS } from '../../../core/time';
import type { Display } from '../../../core/document';
import { formatDecimal, showQuantity } from '../../../core/units';
import { sentence } from '../../../core/words';
import {
  commit,
  localDay,
  localMidnight,
  newId,
  selectAssessment,
  selectEvidence,
  selectVolume,
  shortDay,
  useAppDispatch,
  useAppSelector,
  useNow,
} from '../../store';
import { Button, Caution, Go, Line, Row, Screen, Section, Txt } from '../../ui';
import { FilmBands } from '../../ui/charts/FilmBands';
import { useWords, WithDisplay } from '../shell';
import { StripTest } from './StripTest';

export function AfterScreen() {
  return <WithDisplay>{(water) => <After water={water} />}</WithDisplay>;
}

const FILM_NAMES = {
  brown: 'brown film',
  green: 'green film',
  hair: 'hair algae',
  slime: 'slime',
  stringy: 'stringy brown',
  coralline: 'coralline',
} as const;

const SAYS: Record<FilmSays, { title: string; text: string }> = {
  nothingYet: {
    title: 'No film logged yet',
    text: 'Brown diatoms usually come first, a week or two after the lights. Log what the glass shows.',
  },
  brownIsNormal: {
    title: 'Brown is normal now',
    text: 'Diatoms live on silicate and pass in weeks. Wipe the glass, keep the light where it is, small copepods and snails eat it.',
  },
  greenIsNormal: {
    title: 'Green and hair are normal now',
    text: 'They follow nitrate and phosphate. Grazers in small portions, shorter light, manual removal; keep both nutrients above zero.',
  },
  slimeHelp: {
    title: 'Slime: common, not wanted',
    text: 'Siphon it off, more flow where it lies, check that nitrate is not at zero, feed less. Mostly it passes with patience.',
  },
  stringyHelp: {
    title: 'Stringy brown with bubbles: look closely',
    text: 'Often dinoflagellates, and often where nitrate or phosphate hit zero. Stop adding crew, raise nutrients a little, fewer changes, light down. Some are harmful: gloves, and do not let animals graze it.',
  },
  stringySuspicion: {
    title: 'Stringy brown at zero nutrients: a suspicion',
    text: 'It looks like dinoflagellates, which is not sure from here: look through a microscope, or shake some in a jar, let it settle for an hour and see whether strings form again. Until then no more light, no fewer nutrients, no new grazers; gloves.',
  },
  lookAgain: {
    title: 'The last look is old',
    text: 'What was seen over two weeks ago says nothing of today. Look again and log it.',
  },
  traces: {
    title: 'A trace so far',
    text: 'One look shows no course. If it goes when the light is dimmed and comes back with it, look closer before raising light.',
  },
  fading: {
    title: 'The film is fading',
    text: 'The ugly weeks are passing. Raise light in equal ratios, and watch that grazers still find food.',
  },
};

const NEXT: Record<CrewPlan['next'], (p: CrewPlan) => string> = {
  cycleFirst: () => 'First the gates: grazers come when ammonia and nitrite are clear and stay so.',
  firstPortion: (p) => `A first portion: about ${p.portion} small animals, mixed, not the whole crew.`,
  nextPortion: (p) => `The film stands a week after the last portion: about ${p.portion} more can live here.`,
  lately: () => 'The film stands, and the last portion came within a week: see first how much they leave.',
  enough: (p) =>
    p.grazers === 0
      ? 'No film was seen lately that would feed grazers: wait, and log what you see.'
      : 'Enough for now. Look again in a week; the film decides.',
  starving: () =>
    'Too little film for those that are there: feed dried seaweed every other day, and add none.',
};

const SCHOOLS = {
  onePerGallon: 'one animal a gallon',
  oneLargePerFive: 'one large snail for five gallons',
  holdTheLine: 'hold the line (our default)',
} as const;

/** From the reset to the first grazers: what the water, the film and the crew ask for. */
function After({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const words = useWords();
  const { units } = words;
  const dispatch = useAppDispatch();
  const e = useAppSelector((s) => selectEvidence(s, water.id, now));
  const { gates, alarms } = useAppSelector((s) => selectAssessment(s, water.id, now));
  const netL = useAppSelector((s) => selectVolume(s, water.id).netL);
  const equipment = useAppSelector((s) => s.document.entities.equipment);
  const setup = useAppSelector((s) => s.document.entities.setup);
  const tasks = useAppSelector((s) => s.document.entities.tasks);
  const reset = resetPlan(e);
  const bands = filmBands(e);
  const nutrientsGone = (['nitrate', 'phosphate'] as const).some((p) => lastOf(trusted(e.series[p]))?.zero);
  const says = SAYS[filmSays(bands, nutrientsGone)];
  const cycled = gates.some((g) => g.id === 'bothClear' && g.status === 'passed') || e.joined.length > 0;
  const crew = crewPlan(e, cycled);
  const tooSmall = alarms.find(({ code }) => code === 'glassFitsNobody');
  const grazing = grazingOf(e);
  const light = Object.values(equipment)
    .filter((x) => x.waterId === water.id && x.kind === 'light')
    .flatMap((x) => x.settings.map((s) => ({ atMs: Date.parse(`${s.day}T12:00:00`), label: s.value })));
  const firstMs = Math.min(...bands.flatMap((b) => b.steps.map((s) => s.fromMs)), now - 14 * DAY_MS);
  const calcium = lastOf(trusted(e.series.calcium));
  const salinity = lastOf(trusted(e.series.salinity));
  const rockFirm = Object.values(setup).some((s) => s.waterId === water.id && s.item === 'rockFirm');
  const hunters = e.residents
    .map((a) => speciesOf(e, a.speciesId))
    .filter((s) => s.eats.includes('snails') || s.eats.includes('shrimp') || s.eats.includes('crabs'));
  const seaweedPlanned = Object.values(tasks).some(
    (t) => t.waterId === water.id && t.doneAt === null && t.title.includes('seaweed'),
  );
  const plan = (title: string, note: string, days: number) =>
    dispatch(
      commit('Planned', [
        {
          put: 'tasks',
          entity: {
            id: newId(),
            waterId: water.id,
            day: addDays(localDay(now), days),
            title,
            note,
            doneAt: null,
          },
        },
      ]),
    );
  return (
    <Screen
      title="After the cycle"
      aside={
        <>
          <Txt kind="section" heading={2}>
            Before any grazer
          </Txt>
          <Line
            name="Salinity"
            value={salinity ? showQuantity('salinity', salinity.interval.mid, units) : 'not measured'}
          />
          <Line
            name="Calcium, for shells"
            value={
              calcium
                ? `${formatDecimal(calcium.interval.mid, 0)} mg/L${calcium.interval.mid < 380 ? ': low' : ''}`
                : 'not measured'
            }
          />
          <Line name="Rock set firm" value={rockFirm ? 'dated' : 'not dated under Setting up'} />
          <Line
            name="Hunters of crew in the tank"
            value={hunters.length === 0 ? 'none' : hunters.map((h) => h.common).join(', ')}
          />
          <Txt kind="small" tone="second">
            On arrival look into each shell: parasitic snails, egg jelly, an empty one. Snails take an hour or
            more of drip.
          </Txt>
        </>
      }
    >
      <Txt kind="title" heading={1}>
        After the cycle
      </Txt>
      <Section title="The reset">
        {reset.missing.length > 0 ? (
          <Txt tone="second">{`Measure first: ${reset.missing.join(', ')} from the last week.`}</Txt>
        ) : null}
        {reset.fraction > 0 ? (
          <>
            <Line
              name="Change"
              value={`${Math.round(reset.fraction * 100)} %, ${showQuantity('volume', reset.fraction * netL, units, 0)}`}
            />
            {reset.asks.map((a) => (
              <Line
                key={a.what}
                name={a.what}
                value={`${formatDecimal(a.now, a.what === 'nitrate' ? 0 : 2)} → ${formatDecimal(a.goal, a.what === 'nitrate' ? 0 : 2)} mg/L`}
              />
            ))}
          </>
        ) : reset.missing.includes('nitrate') ? null : (
          <Txt tone="go">No large change is needed: nitrate and phosphate are where a start wants them.</Txt>
        )}
        {reset.alkalinityAfter !== null && reset.fraction > 0 ? (
          <Line
            name="Alkalinity after it"
            value={`${formatDecimal(reset.alkalinityAfter, 1)} dKH${reset.alkalinityAfter < 7.5 ? ': raise it after' : ''}`}
          />
        ) : null}
        <Txt kind="small" tone="second">
          In order: test; heater, pumps and top-off off; siphon debris out of rock and sand; drain; refill at
          temperature and salinity; all back on; an hour later salinity, alkalinity, nitrate.
        </Txt>
        <Go href={`/water/${water.id}/bench/change` as Href}>Work it out on the bench</Go>
      </Section>
      <Section title="The ugly weeks">
        <Txt kind="row">{says.title}</Txt>
        <Txt>{says.text}</Txt>
        {bands.length > 0 ? (
          <FilmBands
            rows={bands.map((b) => ({ label: FILM_NAMES[b.film], steps: b.steps }))}
            light={light}
            fromMs={firstMs}
            toMs={now}
            midnight={localMidnight}
            dayLabel={shortDay}
            summary={`Films under the light: ${bands.map((b) => `${FILM_NAMES[b.film]} ${b.now} of 4, ${b.trend}`).join('; ')}`}
          />
        ) : null}
        <Row wrap>
          <Go href={`/water/${water.id}/log/event?kind=film` as Href}>Log the film</Go>
          <Go href={`/water/${water.id}/bench/light` as Href}>Plan the light</Go>
        </Row>
        <Txt kind="small" tone="second">
          Neither nitrate nor phosphate at zero: 2 mg/L and 0.03 mg/L are lower limits worth keeping.
        </Txt>
      </Section>
      <Section title="Clean-up crew, in steps">
        <Txt kind="row">{tooSmall ? sentence(tooSmall, words) : NEXT[crew.next](crew)}</Txt>
        <Line
          name="Grazers in the display"
          value={`${crew.grazers}${crew.sinceLast === null ? '' : `, last came ${crew.sinceLast} days ago`}`}
        />
        <FedByWhatFalls crew={crew} left={leftoversOf(e)} />
        {tooSmall ? null : (
          <>
            {crew.ceilings.map((c) => (
              <Line key={c.school} name={SCHOOLS[c.school]} value={`up to ${c.animals}`} />
            ))}
            <Txt kind="small" tone="second">
              {crew.ceilings[0]?.reason ?? ''} If they could finish the film in half a day, they will starve.
            </Txt>
          </>
        )}
        {grazing.snails > 0 ? <StripTest water={water} grazing={grazing} now={now} /> : null}
        {crew.next === 'starving' && !seaweedPlanned ? (
          <Button
            kind="primary"
            label="Remind me of seaweed"
            onPress={() => plan('Feed dried seaweed to the grazers', 'Take leftovers out after a day.', 0)}
          />
        ) : null}
        {seaweedPlanned ? <Txt tone="go">Seaweed is planned and stands on Today.</Txt> : null}
        {!tooSmall && (crew.next === 'firstPortion' || crew.next === 'nextPortion') ? (
          <Go href={`/water/${water.id}/stock/species` as Href}>Find grazers</Go>
        ) : null}
        <Caution>
          Never release animals or rock into the wild; some snails carry stings: handle with gloves.
        </Caution>
      </Section>
    </Screen>
  );
}

/** Scavengers and sand sifters against what falls and the sand there is: film feeds neither. */
function FedByWhatFalls({ crew, left }: { crew: CrewPlan; left: Leftovers }) {
  const hungry = left.wantedMgN > left.fallsMgN;
  const tight = left.sandCm2 !== null && left.sandWantedCm2 > left.sandCm2;
  return (
    <>
      {crew.scavengers > 0 ? (
        <>
          <Line name="Scavengers" value={`${crew.scavengers}; they live on food that falls`} />
          <Txt kind="small" tone={hungry ? 'nitrite' : 'second'}>
            {`They want about ${left.wantedMgN.toFixed(1)} mg N a day in food; about ${left.fallsMgN.toFixed(1)} falls past the fish. ${hungry ? 'Feed them a little on purpose, after lights out, and add none.' : 'Enough.'}`}
          </Txt>
        </>
      ) : null}
      {crew.sifters > 0 ? (
        <>
          <Line name="Sand sifters" value={`${crew.sifters}; they live on what is in the sand`} />
          <Txt kind="small" tone={tight ? 'nitrite' : 'second'}>
            {left.sandCm2 === null
              ? 'Whether the sand feeds them hangs on its area: say the sides of the glass.'
              : tight
                ? `They would turn over ${Math.round((left.sandWantedCm2 / left.sandCm2) * 10) / 10} times the open sand there is: add none, and watch that they do not grow thin.`
                : 'The open sand is enough for them, once it has lived for some months.'}
          </Txt>
        </>
      ) : null}
    </>
  );
}
