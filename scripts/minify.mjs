/** Makes chunks of code small where they stand: `minify.mjs FILE...`. Names are shortened over a whole chunk, by how often a letter stands in it, not module by
 *  module as the bundler does: what is alike then looks alike, and compresses better. A file keeps its name: it stands for the source, of which
 *  this is the same program. */
import { readFileSync, writeFileSync } from 'node:fs';
import { transformSync } from 'esbuild';
import { minify } from 'terser';

for (const path of process.argv.slice(2)) {
  const { code } = transformSync(readFileSync(path, 'utf8'), {
    minifySyntax: true,
    minifyWhitespace: true,
    legalComments: 'none',
    sourcefile: path,
  });
  writeFileSync(path, (await minify(code, { compress: false, mangle: true })).code);
}
