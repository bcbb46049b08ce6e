/** Writes docs/limits.md from the tables of the core, or with --check fails when the page is not what they say. */
import { ACCLIMATION_LIMITS } from '../core/acclimation';
import { ARRIVALS_LIMITS } from '../core/arrivals';
import { AFTER_LIMITS } from '../core/after';
import { AGENDA_LIMITS } from '../core/agenda';
import { VIAL_LIMITS } from '../core/vial';
import {
  DEFAULT_TARGETS,
  DOCUMENT_LIMITS,
  LIMITS,
  PARAMETER_NAMES,
  parameterUnit,
  type Parameter,
} from '../core/document';
import { COMPANY_LIMITS } from '../core/company';
import { DOSING_LIMITS } from '../core/dosing';
import { EQUIPMENT_LIMITS } from '../core/equipment';
import { EVIDENCE_LIMITS } from '../core/evidence';
import { FORECAST_LIMITS, FORECAST_PRIOR } from '../core/forecast';
import { INSTRUMENTS_LIMITS } from '../core/instruments';
import type { LimitTable } from '../core/limits';
import { NITROGEN_LIMITS } from '../core/nitrogen';
import { PLACEMENT_LIMITS } from '../core/placement';
import { PLANNER_LIMITS } from '../core/planner';
import { QUARANTINE_LIMITS } from '../core/quarantine';
import { LIVING_LIMITS } from '../core/living';
import { READINESS_LIMITS } from '../core/readiness';
import { FREE_AMMONIA_LIMITS } from '../core/seawater';
import { STOCKING_LIMITS } from '../core/stocking';
import { MONITOR_LIMITS } from '../core/monitor';
import { RODI_LIMITS } from '../core/rodi';
import { SUPPLY_LIMITS } from '../core/supply';
import { UPGRADE_LIMITS } from '../core/upgrade';
import { VOLUME_LIMITS } from '../core/volume';
import { WATER_LIMITS } from '../core/water';
import { writePage } from './page.mjs';

const ROOMS: readonly (readonly [string, LimitTable])[] = [
  ['Free ammonia (core/seawater)', FREE_AMMONIA_LIMITS],
  ['Evidence (core/evidence)', EVIDENCE_LIMITS],
  ['Judgement (core/readiness)', READINESS_LIMITS],
  ['Living water (core/living)', LIVING_LIMITS],
  ['Stocking (core/stocking)', STOCKING_LIMITS],
  ['Agenda (core/agenda)', AGENDA_LIMITS],
  ['A vial against its card (core/vial)', VIAL_LIMITS],
  ['Company (core/company)', COMPANY_LIMITS],
  ['The stocking plan (core/planner)', PLANNER_LIMITS],
  ['Places (core/placement)', PLACEMENT_LIMITS],
  ['A tank moved (core/upgrade)', UPGRADE_LIMITS],
  ['Quarantine (core/quarantine)', QUARANTINE_LIMITS],
  ['Acclimation (core/acclimation)', ACCLIMATION_LIMITS],
  ['Arrivals (core/arrivals)', ARRIVALS_LIMITS],
  ['After the cycle (core/after)', AFTER_LIMITS],
  ['Dosing (core/dosing)', DOSING_LIMITS],
  ['Nitrogen account (core/nitrogen)', NITROGEN_LIMITS],
  ['Instruments (core/instruments)', INSTRUMENTS_LIMITS],
  ['Volume (core/volume)', VOLUME_LIMITS],
  ['Equipment (core/equipment)', EQUIPMENT_LIMITS],
  ['Use and supply (core/supply)', SUPPLY_LIMITS],
  ['RO/DI (core/rodi)', RODI_LIMITS],
  ['Devices (core/monitor)', MONITOR_LIMITS],
  ['Steadiness of the water (core/water)', WATER_LIMITS],
  ['Forecast (core/forecast)', FORECAST_LIMITS],
  ['Forecast: beliefs before any reading, median and log spread (core/forecast)', FORECAST_PRIOR],
  ['Readings and texts (core/document)', DOCUMENT_LIMITS],
];

const number = (x: number): string => String(Number(x.toPrecision(5)));
const value = (x: number | readonly number[]): string =>
  typeof x === 'number' ? number(x) : x.map(number).join(', ');

function roomTable([title, table]: (typeof ROOMS)[number]): string {
  const rows = Object.entries(table).map(
    ([name, l]) => `| \`${name}\` | ${value(l.value)} | ${l.unit} | ${l.meaning} | ${l.source} |`,
  );
  return [
    `## ${title}`,
    '',
    '| name | value | unit | what for | source |',
    '|---|---|---|---|---|',
    ...rows,
  ].join('\n');
}

function entryTable(): string {
  const rows = (Object.keys(LIMITS) as Parameter[])
    .filter((p) => !p.startsWith('own'))
    .map((p) => {
      const { possible, usual } = LIMITS[p];
      const target = DEFAULT_TARGETS[p];
      const span = (a: number, b: number) => `${number(a)} to ${number(b)}`;
      const aim = target ? span(target.low, target.high) : '–';
      const alarm = target ? span(target.alarmLow, target.alarmHigh) : '–';
      const unit = parameterUnit(p, {}) || '–';
      return `| ${PARAMETER_NAMES[p]} | ${unit} | ${span(...possible)} | ${span(...usual)} | ${aim} | ${alarm} |`;
    });
  return [
    '## Entries and aims (core/document)',
    '',
    'Outside "possible" a value is refused, outside "usual" it is questioned. Aims and alarms are those of a mixed reef;',
    'the person changes them. Nitrogen is as most kits print it. All of it common practice.',
    '',
    '| parameter | unit | possible | usual | aim | alarm outside |',
    '|---|---|---|---|---|---|',
    ...rows,
  ].join('\n');
}

const text = [
  '# Limits, thresholds and defaults',
  '',
  'Written by `npm run pages` from the tables in the core, one in each room; checked with the tests. They are common practice where',
  'nothing else is named, never laws.',
  '',
  ...ROOMS.flatMap((room) => [roomTable(room), '']),
  entryTable(),
  '',
].join('\n');

await writePage('docs/limits.md', text, 'npm run pages');
