/** Cases worked by hand or taken from published tables, each with its reasoning; see workedCases.json. */
import * as dilution from '../dilution';
import * as dosing from '../dosing';
import * as equipment from '../equipment/sizing';
import * as rodi from '../rodi';
import * as seawater from '../seawater';
import * as units from '../units';
import * as volume from '../volume';
import cases from './workedCases.json';

const FUNCTIONS: Record<string, unknown> = {
  ...dilution,
  ...dosing,
  ...equipment,
  ...rodi,
  ...seawater,
  ...units,
  ...volume,
};
/** These take one record or list as their only argument. */
const ONE_ARGUMENT = new Set([
  'netVolume',
  'combineVolumes',
  'learnedStrength',
  'salinityPlan',
  'stuckOn',
  'production',
  'resinLitresLeft',
  'realFlow',
  'drainDown',
]);

function pick(result: unknown, path: string[]): number {
  let value = result;
  for (const key of path) {
    if (Array.isArray(value))
      value =
        key === 'last'
          ? value[value.length - 1]
          : key === 'length'
            ? value.length
            : key === 'first'
              ? value[0]
              : (value[1] as { percent: number }).percent;
    else value = (value as Record<string, unknown>)[key];
  }
  return value as number;
}

test.each(cases)('$tool: $fn $why', ({ fn, args, expect: expected, tolerance }) => {
  const [name = '', ...path] = fn.split('.');
  const f = FUNCTIONS[name] as (...a: unknown[]) => unknown;
  const result = ONE_ARGUMENT.has(name) ? f(args) : f(...(args as unknown[]));
  expect(Math.abs(pick(result, path) - expected)).toBeLessThanOrEqual(tolerance);
});

test('there are at least forty, over all tools', () => {
  expect(cases.length).toBeGreaterThanOrEqual(40);
  expect(new Set(cases.map((c) => c.tool)).size).toBeGreaterThanOrEqual(12);
});
