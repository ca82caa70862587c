import express, { type Express } from 'express';
import helmet from 'helmet';
import { BUILD_HEADER, NOW_HEADER } from '#contract/headers.ts';
import { bowRoutes } from './bows/routes.ts';
import type { EntryQueries } from './bows/entry-queries.ts';
import type { ImportJobs } from './files/import-jobs.ts';
import { fileRoutes } from './files/routes.ts';
import type { PictureQueries } from './pictures/picture-queries.ts';
import { pictureRoutes } from './pictures/routes.ts';
import { workshopRoutes } from './workshop/routes.ts';
import { guardLoopback } from './http/guard.ts';
import { notFound, onlyMethods, problemHandler, RefusedRequest } from './http/problem.ts';

/** Largest request body. A hundred entries are some 50 kB. */
const BODY_LIMIT = '256kb';

export interface AppDeps {
  readonly queries: EntryQueries;
  readonly pictures: PictureQueries;
  readonly imports: ImportJobs;
  readonly nowMs: () => number;
  /** Which build answers; a page of another build fetches itself anew. */
  readonly build: string;
  /** Where our own faults are told; never sent to the client. */
  readonly report: (error: unknown) => void;
  /** Folder of the built pages; null in API tests. */
  readonly pagesDir: string | null;
}

/** The whole server but for listening: routes, guards, pages. */
export function createApp({
  queries,
  pictures,
  imports,
  nowMs,
  build,
  report,
  pagesDir,
}: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  // No answer of ours is kept by a browser, so none needs a checksum; the program’s parts have theirs.
  app.disable('etag');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // Radix places popovers and locks scrolling with inline styles; scripts stay our own.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
        },
      },
      // Plain HTTP on loopback: there is no secure transport to insist on.
      strictTransportSecurity: false,
    }),
  );
  app.use(guardLoopback);
  // By these a page knows its own server from whatever else may answer in its place, and the time.
  app.use((_request, response, next) => {
    response.set(BUILD_HEADER, build);
    response.set(NOW_HEADER, String(nowMs()));
    next();
  });
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', express.json({ limit: BODY_LIMIT, strict: true }));
  app
    .route('/api/health')
    .get((_request, response) => {
      response.json({ ok: true, entries: queries.count() });
    })
    .all(onlyMethods('GET'));
  app.use('/api', bowRoutes(queries, nowMs));
  app.use('/api', pictureRoutes(pictures, queries));
  app.use('/api', workshopRoutes(queries));
  app.use('/api', fileRoutes(queries, pictures, imports));
  app.use('/api', notFound);
  if (pagesDir !== null) servePages(app, pagesDir);
  app.use(notFound);
  app.use(problemHandler(report));
  return app;
}

function servePages(app: Express, pagesDir: string): void {
  app.use('/assets', express.static(`${pagesDir}/assets`, { immutable: true, maxAge: '1y' }));
  app.use('/assets', notFound);
  app.use(express.static(pagesDir, { index: false, maxAge: 0 }));
  app.get('/{*path}', (request, response) => {
    if (!request.accepts('html'))
      throw new RefusedRequest(406, 'notAcceptable', 'Only pages are here.');
    response.set('Cache-Control', 'no-cache');
    response.sendFile('index.html', { root: pagesDir });
  });
}
