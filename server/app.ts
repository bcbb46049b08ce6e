/** Serves the built app. It holds no data: what a person enters never leaves the browser. */
import { readdirSync, readFileSync } from 'node:fs';
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

/** The faces of the build, "Name.hash.ttf", as rules and early requests: text is drawn in its own face from the first picture on, and
 *  nothing moves under a finger when a face arrives. Without them the app fetches its faces itself. */
export function facesFor(files: readonly string[]): string {
  return files.flatMap((file) => {
    const name = /([A-Za-z]+_\d{3}[A-Za-z]+)\.[0-9a-f]{16,}\.ttf$/.exec(file)?.[1];
    const url = `/assets/${file.replace(/\\/g, '/')}`;
    return name ? [`<link rel="preload" as="font" type="font/ttf" crossorigin href="${url}" />`, `<style>@font-face { font-family: "${name}"; src: url("${url}") format("truetype"); font-display: swap; }</style>`] : [];
  }).join('\n    ');
}

const filesIn = (folder: string): string[] => {
  try {
    return readdirSync(folder, { recursive: true, encoding: 'utf8' }).sort();
  } catch {
    return [];
  }
};

export function makeApp({ dist, demo }: ServeOptions): Express {
  const page = pageFor(readFileSync(join(dist, 'index.html'), 'utf8'), demo).replace('</head>', `  ${facesFor(filesIn(join(dist, 'assets')))}\n  </head>`);
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
