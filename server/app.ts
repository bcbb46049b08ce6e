/** Serves the built app. It holds no data: what a person enters never leaves the browser. What a paired device sends lies in the door until the app takes it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import express, { type Express, type RequestHandler, type Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { Door, doorRoutes } from './door';

export interface ServeOptions {
  /** Folder of the finished web export. */
  dist: string;
  /** Opens two demo tanks in a browser that has stored nothing yet. */
  demo: boolean;
  /** Where devices may send readings. */
  door?: Door;
  /** Further routes, before those of the app's own pages. */
  routes?: Router;
}

const PLAIN = '<meta name="zoarium-mode" content="plain" />';

/** The page with its mode written in. @throws when the page lacks the mark, which would silently drop the demo. */
export function pageFor(html: string, demo: boolean): string {
  if (!html.includes(PLAIN)) throw new Error(`index.html lacks ${PLAIN}`);
  return demo ? html.replace(PLAIN, '<meta name="zoarium-mode" content="demo" />') : html;
}

/** Hashed names never change their contents. */
const HASHED = /[.-][0-9a-f]{16,}\./;
const FOREVER = 'public, max-age=31536000, immutable';

export function makeApp({ dist, demo, door = new Door(), routes }: ServeOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders(), permissions);
  app.get('/health', (_request, response) => {
    response.set('Cache-Control', 'no-store').json({ ok: true });
  });
  app.use(doorRoutes(door));
  if (routes) app.use(routes);
  const page = servePage(pageFor(readFileSync(join(dist, 'index.html'), 'utf8'), demo));
  app.get(['/', '/index.html'], page);
  app.use(
    expressStaticGzip(dist, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: {
        setHeaders: (response, path) => {
          response.setHeader('Cache-Control', HASHED.test(path) ? FOREVER : 'no-cache');
        },
      },
    }),
  );
  // An address of the app is the page; one that names a file, or anything under the files' folders, is missing.
  app.get(/^\/(?!_expo\/|assets\/)(?!.*\.[a-z0-9]{2,12}$).*/i, page);
  app.use((_request, response) => {
    response.status(404).set('Cache-Control', 'no-store').type('html').send(NOT_FOUND);
  });
  return app;
}

/** Nothing from elsewhere, nothing framed, nothing sniffed; this page shares its window with no other. */
const securityHeaders = (): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The forecast's kernel is WebAssembly; no other code is made on the way.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    crossOriginOpenerPolicy: { policy: 'same-origin' },
    referrerPolicy: { policy: 'no-referrer' },
    // Served on the loopback without encryption; who puts it behind a proxy with some sets this there.
    strictTransportSecurity: false,
  });

/** The app uses none of these. */
const permissions: RequestHandler = (_request, response, next) => {
  response.set('Permissions-Policy', 'camera=(), geolocation=(), microphone=(), payment=(), usb=()');
  next();
};

/** The page, compressed once at the start, since its mode is written in by the server. */
function servePage(html: string): RequestHandler {
  const bodies = { br: brotliCompressSync(html), gzip: gzipSync(html), identity: Buffer.from(html) };
  return (request, response) => {
    const takes = (encoding: string): boolean => request.acceptsEncodings(encoding) !== false;
    const encoding = takes('br') ? 'br' : takes('gzip') ? 'gzip' : 'identity';
    response.set({ 'Cache-Control': 'no-cache', Vary: 'Accept-Encoding' }).type('html');
    if (encoding !== 'identity') response.set('Content-Encoding', encoding);
    response.send(bodies[encoding]);
  };
}

const NOT_FOUND = `<!DOCTYPE html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>Not found · Zoarium</title>
    <style>
      html { background: #F3EFE4; color: #15231E; font: 18px/1.5 system-ui, sans-serif; }
      @media (prefers-color-scheme: dark) { html { background: #0E1816; color: #EFE9DB; } a { color: #E384AE; } }
      body { margin: 0; padding: 15vh 24px; max-width: 32em; }
    </style>
  </head>
  <body>
    <main>
      <h1>Nothing is here</h1>
      <p>This address leads to no file of Zoarium. What you entered is in your browser, untouched.</p>
      <p><a href="/">To your tanks</a></p>
    </main>
  </body>
</html>
`;
