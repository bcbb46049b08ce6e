/** What several schemas share. */
import { z } from 'zod';
import { MAX_NAME, MAX_NOTE } from '../vocabulary';

// Compiled checks need eval, which the page's content policy forbids; the plain ones give the same answers.
z.config({ jitless: true });

/** Made of other ids. */
export const longId = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,199}$/, 'expected letters, digits, "-" and "_"');

export const id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/,
    'expected an id of 1 to 64 letters, digits, - or _, a letter or digit first',
  );

export const time = z.iso.datetime({ precision: 3, error: 'expected a time like 2026-01-31T20:15:00.000Z' });

export const day = z.iso.date({ error: 'expected a date like 2026-01-31' });

/** A name: some visible text, one line, at most MAX_NAME characters. */
export const nameSchema = z
  .string()
  .max(MAX_NAME, `expected at most ${MAX_NAME} characters`)
  .refine((s) => s.trim().length > 0, 'expected a name, got only blanks')
  .refine((s) => !/[\u0000-\u001f]/.test(s), 'expected one line without control characters');

export const note = z.string().max(MAX_NOTE, `expected at most ${MAX_NOTE} characters`);

export const amount = (max: number) => z.number().min(0).max(max);

export const positive = (max: number) => z.number().gt(0).max(max);

/** A place in the glass: from the left, from the front, above the bottom. */
export const spot = { xCm: amount(2000), yCm: amount(2000), zCm: amount(500) };
