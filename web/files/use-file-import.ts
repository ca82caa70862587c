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
  | { readonly kind: 'taking' }
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
    if (importing.kind !== 'reading') return;
    const { importId } = importing;
    const stillWanted = (next: Importing) => {
      if (waiting.current === importId) setImporting(next);
    };
    const later = setTimeout(() => {
      request(`${IMPORTS}/${importId}`, importStandingSchema).then(stillWanted, (error: unknown) =>
        stillWanted(failed(error)),
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
    setImporting({ kind: 'taking' });
    try {
      const taken = await request(`${IMPORTS}/${importId}`, takenSchema, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ bows }),
        patienceMs: FILE_PATIENCE_MS,
      });
      waiting.current = null;
      setImporting({ kind: 'taken', taken });
      onTaken();
    } catch (error) {
      setImporting(failed(error));
    }
  };

  return { importing, choose, take, drop };
}

function failed(error: unknown): Importing {
  return { kind: 'failed', says: error instanceof Error ? error.message : 'It failed.' };
}
