import { DARK, LIGHT, type Role, type Roles } from './tokens';

function luminance(hex: string): number {
  const part = (i: number) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return 0.2126 * part(1) + 0.7152 * part(3) + 0.0722 * part(5);
}
/** WCAG contrast ratio. Check: black on white is 21. */
const contrast = (a: string, b: string) => {
  const [hi = 0, lo = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (hi + 0.05) / (lo + 0.05);
};

test('black on white is 21', () => expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5));

const text: Role[] = ['ink', 'second', 'action', 'go', 'ammonia', 'nitrite', 'nitrate'];
const grounds: Role[] = ['ground', 'paper', 'wash'];
describe.each([
  ['light', LIGHT],
  ['dark', DARK],
] as [string, Roles][])('%s', (_name, roles) => {
  test.each(text.flatMap((t) => grounds.map((g) => [t, g] as const)))('%s on %s reads (4.5)', (t, g) => {
    expect(contrast(roles[t], roles[g])).toBeGreaterThanOrEqual(4.5);
  });
  test.each([
    ['onAction', 'action'],
    ['ground', 'ink'],
    ['ground', 'go'],
    ['second', 'sand'],
    ['action', 'sand'],
  ] as const)('%s on %s reads (4.5)', (t, g) => {
    expect(contrast(roles[t], roles[g])).toBeGreaterThanOrEqual(4.5);
  });
  test('edges of controls show (3)', () => {
    expect(contrast(roles.edge, roles.ground)).toBeGreaterThanOrEqual(3);
    expect(contrast(roles.edge, roles.paper)).toBeGreaterThanOrEqual(3);
  });
});
