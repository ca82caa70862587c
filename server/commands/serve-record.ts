import { mkdirSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { buildId } from '#contract/build-id.ts';
import { demoClub } from '#demo/demo-club.ts';
import { createApp } from '../app.ts';
import { entryQueries, type EntryQueries } from '../bows/entry-queries.ts';
import { InUse, OnlyOneUser } from '../db/in-use.ts';
import { type Db, openDb } from '../db/open.ts';
import { presenceOf } from '../db/presence.ts';
import { tidyJournal } from '../db/tidy-journal.ts';
import { StartFault } from '../db/start-fault.ts';
import { answerUnreadable } from '../http/unreadable.ts';
import { ImportJobs } from '../files/import-jobs.ts';
import { stageBeside } from '../files/stage-beside.ts';
import { takeBeside } from '../files/take-beside.ts';
import { pictureQueries } from '../pictures/picture-queries.ts';
import { copyDaily, copyHoursOf } from './copy-daily.ts';

const HOST = '127.0.0.1';
const DEFAULT_PORT = 4317;
const MOST_PORT = 65_535;
/** How long an idle connection is kept: longer than a pause between two shots. */
const KEPT_OPEN_MS = 120_000;
const MARGIN_MS = 10_000;

export interface ServeOptions {
  readonly file: string;
  readonly env: Readonly<Record<string, string | undefined>>;
  /** What is run for a copy beside the server. */
  readonly program: string;
  /** Folder of the built pages. */
  readonly pagesDir: string;
}

export interface ServedRecord {
  readonly port: number;
  /** Takes no more requests, brings the journal into the record and closes it. */
  readonly end: () => Promise<void>;
}

/**
 * Opens the record and serves it until it is ended.
 *
 * @throws StartFault
 */
export async function serveRecord({
  file,
  env,
  program,
  pagesDir,
}: ServeOptions): Promise<ServedRecord> {
  const port = portOf(env['PORT']);
  const everyHours = copyHoursOf(env['KEEN_LIMB_COPY_HOURS']);
  const nowMs = () => Date.now();
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const use = inUse(file);
  const db = openDb(file, { nowMs });
  const mustBeThere = presenceOf(file);
  const queries = entryQueries(db, { nowMs, mustBeThere });
  if (env['KEEN_LIMB_DEMO'] !== 'off') writeDemoOnce(db, queries, nowMs());
  let isClosed = false;
  const report = (fault: unknown) => {
    // An answer still being worked out when the record was closed goes to nobody.
    if (!isClosed) console.error(fault);
  };
  const beside = { program, record: file };
  const imports = new ImportJobs({
    folder: join(dirname(file), 'imports'),
    stage: stageBeside(beside),
    take: takeBeside(beside),
    mustBeThere,
    report,
  });
  const pictures = pictureQueries(db);
  const build = buildId();
  const app = createApp({ queries, pictures, imports, nowMs, build, report, pagesDir });
  const server = createServer(app);
  // Closed after the usual five seconds, a connection is often closed just as the next request is on it.
  server.keepAliveTimeout = KEPT_OPEN_MS;
  // Shorter than that it would count against a connection that waits for its next request.
  server.headersTimeout = KEPT_OPEN_MS + MARGIN_MS;
  answerUnreadable(server);
  await new Promise<void>((listening, failed) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      db.close();
      failed(portFault(error, port));
    });
    server.listen(port, HOST, listening);
  });
  const stopCopies = copyDaily({ file, program, env, everyHours, nowMs });
  const stopTidying = tidyJournal(db, file);
  const address = server.address();
  return {
    port: typeof address === 'object' && address !== null ? address.port : port,
    end: () =>
      new Promise((ended) => {
        stopCopies();
        stopTidying();
        imports.end();
        server.close(() => {
          isClosed = true;
          db.close();
          // Held until here: collected as garbage, it would let a restore in under the running server.
          use.end();
          ended();
        });
        server.closeAllConnections();
      }),
  };
}

function portOf(said: string | undefined): number {
  if (said === undefined || said.trim() === '') return DEFAULT_PORT;
  const port = Number(said);
  if (/^\d+$/.test(said.trim()) && port <= MOST_PORT) return port;
  throw new StartFault(
    `PORT is "${said}", which is no port: a whole number from 0 to ${MOST_PORT} is. Nothing was touched. Start with PORT=${DEFAULT_PORT + 1} npm start, or without PORT.`,
  );
}

function portFault(error: NodeJS.ErrnoException, port: number): Error {
  if (error.code === 'EADDRINUSE')
    return new StartFault(
      `Port ${port} is taken, perhaps by this program started before: look at http://localhost:${port}. The record is as it was. Stop what uses the port, or start with PORT=${port === MOST_PORT ? DEFAULT_PORT : port + 1} npm start.`,
    );
  if (error.code === 'EACCES')
    return new StartFault(
      `Port ${port} is not for this user. The record is as it was. Start with PORT=${DEFAULT_PORT} npm start.`,
    );
  return error;
}

function inUse(file: string): OnlyOneUser {
  try {
    const user = OnlyOneUser.of(file);
    user.share();
    return user;
  } catch (error) {
    if (!(error instanceof InUse)) throw error;
    throw new StartFault(`${error.message} Nothing was changed. Start again when it is done.`);
  }
}

/** Two first starts at once write one club: whoever comes second finds it there. */
function writeDemoOnce(db: Db, queries: EntryQueries, nowMs: number): void {
  db.transaction(() => {
    if (queries.count() > 0) return;
    for (const entries of demoClub(nowMs)) queries.append(entries, () => undefined);
  }).immediate();
}
