/** The command that reads a vial against a card: means of colours in, an interval out. */
import { z } from 'zod';
import { readVial } from '../core/vial';
import { VIAL_WORDS } from '../core/words/vial';
import { inWords, parsed } from './input';

const level = z.number().min(0).max(255);
const rgb = z.tuple([level, level, level]);
const vialSchema = z.strictObject({
  reference: z
    .array(z.strictObject({ value: z.number(), rgb }))
    .min(3)
    .max(40),
  photo: z.strictObject({ squares: z.array(rgb).min(3).max(40), vial: rgb }),
});

export function vial(text: string): object {
  const { reference, photo } = parsed(vialSchema, text);
  return inWords(() => {
    const { low, best, high, doubts } = readVial(reference, photo);
    return { low, best, high, doubts: doubts.map((d) => VIAL_WORDS[d]) };
  });
}
