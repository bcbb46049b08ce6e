/** Writes the JSON Schemas of the files the app reads and writes from their Zod schemas, or with --check compares them with what is committed. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { fileSchema } from '../core/document/checks';
import { scenarioSchema } from '../core/practice';

for (const [name, schema] of [
  ['file-format', fileSchema],
  ['practice', scenarioSchema],
] as const) {
  const path = join(process.cwd(), 'docs', `${name}.schema.json`);
  const text = `${JSON.stringify(z.toJSONSchema(schema), null, 1)}\n`;
  if (!process.argv.includes('--check')) writeFileSync(path, text);
  else if (readFileSync(path, 'utf8') !== text) {
    console.error(`docs/${name}.schema.json is not what the Zod schema says. Run: npm run file-schema`);
    process.exitCode = 1;
  }
}
