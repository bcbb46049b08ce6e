/** Compiles kernels/likelihood.ts into core/forecast/likelihoodBytes.ts; with --check says whether the committed bytes are those. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const OUT = 'core/forecast/likelihoodBytes.ts';
const folder = mkdtempSync(join(tmpdir(), 'zoarium-kernel-'));
const file = join(folder, 'likelihood.wasm');
execFileSync(
  process.execPath,
  [
    'node_modules/assemblyscript/bin/asc.js',
    'kernels/likelihood.ts',
    '--enable=simd',
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
const text = `/** Made by \`npm run kernels\` from kernels/likelihood.ts. */
export const LIKELIHOOD_WASM =
  '${bytes.toString('base64')}';
`;
if (process.argv.includes('--check')) {
  if (readFileSync(OUT, 'utf8') !== text) {
    console.error(`${OUT} is not what kernels/likelihood.ts compiles to: run \`npm run kernels\`.`);
    process.exit(1);
  }
} else writeFileSync(OUT, text);
