import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { get, type IncomingHttpHeaders, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, gunzipSync } from 'node:zlib';
import { makeApp, pageFor } from './app';
import { stopCleanly } from './stop';

const HTML = '<html><head><meta name="zoarium-mode" content="plain" /></head></html>';
const SCRIPT = '_expo/static/js/web/index-0123456789abcdef0123.js';

function dist(): string {
  const folder = mkdtempSync(join(tmpdir(), 'zoarium-'));
  mkdirSync(join(folder, '_expo/static/js/web'), { recursive: true });
  writeFileSync(join(folder, 'index.html'), HTML);
  writeFileSync(join(folder, 'mark.svg'), '<svg/>');
  writeFileSync(join(folder, SCRIPT), 'plain');
  writeFileSync(join(folder, `${SCRIPT}.br`), brotliCompressSync('plain'));
  return folder;
}

const started = async (demo = false): Promise<Server> => {
  const server = makeApp({ dist: dist(), demo }).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  return server;
};

interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  body: Buffer;
}
async function ask(path: string, o: { demo?: boolean; accept?: string } = {}): Promise<Answer> {
  const server = await started(o.demo);
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<Answer>((done, fail) => {
      const headers = { 'accept-encoding': o.accept ?? 'identity' };
      get({ host: '127.0.0.1', port, path, headers }, (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () =>
          done({ status: response.statusCode ?? 0, headers: response.headers, body: Buffer.concat(parts) }),
        );
      }).on('error', fail);
    });
  } finally {
    server.close();
  }
}
const text = (a: Answer): string => a.body.toString();

test.each(['/', '/index.html', '/water/x/stock', '/water/any-id/log/readings/ph'])(
  '%s is the page, with its mode, never kept without asking',
  async (path) => {
    const answer = await ask(path, { demo: true });
    expect(text(answer)).toContain('content="demo"');
    expect(answer.headers).toMatchObject({ 'cache-control': 'no-cache', vary: 'Accept-Encoding' });
    expect(text(await ask(path))).toContain('content="plain"');
  },
);
test('the page is compressed as the browser likes it best', async () => {
  const brotli = await ask('/', { accept: 'gzip, br' });
  expect(brotli.headers['content-encoding']).toBe('br');
  expect(brotliDecompressSync(brotli.body).toString()).toContain('content="plain"');
  const gzip = await ask('/', { accept: 'gzip' });
  expect(gzip.headers['content-encoding']).toBe('gzip');
  expect(gunzipSync(gzip.body).toString()).toContain('content="plain"');
});
test('a hashed file is kept for ever and comes compressed; another is asked for again', async () => {
  const script = await ask(`/${SCRIPT}`, { accept: 'br' });
  expect(script.headers).toMatchObject({
    'content-encoding': 'br',
    'cache-control': 'public, max-age=31536000, immutable',
  });
  expect(brotliDecompressSync(script.body).toString()).toBe('plain');
  expect(text(await ask(`/${SCRIPT}`))).toBe('plain');
  expect((await ask('/mark.svg')).headers['cache-control']).toBe('no-cache');
});
test.each(['/_expo/static/js/web/gone', '/_expo/gone.js', '/assets/gone', '/favicon.ico'])(
  '%s is missing: our own 404, not the page',
  async (path) => {
    const answer = await ask(path);
    expect(answer.status).toBe(404);
    expect(text(answer)).toContain('Nothing is here');
    expect(answer.headers['cache-control']).toBe('no-store');
  },
);
test('every answer carries the security headers', async () => {
  for (const path of ['/', '/mark.svg', '/favicon.ico', '/health']) {
    const { headers } = await ask(path);
    expect(String(headers['content-security-policy']).split(';').sort()).toEqual([
      "base-uri 'self'",
      "connect-src 'self'",
      "default-src 'self'",
      "font-src 'self' data:",
      "frame-ancestors 'none'",
      "img-src 'self' data: blob:",
      "object-src 'none'",
      "script-src 'self' 'wasm-unsafe-eval'",
      "style-src 'self' 'unsafe-inline'",
    ]);
    expect(headers).toMatchObject({
      'cross-origin-opener-policy': 'same-origin',
      'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
      'referrer-policy': 'no-referrer',
      'x-content-type-options': 'nosniff',
    });
    expect(headers['x-powered-by']).toBeUndefined();
  }
});
test('it says that it lives', async () => {
  expect(JSON.parse(text(await ask('/health')))).toEqual({ ok: true });
});
test('a page without the mark is refused rather than served without its demo', () => {
  expect(() => pageFor('<html></html>', true)).toThrow('lacks');
});
test('asked to stop it takes no more and ends', async () => {
  const server = await started();
  const ended = new Promise<void>((done) => stopCleanly(server, done));
  process.emit('SIGTERM');
  await ended;
  expect(server.listening).toBe(false);
});
