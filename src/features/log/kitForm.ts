/** A kit's form: texts to kit or faults. Plain functions. */
import { isNitrogen, MAX_NAME, type Kit, type Parameter } from '../../../core/document';
import { kitSchema } from '../../../core/document/checks';
import { parseDecimal, readEntry, type NitrogenBasis } from '../../../core/units';

export interface KitTexts {
  name: string;
  parameter: Parameter;
  scaleKind: 'steps' | 'number';
  /** "0 0.25 0.5 1 2 4": blanks, semicolons or slashes between. */
  steps: string;
  topOpen: boolean;
  resolution: string;
  basis: NitrogenBasis;
  salinityUnit: NonNullable<Kit['salinityUnit']>;
  expires: string;
  wait: string;
  opened: string;
  testsLeft: string;
  storage: string;
  /** Reader's error in percent. */
  readerPercent: string;
  shop: boolean;
}

export const NEW_KIT: KitTexts = {
  name: '',
  parameter: 'ammonia',
  scaleKind: 'steps',
  steps: '',
  topOpen: true,
  resolution: '0.1',
  basis: 'ion',
  salinityUnit: 'ppt',
  expires: '',
  wait: '',
  opened: '',
  testsLeft: '',
  storage: '',
  readerPercent: '',
  shop: false,
};

export function textsOfKit(kit: Kit): KitTexts {
  return {
    name: kit.name,
    parameter: kit.parameter,
    scaleKind: kit.scale.kind,
    steps: kit.scale.kind === 'steps' ? kit.scale.steps.join('  ') : '',
    topOpen: kit.scale.kind === 'steps' ? kit.scale.topOpen : true,
    resolution: kit.scale.kind === 'number' ? String(kit.scale.resolution) : '0.1',
    basis: kit.basis ?? 'ion',
    salinityUnit: kit.salinityUnit ?? 'ppt',
    expires: kit.expires ?? '',
    wait: kit.waitMinutes === null ? '' : String(kit.waitMinutes),
    opened: kit.opened ?? '',
    testsLeft: kit.testsLeft === undefined ? '' : String(kit.testsLeft),
    storage: kit.storage ?? '',
    readerPercent: kit.readerShare === undefined ? '' : String(Number((kit.readerShare * 100).toFixed(2))),
    shop: kit.shop === true,
  };
}

export type KitFaults = Partial<Record<keyof KitTexts, string>>;

export function readKit(id: string, t: KitTexts): { ok: true; kit: Kit } | { ok: false; faults: KitFaults } {
  const faults: KitFaults = {};
  if (t.name.trim() === '') faults.name = 'Give the kit a name.';
  else if (t.name.length > MAX_NAME)
    faults.name = `The name is too long: ${MAX_NAME} characters is the most.`;
  let scale: Kit['scale'] = { kind: 'number', resolution: 0.1 };
  if (t.scaleKind === 'steps') {
    const read = readSteps(t.steps);
    if (typeof read === 'string') faults.steps = read;
    else scale = { kind: 'steps', steps: read, topOpen: t.topOpen };
  } else {
    const entry = readEntry(t.resolution, {
      name: 'Smallest step shown',
      unit: null,
      min: 0,
      max: 100,
      above: true,
    });
    if (entry.ok) scale = { kind: 'number', resolution: entry.value };
    else faults.resolution = entry.message;
  }
  const wait = readEntry(t.wait, { name: 'Wait', unit: null, min: 0, max: 120, whenEmpty: 0 });
  if (!wait.ok) faults.wait = wait.message;
  if (t.expires !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(t.expires))
    faults.expires = 'Choose a day, or leave it empty.';
  if (isNitrogen(t.parameter) && t.basis === 'NH3' && t.parameter !== 'ammonia')
    faults.basis = 'Only ammonia kits print NH₃.';
  if (t.opened !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(t.opened))
    faults.opened = 'Choose a day, or leave it empty.';
  const left = readEntry(t.testsLeft, {
    name: 'Tests left',
    unit: null,
    min: 0,
    max: 100000,
    whenEmpty: -1,
    whole: true,
  });
  if (!left.ok) faults.testsLeft = left.message;
  const share = readEntry(t.readerPercent, {
    name: 'Reader’s error',
    unit: null,
    min: 0,
    max: 100,
    whenEmpty: 0,
  });
  if (!share.ok) faults.readerPercent = share.message;
  if (t.storage.length > MAX_NAME) faults.storage = `Too long: ${MAX_NAME} characters is the most.`;
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  return {
    ok: true,
    kit: kitSchema.parse({
      id,
      name: t.name.trim(),
      parameter: t.parameter,
      scale,
      basis: basisOf(t),
      salinityUnit: t.parameter === 'salinity' ? t.salinityUnit : null,
      expires: t.expires === '' ? null : t.expires,
      waitMinutes: wait.ok && wait.value > 0 ? wait.value : null,
      archived: false,
      ...(t.opened === '' ? {} : { opened: t.opened }),
      ...(left.ok && left.value >= 0 ? { testsLeft: left.value } : {}),
      ...(t.storage.trim() === '' ? {} : { storage: t.storage.trim() }),
      ...(share.ok && share.value > 0 ? { readerShare: share.value / 100 } : {}),
      ...(t.shop ? { shop: true as const } : {}),
    }),
  };
}

/** Nitrogen kits say what they print; a monitor of free ammonia prints NH3 unless it says N. */
function basisOf({ parameter, basis }: KitTexts): NitrogenBasis | null {
  if (parameter === 'freeAmmonia') return basis === 'N' ? 'N' : 'NH3';
  return isNitrogen(parameter) ? basis : null;
}

function readSteps(text: string): number[] | string {
  const parts = text.split(/[\s;/]+/).filter(Boolean);
  if (parts.length < 2)
    return 'Enter the steps of the chart, at least two, with blanks between: 0 0.25 0.5 1.';
  if (parts.length > 16) return 'Sixteen steps are the most.';
  const values: number[] = [];
  for (const part of parts) {
    const parsed = parseDecimal(part);
    if (!parsed.ok || parsed.value < 0)
      return `“${part.slice(0, 12)}” is not a step. Use numbers of 0 or more with blanks between.`;
    if (values.length > 0 && parsed.value <= (values[values.length - 1] ?? 0))
      return `The steps must rise: ${part.slice(0, 12)} does not.`;
    values.push(parsed.value);
  }
  return values;
}
