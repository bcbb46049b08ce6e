import {
  LENGTH_UNITS,
  MASS_UNITS,
  SALINITY_UNITS,
  TEMPERATURE_UNITS,
  VOLUME_UNITS,
  unitLabel,
  type UnitPreferences,
} from '../../../core/units';
import type { Settings } from '../../../core/document';
import { commit, selectSettings, useAppDispatch, useAppSelector } from '../../store';
import { KeptHere } from './KeptHere';
import { Check, Choice, Empty, Go, Line, Screen, Section, Txt } from '../../ui';

/** Units follow the person; what is stored stays neutral. */
export function SettingsScreen() {
  const settings = useAppSelector(selectSettings);
  const dispatch = useAppDispatch();
  const put = (entity: Settings, label: string) => dispatch(commit(label, [{ put: 'settings', entity }]));
  const unit = <K extends keyof UnitPreferences>(key: K, value: UnitPreferences[K]) =>
    put({ ...settings, units: { ...settings.units, [key]: value } }, 'Units changed');
  const options = <T extends string>(list: readonly T[]) =>
    list.map((value) => ({ value, label: unitLabel(value) }));
  return (
    <Screen title="Units and theme">
      <Txt kind="title" heading={1}>
        Units and theme
      </Txt>
      <Choice
        label="Volume"
        options={[
          { value: 'L' as const, label: 'litres' },
          { value: 'gal' as const, label: 'US gallons' },
        ].filter((o) => VOLUME_UNITS.includes(o.value))}
        value={settings.units.volume}
        onChange={(v) => unit('volume', v)}
      />
      <Choice
        label="Temperature"
        options={options(TEMPERATURE_UNITS)}
        value={settings.units.temperature}
        onChange={(v) => unit('temperature', v)}
      />
      <Choice
        label="Salinity"
        options={options(SALINITY_UNITS)}
        value={settings.units.salinity}
        onChange={(v) => unit('salinity', v)}
      />
      <Choice
        label="Length"
        options={options(LENGTH_UNITS)}
        value={settings.units.length}
        onChange={(v) => unit('length', v)}
      />
      <Choice
        label="Mass"
        options={options(MASS_UNITS)}
        value={settings.units.mass}
        onChange={(v) => unit('mass', v)}
      />
      <Choice
        label="Theme"
        options={[
          { value: 'system', label: 'As the device' },
          { value: 'light', label: 'Light' },
          { value: 'dark', label: 'Dark' },
        ]}
        value={settings.theme}
        onChange={(theme) => put({ ...settings, theme }, 'Theme changed')}
      />
      <Check
        label="Sound when a reagent’s wait ends"
        checked={settings.timerSound === true}
        onChange={(on) => put({ ...settings, timerSound: on }, on ? 'Timer sound on' : 'Timer sound off')}
        note="Plays while the sample sheet is open."
      />
      <KeptHere />
      <Section title="More">
        <Go kind="row" href="/kits">
          Kits and instruments
        </Go>
        <Go kind="row" href="/files">
          Files
        </Go>
        <Go kind="row" href="/keys">
          Keys on a keyboard
        </Go>
      </Section>
    </Screen>
  );
}

const KEYS: readonly [string, string][] = [
  ['t', 'Today'],
  ['l', 'Log a sample'],
  ['c', 'Cycle'],
  ['s', 'Stock'],
  ['b', 'Bench'],
  ['u', 'Undo'],
  ['r', 'Do again'],
  ['?', 'This list'],
  ['Tab, Enter, Space', 'Move and press, everywhere'],
];

export function KeysScreen() {
  return (
    <Screen title="Keys">
      <Txt kind="title" heading={1}>
        Keys
      </Txt>
      <Txt tone="second">
        Single keys work while no field is being typed in. None of them is the browser’s.
      </Txt>
      {KEYS.map(([key, what]) => (
        <Line key={key} name={what} value={key} />
      ))}
    </Screen>
  );
}

export function LostScreen() {
  return (
    <Screen title="Not found">
      <Empty
        alone
        title="There is nothing at this address"
        text="It may have been mistyped, or it is from another version."
      >
        <Go href="/">To your tank</Go>
      </Empty>
    </Screen>
  );
}
