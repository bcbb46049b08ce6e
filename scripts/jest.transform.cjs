/** TypeScript and ES modules to what Jest runs, by esbuild: a fifth of the time Babel takes, and a fresh machine has none of it stored. */
const crypto = require('crypto');
const fs = require('fs');
const esbuild = require('esbuild');

const OPTIONS = {
  format: 'cjs',
  target: 'node20',
  platform: 'node',
  jsx: 'automatic',
  sourcemap: 'inline',
  // Jest cannot import(): it becomes a promise of require().
  supported: { 'dynamic-import': false },
  define: { 'process.env.EXPO_OS': '"web"' },
  logLevel: 'silent',
};
const loaders = { ts: 'ts', mts: 'ts', tsx: 'tsx', js: 'jsx', jsx: 'jsx', mjs: 'js', cjs: 'js' };
const own = fs.readFileSync(__filename);

module.exports = {
  process(source, path) {
    const { code } = esbuild.transformSync(source, {
      ...OPTIONS,
      // By the name .mjs a default import would be the whole module.
      sourcefile: path.replace(/\.m([jt]s)$/, '.$1'),
      loader: loaders[path.slice(path.lastIndexOf('.') + 1)],
    });
    return { code };
  },
  getCacheKey(source, path) {
    return crypto
      .createHash('sha256')
      .update(own)
      .update(esbuild.version)
      .update(path)
      .update(source)
      .digest('hex');
  },
};
