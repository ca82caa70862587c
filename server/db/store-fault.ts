import Database from 'better-sqlite3';
import { RecordGone } from './presence.ts';

/** Why the record cannot be read or written just now: nothing of the request was stored. */
export interface StoreFault {
  readonly status: 503 | 507;
  readonly code: 'recordGone' | 'diskFull' | 'readOnly' | 'busy' | 'damaged' | 'diskFault';
  /** What happened, what is safe, what to do. */
  readonly detail: string;
  /** When asking again may help; null where somebody has to do something first. */
  readonly retryAfterS: number | null;
}

/** The fault of the store that was thrown; null when it is a fault of another kind. */
export function storeFaultOf(error: unknown): StoreFault | null {
  if (error instanceof RecordGone) return GONE;
  if (!(error instanceof Database.SqliteError)) return null;
  return FAULTS.find(({ codes }) => codes.some((one) => error.code.startsWith(one)))?.fault ?? null;
}

const GONE: StoreFault = {
  status: 503,
  code: 'recordGone',
  detail:
    'The folder with the record was moved or removed while the server runs, so nothing can be stored. What you log waits in this browser. Put the folder back, or restore a copy, and start the server again.',
  retryAfterS: null,
};

const FAULTS: readonly { readonly codes: readonly string[]; readonly fault: StoreFault }[] = [
  {
    codes: ['SQLITE_FULL', 'SQLITE_IOERR_WRITE'],
    fault: {
      status: 507,
      code: 'diskFull',
      detail:
        'The server’s disk is full, so nothing more can be stored. All that was stored is safe, and what you log waits in this browser. Free some space on the server.',
      retryAfterS: 30,
    },
  },
  {
    codes: ['SQLITE_READONLY', 'SQLITE_CANTOPEN', 'SQLITE_PERM'],
    fault: {
      status: 503,
      code: 'readOnly',
      detail:
        'The record can be read but not written: its disk or folder is read-only. What you log waits in this browser. Make the folder writable and start the server again.',
      retryAfterS: 30,
    },
  },
  {
    codes: ['SQLITE_BUSY', 'SQLITE_LOCKED'],
    fault: {
      status: 503,
      code: 'busy',
      detail:
        'Another program holds the record just now. What you log waits in this browser and is sent again in a moment.',
      retryAfterS: 2,
    },
  },
  {
    codes: ['SQLITE_CORRUPT', 'SQLITE_NOTADB'],
    fault: {
      status: 503,
      code: 'damaged',
      detail:
        'The record’s file is damaged at this place. Stop the server and restore the newest verified copy with npm run restore. What you log waits in this browser.',
      retryAfterS: null,
    },
  },
  {
    codes: ['SQLITE_IOERR'],
    fault: {
      status: 503,
      code: 'diskFault',
      detail:
        'The server’s disk does not answer as it should. What you log waits in this browser. Look at the disk, then start the server again.',
      retryAfterS: 30,
    },
  },
];
