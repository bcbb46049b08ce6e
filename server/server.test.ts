import { mkdtempSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { facesFor, makeApp, pageFor } from './app';

const HTML = '<html><head><meta name="zoarium-mode" content="plain" /></head></html>';

async function fetchFrom(demo: boolean, path: string): Promise<{ status: number; text: string; type: string }> {
  const dist = mkdtempSync(join(tmpdir(), 'zoarium-'));
  writeFileSync(join(dist, 'index.html'), HTML);
  const server = makeApp({ dist, demo }).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  try {
    const response = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}${path}`);
    return { status: response.status, text: await response.text(), type: response.headers.get('content-type') ?? '' };
  } finally {
    server.close();
  }
}

test('any address of the app is the page, with its mode', async () => {
  expect((await fetchFrom(true, '/tank/x/stock')).text).toContain('content="demo"');
  expect((await fetchFrom(false, '/')).text).toContain('content="plain"');
});
test('a missing file is a 404, not the page', async () => {
  expect((await fetchFrom(true, '/_expo/static/gone.js')).status).toBe(404);
  expect((await fetchFrom(true, '/favicon.ico')).status).toBe(404);
});
test('a page without the mark is refused rather than served without its demo', () => {
  expect(() => pageFor('<html></html>', true)).toThrow('lacks');
});
test('the faces of the build are asked for with the page; other files are not', () => {
  const page = facesFor(['node_modules/x/400Regular/Plain_400Regular.86635252a71fd7c43fd5b0c41bdc5d54.ttf', 'icon.86635252a71fd7c43fd5b0c41bdc5d54.png', 'loose.ttf']);
  expect(page.match(/preload/g)).toHaveLength(1);
  expect(page).toContain('font-family: "Plain_400Regular"; src: url("/assets/node_modules/x/400Regular/Plain_400Regular.86635252a71fd7c43fd5b0c41bdc5d54.ttf")');
});
