import { createWriteStream, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { v7 as newId } from 'uuid';
import type {
  BowChoice,
  ImportPlan,
  ImportProgress,
  ImportStanding,
  TakenIn,
} from '#contract/file-import.ts';
import { FILE_BOUNDS } from '#contract/workshop-file.ts';
import { BadFile } from './bad-file.ts';
import type { StageTask } from './stage-file.ts';
import { TakesNothing, type TakeTask } from './take-staged.ts';

/** So many files wait at once; the one that has waited longest makes room. */
const MOST_WAITING = 3;
/** What a killed server left behind is nobody's by then. */
const LEFT_BEHIND_MS = 24 * 3_600_000;

interface Job {
  standing: ImportStanding;
  readonly folder: string;
  readonly cancel: AbortController;
}

export interface ImportJobsDeps {
  /** Where files wait: they are as private as the record, and as large as they may be. */
  readonly folder: string;
  readonly stage: (task: StageTask) => Promise<ImportPlan>;
  readonly take: (task: TakeTask) => Promise<TakenIn>;
  readonly mustBeThere: () => void;
  /** Where faults of our own are told. */
  readonly report: (error: unknown) => void;
}

/** Files that were sent: read in the background, shown, then taken or thrown away. */
export class ImportJobs {
  private readonly jobs = new Map<string, Job>();
  private readonly deps: ImportJobsDeps;

  constructor(deps: ImportJobsDeps) {
    this.deps = deps;
    clearLeftBehind(deps.folder);
  }

  /**
   * Takes the bytes of a file as they come, and begins to read it when they all have.
   *
   * @throws BadFile when there are more than a file may have
   */
  async receive(bytes: Readable): Promise<ImportStanding> {
    mkdirSync(this.deps.folder, { recursive: true, mode: 0o700 });
    const folder = mkdtempSync(join(this.deps.folder, 'file-'));
    const path = join(folder, 'sent.zip');
    try {
      await pipeline(bytes, counted, createWriteStream(path, { mode: 0o600 }));
    } catch (error) {
      rmSync(folder, { recursive: true, force: true });
      throw error;
    }
    this.makeRoom();
    const importId = newId();
    const job: Job = {
      folder,
      cancel: new AbortController(),
      standing: { kind: 'reading', importId, progress: { share: 0, entries: 0 } },
    };
    this.jobs.set(importId, job);
    void this.read(importId, job, path);
    return job.standing;
  }

  standingOf(importId: string): ImportStanding | null {
    return this.jobs.get(importId)?.standing ?? null;
  }

  /**
   * Takes what was chosen, all or nothing, and lets the file go.
   *
   * @returns null when no such file is ready
   * @throws TakesNothing
   */
  async take(importId: string, choices: readonly BowChoice[]): Promise<TakenIn | null> {
    const job = this.jobs.get(importId);
    if (job?.standing.kind !== 'ready') return null;
    const ready = job.standing;
    const tell = (progress: ImportProgress) => {
      job.standing = { kind: 'taking', importId, progress };
    };
    tell({ share: 0, entries: 0 });
    try {
      this.deps.mustBeThere();
      const stagingPath = stagingOf(job.folder);
      const task = { stagingPath, plan: ready.plan, choices, onProgress: tell };
      const taken = await this.deps.take(task);
      this.deps.mustBeThere();
      this.drop(importId);
      return taken;
    } catch (error) {
      // What it was compared with is no longer so.
      if (error instanceof TakesNothing && error.why.kind === 'changed') this.drop(importId);
      job.standing = ready;
      throw error;
    }
  }

  /**
   * Throws a file away, read or half read; false when there is none. One that is being taken is not
   * taken then, unless all of it was already: who asked to take it is told which.
   */
  drop(importId: string): boolean {
    const job = this.jobs.get(importId);
    if (job === undefined) return false;
    this.jobs.delete(importId);
    job.cancel.abort();
    rmSync(job.folder, { recursive: true, force: true });
    return true;
  }

  /** Everything that waits is thrown away. */
  end(): void {
    for (const importId of this.jobs.keys()) this.drop(importId);
  }

  private makeRoom(): void {
    const waiting = [...this.jobs].filter(([, { standing }]) => standing.kind !== 'taking');
    for (const [importId] of waiting.slice(0, Math.max(0, this.jobs.size - MOST_WAITING + 1)))
      this.drop(importId);
  }

  private async read(importId: string, job: Job, path: string): Promise<void> {
    try {
      const plan = await this.deps.stage({
        path,
        stagingPath: stagingOf(job.folder),
        signal: job.cancel.signal,
        onProgress: (progress) => {
          job.standing = { kind: 'reading', importId, progress };
        },
      });
      job.standing = { kind: 'ready', importId, plan };
    } catch (error) {
      if (job.cancel.signal.aborted) return;
      if (!(error instanceof BadFile)) this.deps.report(error);
      const bad = error instanceof BadFile ? error.said : BROKE_ITS_READER;
      job.standing = { kind: 'bad', importId, bad };
    }
  }
}

const BROKE_ITS_READER = {
  place: 'The file',
  says: 'Reading it failed for another reason than the file: the server’s own output says more.',
  remedy: 'Is there room on the disk? Then try again.',
};

function stagingOf(folder: string): string {
  return join(folder, 'staged.db');
}

async function* counted(bytes: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
  let size = 0;
  for await (const chunk of bytes) {
    size += chunk.length;
    if (size > FILE_BOUNDS.bytes)
      throw new BadFile(
        'The file',
        `It is larger than ${FILE_BOUNDS.bytes / 1e9} GB, which no workshop is.`,
        'Save its bows one by one.',
      );
    yield chunk;
  }
}

function clearLeftBehind(folder: string): void {
  const names =
    statSync(folder, { throwIfNoEntry: false }) === undefined ? [] : readdirSync(folder);
  for (const name of names) {
    const path = join(folder, name);
    if (Date.now() - statSync(path).mtimeMs > LEFT_BEHIND_MS)
      rmSync(path, { recursive: true, force: true });
  }
}
