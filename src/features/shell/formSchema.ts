/** How a form reads its texts: one zod schema over the feature's own reading function, for the resolver of the form library. */
import { z } from 'zod';

type Read<Value> = { ok: true; value: Value } | { ok: false; faults: Record<string, string | undefined> };

/** A schema that reads all texts of a form at once; each fault stands at its field. @param read pure and tested by itself */
export const formSchema = <Texts extends object, Value>(read: (texts: Texts) => Read<Value>) =>
  z.custom<Texts>().transform((texts, context): Value => {
    const result = read(texts);
    if (result.ok) return result.value;
    for (const [field, message] of Object.entries(result.faults)) {
      if (message !== undefined) context.addIssue({ code: 'custom', path: [field], message });
    }
    return z.NEVER;
  });
