/** Writes the JSON Schema of the export file from the Zod schema, or with --check compares it with what is committed. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { fileSchema } from '../core/document/checks';

const path = join(process.cwd(), 'docs', 'file-format.schema.json');
const text = `${JSON.stringify(z.toJSONSchema(fileSchema), null, 1)}\n`;
if (process.argv.includes('--check')) {
  if (readFileSync(path, 'utf8') !== text) {
    console.error('docs/file-format.schema.json is not what the Zod schema says. Run: npm run file-schema');
    process.exit(1);
  }
} else {
  writeFileSync(path, text);
}
