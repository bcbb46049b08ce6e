/** The reading of vials, judged on photos of another making: `tsx bench/vial.mts [CASES]`. */
import { seededRandom } from '../core/random';
import { BAD, caseOf, LIGHTS, type Case, type LightName } from '../core/testing/vialPhotos';
import { readVial } from '../core/vial';

const cases = Number(process.argv[2] ?? 500);
const widthOf = (c: Case, low: number, high: number | null): number => {
  const values = c.reference.map((r) => r.value);
  const at = (v: number): number => {
    const i = Math.min(values.length - 2, Math.max(0, values.findIndex((x) => x > v) - 1));
    const j = v >= values[values.length - 1]! ? values.length - 2 : i;
    return j + (v - values[j]!) / (values[j + 1]! - values[j]!);
  };
  return at(high ?? values[values.length - 1]!) - at(low);
};
let allHeld = 0;
let allRead = 0;
let all = 0;
const widths: number[] = [];
for (const light of Object.keys(LIGHTS) as LightName[]) {
  let held = 0;
  let read = 0;
  for (let seed = 1; seed <= cases; seed++) {
    const c = caseOf(seededRandom(seed), light, null);
    const { low, high } = readVial(c.reference, c.photo);
    all++;
    if (low === null) continue;
    read++;
    widths.push(widthOf(c, low, high));
    if (c.truth >= low && (high === null || c.truth <= high)) held++;
  }
  allHeld += held;
  allRead += read;
  console.log(
    `${light}: ${((100 * held) / read).toFixed(1)} % held, ${((100 * (cases - read)) / cases).toFixed(1)} % refused`,
  );
}
widths.sort((a, b) => a - b);
console.log(
  `all: ${((100 * allHeld) / allRead).toFixed(1)} % held, median width ${widths[Math.floor(widths.length / 2)]!.toFixed(2)} of a step, ${((100 * (all - allRead)) / all).toFixed(1)} % of good ones refused`,
);
for (const bad of BAD) {
  let refused = 0;
  for (let seed = 1; seed <= cases; seed++) {
    const light = (Object.keys(LIGHTS) as LightName[])[seed % 4]!;
    const c = caseOf(seededRandom(seed), light, bad);
    if (readVial(c.reference, c.photo).low === null) refused++;
  }
  console.log(`${bad}: ${((100 * refused) / cases).toFixed(1)} % refused`);
}
