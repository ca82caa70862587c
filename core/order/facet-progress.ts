import { READING_KINDS, type ReadingKind } from '../craft/readings.ts';
import type { BowState } from '../log/bow-state.ts';
import { type FacetId, type StepFacts, stepsFor } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { shotsIn } from '../log/shots-in.ts';
import { instantMs } from '../quantity/instant.ts';
import { marksEvidence } from '../sight-marks/marks-evidence.ts';
import {
  DISTANCES_NEEDED,
  marksStanding,
  type MarksStanding,
} from '../sight-marks/marks-standing.ts';

/** How far a facet has come since it was last put in doubt. */
export interface FacetProgress {
  /** When it was last cleared, even if stale now; null when never. */
  readonly clearedAt: string | null;
  /** What has put it in doubt since it was cleared; empty while it holds. */
  readonly upsetBy: readonly Upset[];
  /** What still counts toward clearing it, per reading (or shots under `shots`, distances of marks). */
  readonly have: ReadonlyMap<Counted, number>;
  readonly cleared: boolean;
}

type Counted = ReadingKind | 'shots' | 'look' | 'distances';

/** Readings of a step that are still to be taken, in order. */
export function missingReadings(step: StepFacts, facet: FacetProgress): readonly ReadingKind[] {
  const { clearing } = step;
  if (clearing.by !== 'readings') return [];
  return clearing.of.filter((kind) => (facet.have.get(kind) ?? 0) < clearing.each);
}

type PlainFacetId = Exclude<FacetId, 'bareShaftVertical' | 'bareShaftLateral'>;
type PlainStep = StepFacts & { id: PlainFacetId };

/**
 * Walks the record once and tells, for every facet but bare shaft (which a verdict clears),
 * whether it holds, since when, and what has upset it.
 */
export function facetProgress(state: BowState): ReadonlyMap<PlainFacetId, FacetProgress> {
  const trackers = stepsFor(state.bow.school)
    .filter((step): step is PlainStep => step.id !== 'bareShaft')
    .map((step) => new FacetTracker(step));
  const byReading = trackersByReading(trackers);
  const byShots = trackers.filter(({ step }) => step.clearing.by === 'shots');
  const doubted = trackersByUpset(trackers);
  // Entries and upsets are both in log order: walked side by side, so that a long log needs no index.
  let nextUpset = 0;
  for (const { id, body, at } of state.active) {
    const doubt = state.upsets[nextUpset];
    if (doubt?.entryId === id) {
      nextUpset += 1;
      for (const tracker of doubted(doubt)) tracker.upset(doubt);
      continue;
    }
    if (body.kind === 'reading') {
      const count = body.values.length;
      for (const tracker of byReading[body.reading]) tracker.count(body.reading, count, at);
    } else if (shotsIn(body) > 0) {
      for (const tracker of byShots) tracker.count('shots', shotsIn(body), at);
    } else if (body.kind === 'stepConfirmed') {
      trackers.find(({ step }) => step.id === body.step)?.confirm(at);
    }
  }
  trackers.find(({ step }) => step.id === 'sightMarks')?.marks(marksStanding(marksEvidence(state)));
  return new Map(trackers.map((tracker) => [tracker.step.id, tracker]));
}

/** Follows one step through the record. */
class FacetTracker implements FacetProgress {
  clearedAt: string | null = null;
  upsetBy: Upset[] = [];
  readonly have = new Map<Counted, number>();
  cleared = false;

  readonly step: PlainStep;

  constructor(step: PlainStep) {
    this.step = step;
  }

  upset(doubt: Upset): void {
    this.have.clear();
    if (this.clearedAt !== null) this.upsetBy.push(doubt);
    this.cleared = false;
  }

  count(what: ReadingKind | 'shots', howMany: number, at: string): void {
    this.have.set(what, this.number(what) + howMany);
    this.clearIfDone(at);
  }

  /** The tuner says it is done: enough by itself, or the look that goes with the readings. */
  confirm(at: string): void {
    const { clearing } = this.step;
    if (clearing.by === 'confirmation' || (clearing.by === 'readings' && clearing.look === null)) {
      this.clear(at);
    } else if (clearing.by === 'readings') {
      this.have.set('look', 1);
      this.clearIfDone(at);
    }
  }

  /** Marks that were shot clear it as a word does: all of them stand or fall with the newest change. */
  marks({ distances, since, shotAt }: MarksStanding): void {
    if (shotAt === null) return;
    if (distances < DISTANCES_NEEDED) this.have.set('distances', distances);
    else if (since.length === 0) this.clear(shotAt);
    else if (!this.cleared && this.wasClearedBefore(shotAt)) {
      this.clearedAt = shotAt;
      this.upsetBy = [...since];
    }
  }

  private wasClearedBefore(at: string): boolean {
    return this.clearedAt === null || instantMs(this.clearedAt) < instantMs(at);
  }

  private clearIfDone(at: string): void {
    const { clearing } = this.step;
    if (clearing.by === 'shots') {
      if (this.number('shots') >= clearing.count) this.clear(at);
    } else if (clearing.by === 'readings') {
      if (clearing.look !== null && this.number('look') === 0) return;
      for (const kind of clearing.of) if (this.number(kind) < clearing.each) return;
      this.clear(at);
    }
  }

  private number(what: Counted): number {
    return this.have.get(what) ?? 0;
  }

  private clear(at: string): void {
    this.cleared = true;
    this.clearedAt = at;
    this.upsetBy = [];
  }
}

/** A long log is mostly readings: each is only put to the steps that count it. */
function trackersByReading(
  trackers: readonly FacetTracker[],
): Readonly<Record<ReadingKind, readonly FacetTracker[]>> {
  const counting = (kind: ReadingKind) =>
    trackers.filter(
      ({ step: { clearing } }) => clearing.by === 'readings' && clearing.of.includes(kind),
    );
  return Object.fromEntries(READING_KINDS.map((kind) => [kind, counting(kind)])) as Record<
    ReadingKind,
    FacetTracker[]
  >;
}

/** The steps an upset puts in doubt; the same move of the same controls always the same ones. */
function trackersByUpset(trackers: readonly FacetTracker[]) {
  const known = new Map<string, readonly FacetTracker[]>();
  return (doubt: Upset): readonly FacetTracker[] => {
    const key = doubt.kind === 'change' ? doubt.moveControls.join() : `item ${doubt.index}`;
    let found = known.get(key);
    if (found === undefined) {
      found = trackers.filter(({ step }) => upsets(doubt, step.id));
      known.set(key, found);
    }
    return found;
  };
}
