/** Writes a page of docs made from the core, or with --check fails when the page is not what the core says. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';

export async function writePage(path: string, text: string, command: string): Promise<void> {
  const page = await format(text, { ...(await resolveConfig(path)), parser: 'markdown' });
  if (!process.argv.includes('--check')) {
    writeFileSync(path, page);
    return;
  }
  if (readFileSync(path, 'utf8') !== page) {
    console.error(`${path} is not what the core says. Run: ${command}`);
    process.exit(1);
  }
}
