import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Water } from '../../../core/document';
import { commit, useAppDispatch } from '../../store';
import {
  Button,
  Caution,
  Choice,
  FieldRow,
  Go,
  Line,
  Screen,
  Section,
  space,
  Table,
  TextField,
  Txt,
  useWide,
  styleSheet,
} from '../../ui';
import { Curves } from '../../ui/charts/Curves';
import { StepBars } from '../../ui/charts/StepBars';
import { NotHere, useParam, WithWater } from '../shell';
import { useSaving } from '../shell/saving';
import {
  reckonsOtherwise,
  shownText,
  unitOf,
  workTool,
  type Choices,
  type Result,
  type Tool,
  type ToolContext,
  type ToolField,
} from '../../../core/bench';
import { TOOLS } from '../../../core/bench';
import { useToolContext } from './useToolContext';

/** A tool with a tank behind it. */
export function WaterToolScreen() {
  return <WithWater>{(water) => <Chosen water={water} />}</WithWater>;
}

/** The same tool on its own: every field by hand. */
export function LoneToolScreen() {
  return <Chosen water={null} />;
}

function Chosen({ water }: { water: Water | null }) {
  const id = useParam('tool');
  const tool = TOOLS.find((t) => t.id === id);
  return tool ? (
    <ToolPage key={`${water?.id ?? ''}/${tool.id}`} tool={tool} water={water} />
  ) : (
    <NotHere what="tool" />
  );
}

/** Fields that start from the log, the answer with its arithmetic, and what to do with it. */
function ToolPage({ tool, water }: { tool: Tool; water: Water | null }) {
  const context = useToolContext(water);
  const wide = useWide();
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [chosen, setChosen] = useState<Choices>({});
  const withStarts = (own: Choices): Choices => {
    const all = { ...own };
    for (const f of tool.fields(context, own)) if (f.kind === 'choice') all[f.key] ??= f.start;
    return all;
  };
  // A choice may bring further choices: their starts are read in a second pass.
  const choices = withStarts(withStarts(chosen));
  const fields = tool.fields(context, choices);
  const read = workTool(tool, texts, choices, context);
  const faults = read.ok ? {} : read.faults;
  // What the log or common practice already answers stands below the answer; what a person came to enter stands above it.
  const entered = fields.filter((f): f is ToolField => f.kind === 'field');
  const assumed = new Set(
    entered
      .slice(4)
      .filter((f) => shownText(f, context) !== '')
      .map((f) => f.key),
  );
  const isBelow = (f: (typeof fields)[number]) =>
    f.below === true || (f.kind === 'field' && assumed.has(f.key));
  const above = inRows(fields.filter((f) => !isBelow(f)));
  const below = inRows(fields.filter(isBelow));
  const rows = (groups: FieldGroup[]) =>
    groups.map((g) =>
      g.kind === 'choice' ? (
        <Choice
          key={g.key}
          label={g.label}
          options={g.options}
          value={choices[g.key] ?? g.start}
          onChange={(value) => setChosen((all) => ({ ...all, [g.key]: value }))}
        />
      ) : (
        <FieldRow key={g.fields[0]?.key}>
          {g.fields.map((f) => (
            <TextField
              key={f.key}
              numeric
              label={f.optional ? `${f.label} (if known)` : f.label}
              unit={unitOf(f, context) || undefined}
              value={texts[f.key] ?? shownText(f, context)}
              onChange={(text) => setTexts((all) => ({ ...all, [f.key]: text }))}
              error={faults[f.key] ?? null}
              hint={f.hint}
            />
          ))}
        </FieldRow>
      ),
    );
  const answer = (
    <View aria-live="polite" style={styles.answer}>
      {read.ok ? (
        <Answer result={read.result} context={context} title={tool.title} />
      ) : (
        <Txt tone="second">{read.message ?? 'Mend the marked field to see the answer.'}</Txt>
      )}
    </View>
  );
  return (
    <Screen title={tool.title} aside={wide ? answer : undefined}>
      <Txt kind="title" heading={1}>
        {tool.title}
      </Txt>
      <Txt tone="second">{tool.lede}</Txt>
      {tool.caution ? <Caution>{tool.caution}</Caution> : null}
      {rows(above)}
      {wide ? null : answer}
      {below.length > 0 ? (
        <Section title={tool.belowTitle ?? 'It reckons with'}>{rows(below)}</Section>
      ) : null}
      <Go href={(water ? `/water/${water.id}/bench` : '/bench') as Href}>All tools</Go>
    </Screen>
  );
}

type FieldGroup =
  Extract<ReturnType<Tool['fields']>[number], { kind: 'choice' }> | { kind: 'fields'; fields: ToolField[] };

/** Fields two by two, choices on their own. */
function inRows(fields: ReturnType<Tool['fields']>): FieldGroup[] {
  const out: FieldGroup[] = [];
  for (const f of fields) {
    const last = out[out.length - 1];
    if (f.kind === 'choice') out.push(f);
    else if (last?.kind === 'fields' && last.fields.length < 2) last.fields.push(f);
    else out.push({ kind: 'fields', fields: [f] });
  }
  return out;
}

function Answer({ result, context, title }: { result: Result; context: ToolContext; title: string }) {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const [done, setDone] = useState<string | null>(null);
  const saving = useSaving();
  const d = result.drawing;
  return (
    <>
      <Txt kind="section" heading={2}>
        Answer
      </Txt>
      {result.lines.map((l) => (
        <Line
          key={l.name}
          name={l.name}
          value={
            l.strong ? (
              <Txt kind="row" style={styles.value}>
                {l.value}
              </Txt>
            ) : (
              l.value
            )
          }
        />
      ))}
      {(result.warnings ?? []).map((w) => (
        <Txt key={w} tone="ammonia">
          {w}
        </Txt>
      ))}
      {d ? (
        <View style={styles.drawing}>
          <Txt kind="label" tone="second">
            {d.title}
          </Txt>
          {d.kind === 'bars' ? (
            <StepBars
              bars={d.bars}
              unit={d.unit}
              goal={d.goal}
              summary={`${d.title}: ${d.bars.map((b) => `${b.label} ${b.shown} ${d.unit}`).join(', ')}`}
            />
          ) : (
            <Curves curves={d.curves} xLabel={d.xLabel} yLabel={d.yLabel} mark={d.mark} summary={d.title} />
          )}
        </View>
      ) : null}
      {result.steps ? (
        <Table
          caption={result.steps.caption}
          columns={result.steps.columns.map((name, i) => ({ title: name, flex: i === 1 ? 2.4 : 0.8 }))}
          rows={result.steps.rows}
        />
      ) : null}
      <View style={styles.acts}>
        {result.acts.map((a) => (
          <Button
            key={a.label}
            kind={a.primary ? 'primary' : 'quiet'}
            label={a.label}
            onPress={() => {
              if (a.href) router.push(a.href as Href);
              else if (a.edits) {
                const edits = a.edits();
                void saving.run(
                  () => dispatch(commit(a.done ?? `${title}: logged`, edits)),
                  () => setDone(a.done ?? 'Logged'),
                );
              }
            }}
          />
        ))}
        {done ? <Txt tone="go" live>{`${done}.`}</Txt> : null}
        {context.water === null ? (
          <Txt kind="small" tone="second">
            With a tank described, the result can be logged or planned from here.
          </Txt>
        ) : null}
      </View>
      <Section title="The arithmetic">
        {result.formula.map((f) => (
          <Txt key={f} kind="small">
            {f}
          </Txt>
        ))}
        {reckonsOtherwise(context.units) ? (
          <Txt kind="small" tone="second">
            Reckoned in litres, centimetres, kilograms, °C and ppt; the answer stands in your units.
          </Txt>
        ) : null}
        {(result.notes ?? []).map((n) => (
          <Txt key={n} kind="small" tone="second">
            {n}
          </Txt>
        ))}
      </Section>
    </>
  );
}

const styles = styleSheet({
  answer: { gap: space(3), marginTop: space(2) },
  drawing: { gap: space(1) },
  acts: { gap: space(2), alignItems: 'flex-start' },
  value: { textAlign: 'right', flexShrink: 1 },
});
