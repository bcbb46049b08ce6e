/** Every calculator of the bench without a screen: the same function, numbers in and figures with their units and sentences out. */
import { z } from 'zod';
import {
  TOOLS,
  unitOf,
  workTool,
  type Choices,
  type Tool,
  type ToolContext,
  type ToolField,
} from '../core/bench';
import { emptyDocument } from '../core/document';
import { METRIC, type UnitPreferences } from '../core/units';
import { InputError, parsed } from './input';

const US: UnitPreferences = { volume: 'gal', temperature: 'F', salinity: 'sg2525', length: 'in', mass: 'lb' };

const inputSchema = z.record(z.string(), z.union([z.number(), z.string(), z.null()]));

/** No tank and no log: every field by hand or as is usual. */
const bare = (units: UnitPreferences, nowMs: number): ToolContext => ({
  water: null,
  volume: null,
  evidence: null,
  doc: emptyDocument(),
  units,
  nowMs,
  today: new Date(nowMs).toISOString().slice(0, 10),
  newId: () => 'new',
  dayLabel: (day) => day,
  clockLabel: (ms) => new Date(ms).toISOString().slice(11, 16),
});

/** Choices with their starts; one may bring further ones. */
function whole(tool: Tool, c: ToolContext, given: Choices): Choices {
  const choices = { ...given };
  for (let pass = 0; pass < 3; pass++)
    for (const f of tool.fields(c, choices)) if (f.kind === 'choice') choices[f.key] ??= f.start;
  return choices;
}

const described = (f: ToolField, c: ToolContext): object => ({
  key: f.key,
  label: f.label,
  unit: unitOf(f, c),
  [f.above ? 'above' : 'min']: f.min,
  max: f.max,
  ...(f.whole ? { whole: true } : {}),
  ...(f.optional ? { optional: true } : {}),
  ...(f.start === undefined || f.start === null ? {} : { start: f.start }),
  ...(f.hint ? { hint: f.hint } : {}),
});

/** All tools with their inputs; a field that only stands under another choice says under which. */
export function toolList(nowMs: number): object {
  const c = bare(METRIC, nowMs);
  return TOOLS.map((tool) => {
    const usual = whole(tool, c, {});
    const fields = tool.fields(c, usual);
    const known = new Set(fields.map((f) => f.key));
    const further = fields.flatMap((f) =>
      f.kind !== 'choice'
        ? []
        : f.options.flatMap((o) => {
            if (o.value === usual[f.key]) return [];
            const there = tool.fields(c, whole(tool, c, { ...usual, [f.key]: o.value }));
            return there.flatMap((g) => {
              if (g.kind !== 'field' || known.has(g.key)) return [];
              return [{ ...described(g, c), when: { [f.key]: o.value } }];
            });
          }),
    );
    return {
      name: tool.id,
      title: tool.title,
      lede: tool.lede,
      ...(tool.caution ? { caution: tool.caution } : {}),
      choices: fields.flatMap((f) =>
        f.kind === 'choice'
          ? [{ key: f.key, label: f.label, options: f.options.map((o) => o.value), start: f.start }]
          : [],
      ),
      fields: [...fields.flatMap((f) => (f.kind === 'field' ? [described(f, c)] : [])), ...further],
    };
  });
}

/** @throws InputError where there is no such tool, a key is none of its, or a number cannot be */
export function toolAnswer(name: string | undefined, text: string, nowMs: number): object {
  const tool = TOOLS.find((t) => t.id === name);
  if (!tool) throw new InputError(`there is no tool "${name ?? ''}"; tool --list names them`);
  const input = parsed(inputSchema, text);
  const system = input.units ?? 'metric';
  if (system !== 'metric' && system !== 'us')
    throw new InputError(`"units" must be "metric" or "us", got ${JSON.stringify(system)}`);
  const c = bare(system === 'us' ? US : METRIC, nowMs);
  const given = Object.entries(input).filter(([key]) => key !== 'units');
  const choices = chosen(tool, c, given);
  const texts: Record<string, string> = {};
  const fields = tool.fields(c, choices);
  for (const [key, value] of given) {
    if (Object.hasOwn(choices, key)) continue;
    if (!fields.some((f) => f.kind === 'field' && f.key === key))
      throw new InputError(
        `"${key}" is no input of ${tool.id}${fields.length > 0 ? `; it has ${fields.map((f) => f.key).join(', ')}` : ''}`,
      );
    texts[key] = value === null ? '' : String(value);
  }
  const read = workTool(tool, texts, choices, c);
  if (!read.ok) {
    const [fault] = Object.entries(read.faults);
    const missing = fields.find((f) => f.kind === 'field' && read.message?.includes(`“${f.label}”`));
    throw new InputError(
      fault
        ? `"${fault[0]}": ${fault[1]}`
        : `${missing ? `"${missing.key}": ` : ''}${read.message ?? 'it cannot be reckoned'}`,
    );
  }
  const { figures, lines, formula, notes = [], warnings = [], steps } = read.result;
  return {
    tool: tool.id,
    values: Object.fromEntries(figures.map(({ key, ...f }) => [key, f])),
    sentences: [...lines.map((l) => `${l.name}: ${l.value}`), ...notes],
    warnings,
    cautions: tool.caution ? [tool.caution] : [],
    formula,
    ...(steps ? { steps: [steps.columns, ...steps.rows] } : {}),
  };
}

/** Choices among what was given, each one of its options. */
function chosen(tool: Tool, c: ToolContext, given: readonly (readonly [string, unknown])[]): Choices {
  let choices: Choices = {};
  // A choice may only be there under another: as often as there can be such steps.
  for (let pass = 0; pass < 3; pass++) {
    for (const f of tool.fields(c, whole(tool, c, choices))) {
      const value = given.find(([key]) => key === f.key)?.[1];
      if (f.kind !== 'choice' || value === undefined) continue;
      const text = String(value);
      if (!f.options.some((o) => o.value === text))
        throw new InputError(
          `"${f.key}" must be one of ${f.options.map((o) => o.value).join(', ')}, got ${JSON.stringify(value)}`,
        );
      choices = { ...choices, [f.key]: text };
    }
  }
  return whole(tool, c, choices);
}
