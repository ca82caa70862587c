import { mkdirSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, resolve } from 'node:path';
import { demoClub } from '#demo/demo-club.ts';
import { createApp } from './app.ts';
import { answerUnreadable } from './http/unreadable.ts';
import { entryQueries } from './bows/entry-queries.ts';
import { pictureQueries } from './pictures/picture-queries.ts';
import { openDb } from './db/open.ts';

/** The only place that reads the environment, opens, listens and ends. */
const HOST = '127.0.0.1';
const DEFAULT_PORT = 4317;

function main(): void {
  const port = Number(process.env['PORT'] ?? DEFAULT_PORT);
  const file = resolve(process.env['KEEN_LIMB_DB'] ?? 'data/keen-limb.db');
  const pagesDir = resolve(import.meta.dirname, '../web');
  mkdirSync(dirname(file), { recursive: true });

  const db = openDb(file);
  const queries = entryQueries(db);
  if (queries.count() === 0 && process.env['KEEN_LIMB_DEMO'] !== 'off') {
    for (const entries of demoClub(Date.now())) queries.append(entries, () => undefined);
  }
  const app = createApp({
    queries,
    pictures: pictureQueries(db),
    nowMs: () => Date.now(),
    report: (error) => {
      console.error(error);
    },
    pagesDir,
  });
  const server = createServer(app);
  answerUnreadable(server);
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken. Stop what uses it, or start with PORT=4318 npm start.`
        : error.message,
    );
    process.exit(1);
  });
  server.listen(port, HOST, () => {
    const address = server.address();
    const bound = typeof address === 'object' && address !== null ? address.port : port;
    console.log(`Keen Limb is at http://localhost:${bound}`);
    console.log(`Data: ${file}`);
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      server.close(() => {
        db.close();
        process.exit(0);
      });
      server.closeAllConnections();
    });
  }
}

main();
