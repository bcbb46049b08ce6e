import { tooSmallGlass } from '../../../../core/readiness';
import { glassOf, VOLUME } from '../../../../core/volume';
import { sentence } from '../../../../core/words';
import {
  fromUnit,
  parseDecimal,
  showQuantity,
  unitLabel,
  type UnitPreferences,
} from '../../../../core/units';
import { useKinds } from '../../../store';
import { Button, FieldRow, Txt } from '../../../ui';
import { TankDrawing } from '../../../ui/charts/TankDrawing';
import { useWords } from '../../shell';
import { ChoiceEntry, TextEntry } from '../../shell/form';
import { ROCK } from '../choices';
import { SizeFields } from '../SizeFields';
import { massLabel, readWater } from '../waterForm';
import { UnitsChoice } from './NameAndUnits';
import type { WalkForm } from './walk';

/** Sand as it lies: grains with the water between them. */
const SAND_BULK_KG_PER_L = 1.4;
/** Rock as it stands: what it displaces is about half of the room it takes. */
const ROCK_OF_HEAP = 0.45;

/** The size, drawn to scale as it is typed, with the real water in it and how sure that is. */
export function Glass({
  form,
  id,
  units,
  onUnits,
}: {
  form: WalkForm;
  id: string;
  units: UnitPreferences;
  onUnits: (units: UnitPreferences) => void;
}) {
  const { texts } = form;
  const kinds = useKinds();
  const words = useWords();
  const read = readWater(id, { ...texts, name: texts.name || 'new', startDay: '' }, units, '9999-12-31');
  const cm = (text: string): number | null => {
    const typed = parseDecimal(text);
    return typed.ok && typed.value > 0 ? fromUnit(units.length, typed.value) : null;
  };
  const bySides = texts.sizeKind === 'dimensions';
  const sides = {
    lengthCm: bySides ? cm(texts.length) : null,
    widthCm: bySides ? cm(texts.width) : null,
    waterHeightCm: bySides ? cm(texts.height) : null,
  };
  const size = read.ok ? read.water.size : null;
  const volume = read.ok ? read.volume : null;
  const small = size ? tooSmallGlass(kinds, glassOf({ size }).glassL) : null;
  // Of a volume alone the shape is not known: it is drawn as a common one, dashed, and filled.
  const shape =
    size?.kind === 'volume'
      ? { ...sides, waterHeightCm: Math.cbrt((size.volumeL * 1000) / (1.86 * 0.9)) }
      : sides;
  const { rockKg = null, sandKg = null } = read.ok ? read.water : {};
  const floorCm2 = (sides.lengthCm ?? 0) * (sides.widthCm ?? 0);
  const shown = (litres: number) => showQuantity('volume', litres, units, 0);
  const doubt = volume
    ? `real water, ${shown(volume.netL - 2 * volume.sdL).replace(/ .*/, '')} to ${shown(volume.netL + 2 * volume.sdL)}`
    : '';
  return (
    <>
      <TankDrawing
        measures={{
          ...shape,
          sandCm: sandKg && floorCm2 > 0 ? ((sandKg / SAND_BULK_KG_PER_L) * 1000) / floorCm2 : 0,
          rockHeapL: rockKg === null ? null : rockKg / VOLUME.rockKgPerL / ROCK_OF_HEAP,
        }}
        lengthLabel={sides.lengthCm === null ? '' : showQuantity('length', sides.lengthCm, units, 0)}
        heightLabel={
          sides.waterHeightCm === null ? '' : showQuantity('length', sides.waterHeightCm, units, 0)
        }
        volume={volume ? { net: shown(volume.netL), doubt } : null}
        summary={
          volume
            ? `The tank to scale, filled: ${shown(volume.netL)} of ${doubt}.`
            : 'The tank to scale. It fills as its numbers are typed.'
        }
      />
      <SizeFields form={form} units={units} hint="Of the glass, before rock and sand." />
      <UnitsChoice units={units} onUnits={onUnits} />
      <Button
        kind="quiet"
        label={bySides ? 'Only the volume' : 'By its sides'}
        onPress={() => form.change({ sizeKind: bySides ? 'volume' : 'dimensions' })}
      />
      {small ? <Txt tone="nitrite">{sentence(small, words)}</Txt> : null}
      <Txt tone="second">
        Rock and sand can wait. Until they are in, a tenth is taken off, and the doubt is shown.
      </Txt>
      <FieldRow>
        <TextEntry numeric form={form} name="rock" label="Rock" unit={massLabel(units)} />
        <TextEntry numeric form={form} name="sand" label="Sand" unit={massLabel(units)} />
        <TextEntry
          numeric
          form={form}
          name="sump"
          label="Water in the sump"
          unit={unitLabel(units.volume)}
          placeholder="0"
        />
      </FieldRow>
      <ChoiceEntry form={form} name="rockKind" label="What rock" options={ROCK} />
    </>
  );
}
