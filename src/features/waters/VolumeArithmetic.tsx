import { ROCK_KG_PER_L, SAND_KG_PER_L } from '../../../core/volume';
import { showQuantity, fromUnit, type UnitPreferences } from '../../../core/units';
import { Line, Txt } from '../../ui';
import { useUnits } from '../shell';
import type { NetVolume } from '../../../core/volume';

const PART = {
  display: 'Glass to the water line',
  sump: 'Sump',
  rock: 'Rock displaces',
  sand: 'Sand displaces',
} as const;

/** The net volume with its uncertainty and how it came about. */
export function VolumeArithmetic({ volume }: { volume: NetVolume | null }) {
  const units = useUnits();
  if (!volume) {
    return (
      <>
        <Txt kind="section" heading={2}>
          Real water volume
        </Txt>
        <Txt tone="second">Every later dose rests on it. It appears here as soon as the size is in.</Txt>
      </>
    );
  }
  const { netL, sdL, lines } = volume;
  return (
    <>
      <Txt kind="section" heading={2}>
        Real water volume
      </Txt>
      <Txt kind="number">{showQuantity('volume', netL, units, 0)}</Txt>
      <Txt tone="second">{`give or take ${showQuantity('volume', 2 * sdL, units, 0)} (19 times in 20)`}</Txt>
      {lines.map((l) => (
        <Line
          key={l.part}
          name={PART[l.part]}
          value={`${l.litres < 0 ? '−' : '+'} ${showQuantity('volume', Math.abs(l.litres), units)} ± ${showQuantity('volume', l.sdL, units)}`}
        />
      ))}
      <Txt
        kind="small"
        tone="second"
      >{`Rock counts ${displaced(ROCK_KG_PER_L, units)}, sand ${displaced(SAND_KG_PER_L, units)} displaced. Later the first ammonia dose gives a second estimate.`}</Txt>
    </>
  );
}

/** "2.4 kg a litre" or "20.0 lb a gallon". */
function displaced(kgPerL: number, units: UnitPreferences): string {
  const gallons = units.volume === 'gal';
  const perUnit = kgPerL * (gallons ? fromUnit('gal', 1) : 1);
  const mass =
    units.mass === 'lb' ? showQuantity('mass', perUnit * 1000, units, 1) : `${perUnit.toFixed(1)} kg`;
  return `${mass} a ${gallons ? 'gallon' : 'litre'}`;
}
