import { useCallback, useEffect, useRef, useState } from 'react';
import {
  type BadFileSaid,
  type BowChoice,
  droppedSchema,
  type ImportPlan,
  type ImportProgress,
  type ImportStanding,
  importStandingSchema,
  type TakenIn,
  takenSchema,
} from '#contract/file-import.ts';
import { request } from '../api/http.ts';

/** How it stands with a file that was chosen. */
export type Importing =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'sending'; readonly fileName: string }
  | { readonly kind: 'reading'; readonly importId: string; readonly progress: ImportProgress }
  | { readonly kind: 'ready'; readonly importId: string; readonly plan: ImportPlan }
  | {
      readonly kind: 'taking';
      readonly importId: string;
      readonly progress: ImportProgress;
      /** Asked to stop: what comes of it is not known yet. */
      readonly isCancelling?: boolean;
    }
  | { readonly kind: 'taken'; readonly taken: TakenIn }
  | { readonly kind: 'bad'; readonly bad: BadFileSaid }
  /** The server refused, or is away: in its words. */
  | { readonly kind: 'failed'; readonly says: string };

const IMPORTS = '/api/workshop-file/imports';
const LOOK_EVERY_MS = 250;
/** A large file takes its time on a slow disk. */
const FILE_PATIENCE_MS = 600_000;

/** Sends a file, follows how it is read, and takes what is chosen of it. Left, it is thrown away. */
export function useFileImport(onTaken: () => void) {
  const [importing, setImporting] = useState<Importing>({ kind: 'nothing' });
  const waiting = useRef<string | null>(null);
  const sending = useRef<AbortController | null>(null);

  const drop = useCallback(() => {
    sending.current?.abort();
    const importId = waiting.current;
    waiting.current = null;
    setImporting({ kind: 'nothing' });
    if (importId !== null)
      // What is not thrown away now is when the server has read three others.
      void request(`${IMPORTS}/${importId}`, droppedSchema, { method: 'DELETE' }).catch(() => null);
  }, []);
  useEffect(() => drop, [drop]);

  const follow = (standing: ImportStanding) => {
    waiting.current = standing.importId;
    setImporting(standing);
  };
  useEffect(() => {
    if (importing.kind !== 'reading' && importing.kind !== 'taking') return;
    const { importId, kind } = importing;
    const stillWanted = (next: Importing) => {
      if (waiting.current === importId) setImporting(next);
    };
    const later = setTimeout(() => {
      request(`${IMPORTS}/${importId}`, importStandingSchema).then(
        (next) => (kind === 'reading' ? stillWanted(next) : setImporting(further(importId, next))),
        // What became of taking it, the answer to that says.
        (error: unknown) =>
          kind === 'reading' ? stillWanted(failed(error)) : setImporting(further(importId, null)),
      );
    }, LOOK_EVERY_MS);
    return () => clearTimeout(later);
  }, [importing]);

  const choose = async (file: File) => {
    drop();
    const cancel = new AbortController();
    sending.current = cancel;
    setImporting({ kind: 'sending', fileName: file.name });
    try {
      const standing = await request(IMPORTS, importStandingSchema, {
        method: 'POST',
        headers: { 'Content-Type': 'application/zip' },
        body: file,
        patienceMs: FILE_PATIENCE_MS,
      });
      if (cancel.signal.aborted) {
        waiting.current = standing.importId;
        drop();
      } else follow(standing);
    } catch (error) {
      if (!cancel.signal.aborted) setImporting(failed(error));
    }
  };

  const take = async (importId: string, bows: readonly BowChoice[]) => {
    // Left from here on, it is taken all the same.
    waiting.current = null;
    setImporting({ kind: 'taking', importId, progress: { share: 0, entries: 0 } });
    try {
      const taken = await request(`${IMPORTS}/${importId}`, takenSchema, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ bows }),
        patienceMs: FILE_PATIENCE_MS,
      });
      setImporting({ kind: 'taken', taken });
      onTaken();
    } catch (error) {
      waiting.current = importId;
      setImporting(failed(error));
    }
  };

  /** What comes of it, the answer to taking it says: all of it may be in already. */
  const stopTaking = (importId: string) => {
    setImporting((now) => (now.kind === 'taking' ? { ...now, isCancelling: true } : now));
    void request(`${IMPORTS}/${importId}`, droppedSchema, { method: 'DELETE' }).catch(() => null);
  };

  return { importing, choose, take, stopTaking, drop };
}

/** How far it is, as long as it is still being taken; looked at again where that is not known. */
function further(importId: string, next: ImportStanding | null) {
  return (now: Importing): Importing => {
    if (now.kind !== 'taking' || now.importId !== importId) return now;
    return { ...now, progress: next?.kind === 'taking' ? next.progress : now.progress };
  };
}

function failed(error: unknown): Importing {
  return { kind: 'failed', says: error instanceof Error ? error.message : 'It failed.' };
}
