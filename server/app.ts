/** Serves the built app. It holds no data: what a person enters never leaves the browser. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';

export interface ServeOptions {
  /** Folder of the web export. */
  dist: string;
  /** Opens two demo tanks in a browser that has stored nothing yet. */
  demo: boolean;
}

const PLAIN = '<meta name="zoarium-mode" content="plain" />';

/** The page with its mode written in. @throws when the page lacks the mark, which would silently drop the demo. */
export function pageFor(html: string, demo: boolean): string {
  if (!html.includes(PLAIN)) throw new Error(`index.html lacks ${PLAIN}`);
  return demo ? html.replace(PLAIN, '<meta name="zoarium-mode" content="demo" />') : html;
}

export function makeApp({ dist, demo }: ServeOptions): Express {
  const page = pageFor(readFileSync(join(dist, 'index.html'), 'utf8'), demo);
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self'; object-src 'none'; base-uri 'self'; frame-ancestors 'none'",
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
    });
    next();
  });
  app.get('/health', (_request, response) => {
    response.json({ ok: true });
  });
  // Hashed names never change their contents.
  app.use(express.static(dist, { index: false, setHeaders: (response, path) => {
    response.set('Cache-Control', /[.-][0-9a-f]{16,}\./.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
  } }));
  app.get(/^\/(?!_expo\/|assets\/).*/, (request, response) => {
    if (/\.[a-z0-9]{2,5}$/i.test(request.path)) {
      response.status(404).type('text').send('Not found');
      return;
    }
    response.set('Cache-Control', 'no-cache').type('html').send(page);
  });
  return app;
}
