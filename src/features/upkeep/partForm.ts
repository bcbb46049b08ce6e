/** A part of the equipment as texts, and from texts to the entity or to faults. */
import { EQUIPMENT_KINDS, MAX_NAME, type Equipment, type RODI_STAGES } from '../../../core/document';
import { equipmentSchema } from '../../../core/document/checks';
import { isDay } from '../../../core/time';
import { readEntry } from '../../../core/units';

export const KIND_WORDS: Record<(typeof EQUIPMENT_KINDS)[number], string> = {
  heater: 'heater',
  pump: 'pump',
  skimmer: 'skimmer',
  light: 'light',
  filter: 'filter, socks, carbon',
  topOff: 'top-off',
  rodi: 'RO/DI stage',
  probe: 'probe',
  consumable: 'consumable',
  other: 'other',
};
/** Break-in and service intervals people usually take, days; a start. */
const USUAL: Partial<Record<(typeof EQUIPMENT_KINDS)[number], { breakIn: string; service: string }>> = {
  skimmer: { breakIn: '14', service: '30' },
  filter: { breakIn: '0', service: '10' },
  rodi: { breakIn: '0', service: '180' },
  pump: { breakIn: '0', service: '120' },
  probe: { breakIn: '2', service: '30' },
  heater: { breakIn: '1', service: '180' },
};

export interface PartTexts {
  name: string;
  kind: (typeof EQUIPMENT_KINDS)[number];
  where: string;
  sinceDay: string;
  price: string;
  monthly: string;
  watts: string;
  breakIn: string;
  service: string;
  stage: (typeof RODI_STAGES)[number] | '';
  socket: string;
  by: string;
  onLoan: boolean;
  loanFrom: string;
  loanDue: string;
}

export const newPart = (today: string): PartTexts => ({
  name: '',
  kind: 'skimmer',
  where: '',
  sinceDay: today,
  price: '',
  monthly: '',
  watts: '',
  breakIn: '14',
  service: '30',
  stage: '',
  socket: '',
  by: '',
  onLoan: false,
  loanFrom: '',
  loanDue: '',
});

/** The usual intervals when the kind is chosen. */
export const withKind = (t: PartTexts, kind: PartTexts['kind']): PartTexts => ({
  ...t,
  kind,
  breakIn: USUAL[kind]?.breakIn ?? '0',
  service: USUAL[kind]?.service ?? '',
});

const text = (x: number | null): string => (x === null ? '' : String(x));
export const textsOfPart = (e: Equipment): PartTexts => ({
  name: e.name,
  kind: e.kind,
  where: e.where,
  sinceDay: e.sinceDay,
  price: text(e.price),
  monthly: text(e.monthly),
  watts: text(e.watts),
  breakIn: String(e.breakInDays),
  service: text(e.serviceEveryDays),
  stage: e.stage ?? '',
  socket: e.plug?.socket ?? '',
  by: e.plug?.by ?? '',
  onLoan: e.loan !== null,
  loanFrom: e.loan?.from ?? '',
  loanDue: e.loan?.dueDay ?? '',
});

export type PartFaults = Partial<Record<keyof PartTexts, string>>;

export function readPart(
  t: PartTexts,
  base: { id: string; waterId: string; before: Equipment | null },
): { ok: true; part: Equipment } | { ok: false; faults: PartFaults } {
  const faults: PartFaults = {};
  if (t.name.trim() === '') faults.name = 'Give the part a name.';
  else if (t.name.length > MAX_NAME)
    faults.name = `The name is too long: ${MAX_NAME} characters is the most.`;
  for (const key of ['where', 'socket', 'by'] as const)
    if (t[key].length > MAX_NAME) faults[key] = `Too long: ${MAX_NAME} characters is the most.`;
  if (!isDay(t.sinceDay)) faults.sinceDay = 'Choose the day it went in.';
  const number = (
    key: 'price' | 'monthly' | 'watts' | 'breakIn' | 'service',
    name: string,
    max: number,
  ): number | null => {
    if (t[key].trim() === '') return null;
    const entry = readEntry(t[key], {
      name,
      unit: null,
      min: 0,
      max,
      whole: key === 'breakIn' || key === 'service',
    });
    if (entry.ok) return entry.value;
    faults[key] = entry.message;
    return null;
  };
  const price = number('price', 'Price', 1e6);
  const monthly = number('monthly', 'Cost a month', 1e5);
  const watts = number('watts', 'Power', 20000);
  const breakIn = number('breakIn', 'Break-in', 365);
  const service = number('service', 'Service interval', 3650);
  if (t.onLoan && t.loanFrom.trim() === '') faults.loanFrom = 'Say whose it is.';
  if (t.onLoan && !isDay(t.loanDue)) faults.loanDue = 'Choose the day it goes back.';
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const before = base.before;
  return {
    ok: true,
    part: equipmentSchema.parse({
      id: base.id,
      waterId: base.waterId,
      name: t.name.trim(),
      kind: t.kind,
      where: t.where.trim(),
      sinceDay: t.sinceDay,
      price,
      monthly,
      watts,
      breakInDays: breakIn ?? 0,
      serviceEveryDays: service === null || service < 1 ? null : service,
      services: before?.services ?? [],
      settings: before?.settings ?? [],
      endedDay: before?.endedDay ?? null,
      loan: t.onLoan
        ? { from: t.loanFrom.trim(), dueDay: t.loanDue, returnedDay: before?.loan?.returnedDay ?? null }
        : null,
      ...(t.kind === 'rodi' && t.stage !== '' ? { stage: t.stage } : {}),
      ...(before?.foam ? { foam: before.foam } : {}),
      ...plugOf(t, before),
    }),
  };
}

/** Its cable; what was seen of the drip loop holds for the socket it was seen at. */
function plugOf(t: PartTexts, before: Equipment | null): Pick<Equipment, 'plug'> {
  const [socket, by] = [t.socket.trim(), t.by.trim()];
  const was = before?.plug;
  const loopSeenDay = was && was.socket === socket ? was.loopSeenDay : null;
  if (socket === '' && by === '' && loopSeenDay === null) return {};
  return { plug: { socket, by, loopSeenDay } };
}

/** A setting of a part as it is noted today: both halves in at most 80 characters. */
export function readSetting(t: {
  what: string;
  value: string;
}): { ok: true; setting: { what: string; value: string } } | { ok: false; faults: Partial<typeof t> } {
  const faults: Partial<typeof t> = {};
  const setting = { what: t.what.trim(), value: t.value.trim() };
  if (setting.what === '') faults.what = 'Say what was set.';
  if (setting.value === '') faults.value = 'Say what it was set to.';
  for (const key of ['what', 'value'] as const)
    if (setting[key].length > MAX_NAME) faults[key] = `Too long: ${MAX_NAME} characters is the most.`;
  return Object.keys(faults).length > 0 ? { ok: false, faults } : { ok: true, setting };
}
