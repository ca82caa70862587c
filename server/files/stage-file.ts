import type { ImportPlan, ImportProgress } from '#contract/file-import.ts';
import type { Db } from '../db/open.ts';
import { planImport } from './plan-import.ts';
import { readWorkshopFile } from './read-workshop-file.ts';
import { openStaging } from './staging.ts';

export interface StageTask {
  /** The file that was sent. */
  readonly path: string;
  /** Where it is laid out, to be taken from. */
  readonly stagingPath: string;
  readonly onProgress: (progress: ImportProgress) => void;
  /** Ends it early; what was laid out is then of no use. */
  readonly signal: AbortSignal;
}

/**
 * Reads a file, lays it out beside the record, and says what taking it in would come to.
 *
 * @throws BadFile
 */
export async function stageFile(
  { path, stagingPath, onProgress, signal }: StageTask,
  db: Db,
  nowMs: number,
): Promise<ImportPlan> {
  const staging = openStaging(stagingPath);
  try {
    staging.begin();
    await readWorkshopFile(path, {
      ...staging.sink,
      progress: (progress) => {
        signal.throwIfAborted();
        onProgress(progress);
      },
    });
    staging.commit();
    return planImport(staging, db, nowMs);
  } finally {
    staging.close();
  }
}
