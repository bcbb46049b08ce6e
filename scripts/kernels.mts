/** Compiles what lies in kernels/ into bytes that the core reads; with --check says whether the committed bytes are those. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const KERNELS = [
  {
    source: 'kernels/likelihood.ts',
    out: 'core/forecast/likelihoodBytes.ts',
    name: 'LIKELIHOOD_WASM',
    needs: ['--enable=simd'],
  },
  { source: 'kernels/plan/search.ts', out: 'core/planner/searchBytes.ts', name: 'SEARCH_WASM', needs: [] },
];

let isCurrent = true;
for (const { source, out, name, needs } of KERNELS) {
  const text = `/** Made by \`npm run kernels\` from ${source}. */
export const ${name} =
  '${compiled(source, needs).toString('base64')}';
`;
  if (!process.argv.includes('--check')) writeFileSync(out, text);
  else if (readFileSync(out, 'utf8') !== text) {
    console.error(`${out} is not what ${source} compiles to: run \`npm run kernels\`.`);
    isCurrent = false;
  }
}
process.exit(isCurrent ? 0 : 1);

function compiled(source: string, needs: readonly string[]): Buffer {
  const folder = mkdtempSync(join(tmpdir(), 'zoarium-kernel-'));
  const file = join(folder, 'kernel.wasm');
  execFileSync(
    process.execPath,
    [
      'node_modules/assemblyscript/bin/asc.js',
      source,
      ...needs,
      '-O3',
      '--converge',
      '--noAssert',
      '--runtime=stub',
      `--outFile=${file}`,
    ],
    { stdio: 'inherit' },
  );
  const bytes = readFileSync(file);
  rmSync(folder, { recursive: true });
  return bytes;
}
