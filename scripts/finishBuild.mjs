/** What the export leaves to do. Code is made small. The faces are cut down to what is written here, and the page asks for them itself. Code that screens share
 *  is left for later. A service worker knows every file, and all is compressed ahead. Run after `expo export`, on dist/. */
import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { extname, join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { build } from 'esbuild';
import subsetFont from 'subset-font';
import { generateSW } from 'workbox-build';

const dist = process.argv[2] ?? 'dist';
const files = readdirSync(dist, { recursive: true, encoding: 'utf8' })
  .map((file) => file.replace(/\\/g, '/'))
  .filter((file) => statSync(join(dist, file)).isFile())
  .sort();

/** Latin with its accents, punctuation, small figures, units, arrows, signs and rules: what our screens write. Another alphabet in a name
 *  is drawn in the system's own face, with these files as with the whole ones. */
const WRITTEN = [
  [0x20, 0x17f],
  [0x2000, 0x209f],
  [0x20ac, 0x20ac],
  [0x2100, 0x214f],
  [0x2190, 0x22ff],
  [0x2500, 0x25ff],
]
  .flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)))
  .join('');
/** Kerning, joined letters, accents, and the figures of one width that tables need. */
const FEATURES = ['kern', 'liga', 'calt', 'ccmp', 'locl', 'mark', 'mkmk', 'tnum', 'lnum'];

/** The faces of the build, "Name.hash.ttf", cut down beside themselves. */
async function cutFaces() {
  const cut = [];
  for (const file of files) {
    const name = /([A-Za-z]+_\d{3}[A-Za-z]+)\.[0-9a-f]{16,}\.ttf$/.exec(file)?.[1];
    if (!name) continue;
    const options = { targetFormat: 'woff2', keepFeatures: FEATURES };
    const bytes = await subsetFont(readFileSync(join(dist, file)), WRITTEN, options);
    const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 32);
    const path = `assets/${name}.${hash}.woff2`;
    writeFileSync(join(dist, path), bytes);
    cut.push({ name, path });
  }
  return cut;
}

/** Early requests and rules for the faces: text is drawn in its own face from the first picture on, and nothing moves under a finger when
 *  a face arrives. */
const faceTags = ({ name, path }) => [
  `<link rel="preload" as="font" type="font/woff2" crossorigin href="/${path}" />`,
  `<style>@font-face { font-family: "${name}"; src: url("/${path}") format("woff2"); font-display: swap; }</style>`,
];

/** Code that several screens share stands in a chunk of its own. The export would load it with the page; it is named in the page instead
 *  and fetched with the first screen that needs it (index.ts). */
function sharedLater(page) {
  const script = /<script src="([^"]*\/__common-[0-9a-f]+\.js)" defer><\/script>/.exec(page);
  if (!script) throw new Error('the export has no shared chunk: has the way it splits code changed?');
  return page
    .replace(script[0], '')
    .replace('</head>', `<meta name="zoarium-shared" content="${script[1]}" />\n  </head>`);
}

/** All code, on each core an even share of it. */
async function makeSmall() {
  const shares = Array.from({ length: availableParallelism() }, () => ({ bytes: 0, paths: [] }));
  const code = files
    .filter((file) => extname(file) === '.js')
    .map((file) => ({ path: join(dist, file), bytes: statSync(join(dist, file)).size }))
    .sort((a, b) => b.bytes - a.bytes);
  for (const { path, bytes } of code) {
    const least = shares.reduce((a, b) => (b.bytes < a.bytes ? b : a));
    least.bytes += bytes;
    least.paths.push(path);
  }
  const script = join(import.meta.dirname, 'minify.mjs');
  await Promise.all(
    shares
      .filter(({ paths }) => paths.length > 0)
      .map(({ paths }) => promisify(execFile)(process.execPath, [script, ...paths])),
  );
}

/** Packages get a list of react-native's parts in the place of all of it (web/reactNativeParts.js). @throws when one of them asks for a part that is
 *  not on it, which would only be missed where it is drawn. */
function holdParts() {
  const modules = files
    .filter((file) => /^_expo\/.*\.js$/.test(file))
    .flatMap((file) => readFileSync(join(dist, file), 'utf8').split(/\n(?=__d\()/))
    .map((text) => ({ text, end: /\},(\d+),[[{]([^\]}]*)[^)]*\);\s*(?:__r\(\d+\);\s*)*$/.exec(text) }))
    .filter(({ end }) => end)
    .map(({ text, end }) => ({ text, id: end[1], needs: end[2].match(/\d+(?=,|$)/g) ?? [] }));
  const list = modules.find(
    ({ text }) => /exports, "useColorScheme"/.test(text) && /exports, "I18nManager"/.test(text),
  );
  if (!list)
    throw new Error(
      'the export holds no list of the parts of react-native: does metro.config.js still put it there?',
    );
  const there = new Set([...list.text.matchAll(/defineProperty\(exports, "(\w+)"/g)].map(([, name]) => name));
  let asked = 0;
  for (const { text, needs } of modules) {
    const at = `_dependencyMap\\[${needs.indexOf(list.id)}\\]\\)`;
    for (const [, name] of text.matchAll(new RegExp(`${at}\\)?\\.(\\w+)`, 'g'))) {
      asked += 1;
      if (!there.has(name))
        throw new Error(`a package asks react-native for ${name}: it belongs into web/reactNativeParts.js`);
    }
  }
  if (asked === 0)
    throw new Error('nobody asks for a part of react-native: has the form of the export changed?');
}

holdParts();
await makeSmall();
const pagePath = join(dist, 'index.html');
const faces = await cutFaces();
if (faces.length === 0) throw new Error('the export has no faces: has the way it names them changed?');
const page = sharedLater(readFileSync(pagePath, 'utf8')).replace(
  '</head>',
  `${faces.flatMap(faceTags).join('\n    ')}\n  </head>`,
);
writeFileSync(pagePath, page);

/** What reminds while the app is closed, as a script of the service worker. */
async function remindScript() {
  const { outputFiles } = await build({
    entryPoints: ['src/workers/remind.sw.ts'],
    bundle: true,
    minify: true,
    format: 'iife',
    write: false,
  });
  const [{ contents }] = outputFiles;
  const name = `remind.${createHash('sha256').update(contents).digest('hex').slice(0, 32)}.js`;
  writeFileSync(join(dist, name), contents);
  return name;
}
const reminding = await remindScript();

const { warnings } = await generateSW({
  globDirectory: dist,
  globIgnores: [],
  globPatterns: ['index.html', '*.svg', '*.png', 'manifest.webmanifest', '_expo/**/*.js', 'assets/*.woff2'],
  // Hashed names never change their contents.
  dontCacheBustURLsMatching: /[.-][0-9a-f]{16,}\./,
  maximumFileSizeToCacheInBytes: 4_000_000,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/\.[a-z0-9]{2,12}$/i, /^\/health$/],
  // A newer version waits until the person asks for it.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  inlineWorkboxRuntime: true,
  importScripts: [`/${reminding}`],
  sourcemap: false,
  swDest: join(dist, 'sw.js'),
});
if (warnings.length > 0) throw new Error(warnings.join('\n'));

const COMPRESSED = new Set(['.js', '.html', '.svg', '.ttf', '.webmanifest']);
const [asBrotli, asGzip] = [promisify(brotliCompress), promisify(gzip)];
const compressed = [...files, 'sw.js', reminding].filter((f) => COMPRESSED.has(extname(f)));
await Promise.all(
  compressed.map(async (file) => {
    const path = join(dist, file);
    const raw = readFileSync(path);
    const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: raw.length };
    writeFileSync(`${path}.br`, await asBrotli(raw, { params }));
    writeFileSync(`${path}.gz`, await asGzip(raw, { level: 9 }));
  }),
);
