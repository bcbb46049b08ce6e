/** Writes the JSON Schemas of the files the app reads and writes from their Zod schemas, and of the species file with what its fields mean; with
 *  --check compares them with what is committed. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { fileSchema } from '../core/document/checks';
import { scenarioSchema } from '../core/practice';
import { FIELDS } from '../core/species/fields';
import { guideSchema, speciesSchema } from '../core/species/schema';

/** With unit, meaning and class of source of each field. */
function described(): object {
  const schema = z.toJSONSchema(z.array(speciesSchema));
  const { properties } = schema.items as { properties: Record<string, { description?: string }> };
  for (const [name, { says, unit, source }] of Object.entries(FIELDS)) {
    const field = properties[name];
    if (field) field.description = `${says}${unit === null ? '' : ` Unit: ${unit}.`} From: ${source}.`;
  }
  return schema;
}

for (const [name, schema] of [
  ['file-format', z.toJSONSchema(fileSchema)],
  ['practice', z.toJSONSchema(scenarioSchema)],
  ['species', described()],
  ['species-guide', z.toJSONSchema(guideSchema)],
] as const) {
  const path = join(process.cwd(), 'docs', `${name}.schema.json`);
  const text = `${JSON.stringify(schema, null, 1)}\n`;
  if (!process.argv.includes('--check')) writeFileSync(path, text);
  else if (readFileSync(path, 'utf8') !== text) {
    console.error(`docs/${name}.schema.json is not what the Zod schema says. Run: npm run file-schema`);
    process.exitCode = 1;
  }
}
