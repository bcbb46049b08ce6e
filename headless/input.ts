/** Small JSON files of the commands: read, checked, and what is wrong said in a sentence that names the field. */
import type { z } from 'zod';

/** What is wrong with the input, in a sentence. */
export class InputError extends Error {}

/** @throws InputError where it is no JSON */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new InputError(`the file is not JSON: ${error instanceof Error ? error.message : ''}`);
  }
}

/** @throws InputError naming the first fields that are wrong */
export function checked<T>(schema: z.ZodType<T>, raw: unknown): T {
  const result = schema.safeParse(raw);
  if (result.success) return result.data;
  throw new InputError(
    result.error.issues
      .slice(0, 5)
      .map((issue) => {
        const path = issue.path.reduce<string>(
          (s, key) => (typeof key === 'number' ? `${s}[${key}]` : s ? `${s}.${String(key)}` : String(key)),
          '',
        );
        return path ? `"${path}": ${issue.message}` : issue.message;
      })
      .join('; '),
  );
}
/** @throws InputError */
export const parsed = <T>(schema: z.ZodType<T>, text: string): T => checked(schema, jsonOf(text));

/** What the core finds off its scale is the input's fault. */
export function inWords(run: () => object): object {
  try {
    return run();
  } catch (error) {
    if (error instanceof RangeError) throw new InputError(error.message);
    throw error;
  }
}
