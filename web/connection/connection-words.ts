import type { Connection } from './connection.ts';

/** What is on its way, counted. */
export interface WaitingCount {
  /** Kept by the browser until they are stored. */
  readonly kept: number;
  /** Only in this page: gone when it closes. */
  readonly inPage: number;
  /** When the oldest of them was made, ms since 1970; null: none. */
  readonly sinceMs: number | null;
}

export interface ConnectionWords {
  /** What is the matter. */
  readonly what: string;
  /** What becomes of what is logged. */
  readonly safe: string;
  /** What to do; empty where nothing need be done. */
  readonly remedy: string;
  /** Something may be lost unless somebody acts. */
  readonly grave: boolean;
  readonly canTry: boolean;
}

/**
 * The one state of connection in words, gravest first; null while all is well.
 *
 * @param timeOf shows a moment
 */
export function connectionWords(
  connection: Connection,
  waiting: WaitingCount,
  timeOf: (ms: number) => string,
): ConnectionWords | null {
  const trouble = serverWords(connection.server, timeOf);
  const safe = waitingWords(waiting, timeOf);
  if (connection.storage !== 'fine') {
    // With the server here an entry is stored a moment after it is made: then only what is not counts.
    const what =
      connection.storage === 'full'
        ? 'This browser’s storage is full, so it keeps nothing until it is stored.'
        : 'This browser keeps nothing: its storage is forbidden, as in some private windows.';
    return {
      what: trouble === null ? what : `${trouble.what} ${what}`,
      safe:
        trouble === null && waiting.inPage === 0
          ? 'What you log goes straight to the server and says so once it is stored.'
          : safe,
      remedy:
        waiting.inPage > 0
          ? 'Leave this page open until it is stored, or save a copy.'
          : connection.storage === 'full'
            ? 'Free some space on this device.'
            : 'Without the server, use a window that may keep data.',
      grave: waiting.inPage > 0 || trouble !== null,
      canTry: trouble !== null,
    };
  }
  if (trouble !== null) return { ...trouble, safe, grave: waiting.inPage > 0, canTry: true };
  if (waiting.inPage + waiting.kept > MANY_WAITING)
    return { what: 'Sending what was logged.', safe, remedy: '', grave: false, canTry: false };
  return null;
}
/** Fewer are gone before anybody has read of them. */
const MANY_WAITING = 20;

function serverWords(
  server: Connection['server'],
  timeOf: (ms: number) => string,
): { readonly what: string; readonly remedy: string } | null {
  switch (server.kind) {
    case 'here':
      return null;
    case 'away':
      return {
        what: `The server does not answer, since ${timeOf(server.sinceMs)}.`,
        remedy: 'Is it running, and is this device on its network?',
      };
    case 'slow':
      return {
        what: `The server does not answer in time, since ${timeOf(server.sinceMs)}.`,
        remedy: 'It may be busy. If it stays so, start it again.',
      };
    case 'failing':
      return {
        what: `The server cannot store anything, since ${timeOf(server.sinceMs)}.`,
        remedy: server.says ?? 'It has a fault of its own: look at what it printed.',
      };
    case 'notOurs':
      return {
        what: `Something else answers in the server’s place, since ${timeOf(server.sinceMs)}.`,
        remedy:
          'A guest network may want you to sign in, or a proxy stands between. Leave that network or sign in, then try again.',
      };
  }
}

function waitingWords(waiting: WaitingCount, timeOf: (ms: number) => string): string {
  const since = waiting.sinceMs === null ? '' : ` since ${timeOf(waiting.sinceMs)}`;
  const kept =
    waiting.kept === 0
      ? null
      : `${entries(waiting.kept)} ${waiting.kept === 1 ? 'waits' : 'wait'} in this browser${since} and will be sent once.`;
  const inPage =
    waiting.inPage === 0
      ? null
      : `${entries(waiting.inPage)} ${waiting.inPage === 1 ? 'is' : 'are'} in this page only${kept === null ? since : ''}.`;
  const said = [kept, inPage].filter((one) => one !== null).join(' ');
  return said === '' ? 'What you log now waits in this browser.' : said;
}

function entries(count: number): string {
  return `${count} ${count === 1 ? 'entry' : 'entries'}`;
}
