import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { shallowEqual } from 'react-redux';
import { View } from 'react-native';
import {
  admissionRisks,
  editsToBuy,
  firstFishRisk,
  stayRisks,
  loadRisks,
  followUpTasks,
  type Newcomer,
  type Risk,
} from '../../../core/arrivals';
import { companyOf, findingsOf, membersOf, tankOf, type Finding } from '../../../core/company';
import { isOpen, livingIn, placeOf, quarantinesOf, type Display, type Water } from '../../../core/document';
import { lineFits } from '../../../core/quarantine';
import { wordOf } from '../../../core/readiness';
import { speciesOf, type Species } from '../../../core/species';
import { MINUTE_MS } from '../../../core/time';
import { sentence, WORDS } from '../../../core/words';
import {
  commit,
  isoOf,
  localDay,
  newId,
  selectAssessment,
  selectDocument,
  selectEvidence,
  selectWaters,
  useAppDispatch,
  useAppSelector,
  useNow,
  useKinds,
} from '../../store';
import {
  Button,
  Choice,
  Row,
  Screen,
  Section,
  space,
  Steadily,
  TextField,
  Txt,
  useTheme,
  styleSheet,
} from '../../ui';
import { useUnits, useWords, WithDisplay } from '../shell';
import { TextEntry, useEntryForm } from '../shell/form';
import { BareAbsence } from '../shell/alone';
import { Verdicts } from '../shell/company';
import { Risks } from '../shell/guard';
import { findKinds, noneWords } from '../shell/kinds';
import { SaveButton } from '../shell/saving';
import { AddKind } from './AddKind';
import { SaidOfThem } from './SaidOfThem';
import {
  newBasket,
  readBuy,
  splitRow,
  withOneLess,
  withOneMore,
  type BasketRow,
  type BuyTexts,
} from './buyForm';

export function BuyScreen() {
  return <WithDisplay>{(water) => <Buy water={water} />}</WithDisplay>;
}

const newcomerOf = ({ speciesId, count }: BasketRow): Newcomer => ({ speciesId, count, moves: [] });

/** A purchase is one act: what, how many, from where, and into which water. */
function Buy({ water }: { water: Display }) {
  const now = useNow(MINUTE_MS);
  const router = useRouter();
  const dispatch = useAppDispatch();
  const units = useUnits();
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const doc = useAppSelector(selectDocument);
  const waters = useAppSelector(selectWaters).filter((w) => w.kind !== 'mixing' && isOpen(w));
  const assessments = useAppSelector((s) => waters.map((w) => selectAssessment(s, w.id, now)), shallowEqual);
  const evidences = useAppSelector((s) => waters.map((w) => selectEvidence(s, w.id, now)), shallowEqual);
  const assessed = (waterId: string) => assessments[waters.findIndex((w) => w.id === waterId)];
  const [id] = useState(newId);
  const risksOf = (row: BasketRow, basket: readonly BasketRow[]): Risk[] => {
    const to = doc.waters[row.waterId];
    const assessment = assessed(row.waterId);
    const there = evidences.find((e) => e.water.id === row.waterId);
    if (!to || !assessment || !there) return [];
    const one = newcomerOf(row);
    const together = basket.filter((r) => r.waterId === to.id).map(newcomerOf);
    return [
      ...admissionRisks(doc, one, to, assessment, now, localDay),
      ...firstFishRisk(doc, one, together, to),
      ...stayRisks(doc, one, together, to, localDay(now)),
      ...loadRisks(doc, one, together, there, assessment, localDay),
    ];
  };
  const risksIn = (rows: readonly BasketRow[]) => {
    const all = rows.flatMap((row) => risksOf(row, rows));
    return all.filter((r, i) => all.findIndex((x) => JSON.stringify(x) === JSON.stringify(r)) === i);
  };
  const form = useEntryForm({
    start: newBasket,
    read: (texts: BuyTexts) => {
      const risks = risksIn(texts.rows);
      const never = risks.some((r) => r.code === 'riskCopper');
      return readBuy(texts, { units, guarded: risks.length > 0, never });
    },
    save: ({ said, rows: basket, why }) => {
      const at = isoOf(Date.now());
      const wishes = Object.values(doc.animals).filter(
        (a) => a.homeId === water.id && placeOf(a).kind === 'wish',
      );
      const bought = basket.flatMap((row, i) => {
        const to = doc.waters[row.waterId];
        // A kind that is split over two waters meets its wish once.
        const first = basket.findIndex((r) => r.speciesId === row.speciesId) === i;
        const wish = first ? wishes.find((w) => w.speciesId === row.speciesId) : undefined;
        return to ? [{ ...row, animalId: newId(), to, risks: risksOf(row, basket), wish }] : [];
      });
      const purchase = { id, waterId: water.id, at, note: '', ...said };
      return dispatch(
        commit('Purchase noted', [
          ...editsToBuy(bought, purchase, why),
          ...bought.flatMap((b) =>
            followUpTasks(
              doc,
              [{ ...b, id: b.wish && b.wish.count <= b.count ? b.wish.id : b.animalId }],
              b.to,
              localDay(Date.now()),
              newId,
            ),
          ),
        ]),
      );
    },
    done: () => router.replace(`/water/${water.id}/stock/arrival?id=${id}` as Href),
  });
  const { rows } = form.texts;
  const risks = risksIn(rows);
  const together = useMemo(
    () =>
      companyOf(tankOf(evidence, localDay), [
        ...membersOf(doc, water).filter((m) => m.stage !== 'wish'),
        ...rows.map((r, i) => ({
          id: `row-${i}`,
          species: speciesOf(doc, r.speciesId),
          count: r.count,
          stage: 'coming' as const,
        })),
      ]),
    [doc, water, evidence, rows],
  );
  const verdictsOf = (row: BasketRow) =>
    findingsOf(together, `row-${rows.indexOf(row)}`).filter((f) => f.severity !== 'note');
  const proposed = (species: Species): string =>
    quarantinesOf(doc, water.id).find((q) => isOpen(q) && lineFits(q.line, species))?.id ?? water.id;
  const add = (species: Species) => form.change({ rows: withOneMore(rows, species.id, proposed(species)) });
  return (
    <Screen
      title="Bought"
      footer={
        <SaveButton
          saving={form.saving}
          kind="primary"
          icon="keep"
          label="Note the purchase"
          onPress={form.save}
        />
      }
      aside={<SaidOfThem form={form} />}
    >
      <Txt kind="title" heading={1}>
        What came home?
      </Txt>
      {rows.map((row, i) => (
        <Basket
          key={i}
          row={row}
          waters={waters.filter(
            (w) => w.kind !== 'quarantine' || lineFits(w.line, speciesOf(doc, row.speciesId)),
          )}
          stateOf={(w) => {
            const a = assessed(w.id);
            return a ? WORDS[wordOf(a)] : '';
          }}
          onWater={(waterId) => form.change({ rows: rows.map((r, k) => (k === i ? { ...r, waterId } : r)) })}
          onLess={() => form.change({ rows: withOneLess(rows, i) })}
          onMore={() =>
            form.change({
              rows: rows.map((r, k) => (k === i ? { ...r, count: Math.min(200, r.count + 1) } : r)),
            })
          }
          onSplit={() => form.change({ rows: splitRow(rows, i) })}
          verdicts={verdictsOf(row)}
        />
      ))}
      {form.fault('rows') ? (
        <Txt tone="ammonia" live>
          {form.fault('rows')}
        </Txt>
      ) : null}
      <WatersSaid waters={waters.filter((w) => rows.some((r) => r.waterId === w.id))} now={now} />
      <Risks risks={risks} />
      {risks.length > 0 ? <TextEntry form={form} name="why" label="Why all the same" /> : null}
      <Find water={water} onAdd={add} />
    </Screen>
  );
}

/** How each chosen water is, said before anything goes in. */
function WatersSaid({ waters, now }: { waters: readonly Water[]; now: number }) {
  return (
    <>
      {waters.map((w) => (
        <WaterSaid key={w.id} water={w} now={now} />
      ))}
    </>
  );
}

function WaterSaid({ water, now }: { water: Water; now: number }) {
  const words = useWords();
  const { living, fish } = useAppSelector((s) => selectAssessment(s, water.id, now));
  const occupied = useAppSelector((s) => livingIn(selectDocument(s), water.id).length > 0);
  const troubled = living?.word === 'actNow' || living?.word === 'watch';
  return (
    <>
      <Txt kind="small" tone={troubled ? 'ammonia' : 'second'}>
        {`${water.name}: ${living ? `${WORDS[living.word]}. ${sentence(living.reason, words)} ` : ''}${sentence(fish.reason, words)}`}
      </Txt>
      {water.kind === 'quarantine' ? <BareAbsence water={water} now={now} /> : null}
      {occupied && water.kind === 'quarantine' ? (
        <Txt tone="nitrite">
          {`Somebody is in ${water.name} already: whoever joins starts its clock again for all.`}
        </Txt>
      ) : null}
    </>
  );
}

function Basket({
  row,
  waters,
  stateOf,
  onWater,
  onLess,
  onMore,
  onSplit,
  verdicts,
}: {
  row: BasketRow;
  waters: readonly Water[];
  stateOf: (water: Water) => string;
  onWater: (waterId: string) => void;
  onLess: () => void;
  onMore: () => void;
  onSplit: () => void;
  /** What its company and the display say of it. */
  verdicts: readonly Finding[];
}) {
  const { roles } = useTheme();
  const kinds = useKinds();
  const { common } = speciesOf(kinds, row.speciesId);
  return (
    <View style={[styles.row, { borderColor: roles.hairline }]}>
      <Row style={styles.between}>
        <Txt kind="row" style={styles.shrink}>{`${row.count} × ${common}`}</Txt>
        <Row>
          <Button label="−" name={`One ${common} less`} onPress={onLess} />
          <Button label="+" name={`One ${common} more`} onPress={onMore} />
        </Row>
      </Row>
      <Verdicts of={verdicts} brief />
      <Choice
        label={`Where ${common} goes`}
        options={waters.map((w) => ({ value: w.id, label: `${w.name}: ${stateOf(w)}` }))}
        value={row.waterId}
        onChange={onWater}
        stacked
      />
      {row.count > 1 ? (
        <Row>
          <Button
            kind="quiet"
            label="Split over two waters"
            name={`Split ${common} over two waters`}
            onPress={onSplit}
          />
        </Row>
      ) : null}
    </View>
  );
}

/** Kinds drawn at a time. */
const ROWS = 12;

/** The wishes first, then any kind by name. */
function Find({ water, onAdd }: { water: Display; onAdd: (species: Species) => void }) {
  const { roles } = useTheme();
  const doc = useAppSelector(selectDocument);
  const [query, setQuery] = useState('');
  const wished = useMemo(
    () =>
      new Set(
        Object.values(doc.animals)
          .filter((a) => a.homeId === water.id && placeOf(a).kind === 'wish')
          .map((a) => a.speciesId),
      ),
    [doc.animals, water.id],
  );
  const finds = findKinds(doc, query);
  const { found, near } = finds;
  const none = noneWords(finds, useUnits());
  const shown = found.sort((a, b) => Number(wished.has(b.species.id)) - Number(wished.has(a.species.id)));
  return (
    <Section title="Kinds">
      <TextField label="Search" value={query} onChange={setQuery} placeholder="Any name in use" />
      {near ? (
        <Txt kind="small" tone="second" live>
          None by that name. The nearest:
        </Txt>
      ) : null}
      <Steadily
        step={ROWS}
        rows={shown.map(({ species: s, as }) => (
          <View key={s.id} style={[styles.kind, { borderColor: roles.hairline }]}>
            <View style={styles.shrink}>
              <Txt>{s.common}</Txt>
              {wished.has(s.id) ? (
                <Txt kind="small" tone="second">
                  wished for
                </Txt>
              ) : null}
              {as === null ? null : (
                <Txt kind="small" tone="second">
                  {as}
                </Txt>
              )}
            </View>
            <Button kind="quiet" icon="add" label="One" name={`One ${s.common}`} onPress={() => onAdd(s)} />
          </View>
        ))}
      />
      {shown.length === 0 ? (
        <Txt kind="small" tone="second" live>
          {none.title}. {none.text}
        </Txt>
      ) : null}
      <AddKind key={query} named={query} onAdded={({ common }) => setQuery(common)} />
    </Section>
  );
}

const styles = styleSheet({
  row: { borderBottomWidth: 1, paddingBottom: space(3), gap: space(2) },
  between: { justifyContent: 'space-between', alignItems: 'center' },
  shrink: { flexShrink: 1 },
  kind: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    borderBottomWidth: 1,
    gap: space(3),
  },
});
