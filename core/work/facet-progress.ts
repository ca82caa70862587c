import type { ReadingKind } from '../craft/readings.ts';
import type { EntryBody } from '../record/entry.ts';
import type { BowState } from '../record/fold.ts';
import { type FacetId, type StepFacts, stepsFor } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';

/** How far a facet has come since it was last put in doubt. */
export interface FacetProgress {
  /** When it was last cleared, even if stale now; null when never. */
  readonly clearedAt: string | null;
  /** What has put it in doubt since it was cleared; empty while it holds. */
  readonly upsetBy: readonly Upset[];
  /** What still counts toward clearing it, per reading (or shots under `shots`). */
  readonly have: ReadonlyMap<ReadingKind | 'shots' | 'look', number>;
  readonly cleared: boolean;
}

/** Readings of a step that are still to be taken, in order. */
export function missingReadings(step: StepFacts, facet: FacetProgress): readonly ReadingKind[] {
  const { clearing } = step;
  if (clearing.by !== 'readings') return [];
  return clearing.of.filter((kind) => (facet.have.get(kind) ?? 0) < clearing.each);
}

interface Draft {
  clearedAt: string | null;
  upsetBy: Upset[];
  have: Map<ReadingKind | 'shots' | 'look', number>;
  cleared: boolean;
}

type PlainFacetId = Exclude<FacetId, 'bareShaftVertical' | 'bareShaftLateral'>;

/**
 * Walks the record once and tells, for every facet but bare shaft (which a verdict clears),
 * whether it holds, since when, and what has upset it.
 */
export function facetProgress(state: BowState): ReadonlyMap<PlainFacetId, FacetProgress> {
  const drafts = new Map<PlainFacetId, Draft>();
  const steps = stepsFor(state.bow.school).filter(
    (step): step is PlainStep => step.id !== 'bareShaft',
  );
  for (const step of steps) {
    drafts.set(step.id, { clearedAt: null, upsetBy: [], have: new Map(), cleared: false });
  }
  const upsetAt = new Map(state.upsets.map((one) => [one.index, one]));
  const concerned = stepsByWhatTheyHear(steps);
  const doubted = stepsByWhatUpsetsThem(steps);
  for (const { entry, index } of state.active) {
    const doubt = upsetAt.get(index);
    for (const step of doubt === undefined ? concerned(entry.body) : doubted(doubt)) {
      const draft = drafts.get(step.id);
      if (draft === undefined) continue;
      if (doubt !== undefined) upset(draft, doubt);
      else if (advance(draft, step, entry.body)) {
        draft.cleared = true;
        draft.clearedAt = entry.at;
        draft.upsetBy = [];
      }
    }
  }
  return drafts;
}

type PlainStep = StepFacts & { id: PlainFacetId };

/** A long log is mostly readings and shots: each is only put to the steps that count it. */
function stepsByWhatTheyHear(steps: readonly PlainStep[]) {
  const byReading = new Map<ReadingKind, PlainStep[]>();
  for (const step of steps) {
    if (step.clearing.by !== 'readings') continue;
    for (const kind of step.clearing.of)
      byReading.set(kind, [...(byReading.get(kind) ?? []), step]);
  }
  const byShots = steps.filter(({ clearing }) => clearing.by === 'shots');
  const none: readonly PlainStep[] = [];
  return (body: EntryBody): readonly PlainStep[] => {
    switch (body.kind) {
      case 'reading':
        return byReading.get(body.reading) ?? none;
      case 'shotsFired':
      case 'shotPlaced':
        return byShots;
      case 'stepConfirmed':
        return steps;
      default:
        return none;
    }
  };
}

/** The steps an upset puts in doubt; the same move of the same controls always the same ones. */
function stepsByWhatUpsetsThem(steps: readonly PlainStep[]) {
  const known = new Map<string, readonly PlainStep[]>();
  return (doubt: Upset): readonly PlainStep[] => {
    const key = doubt.kind === 'change' ? doubt.moveControls.join() : `item ${doubt.index}`;
    const found = known.get(key) ?? steps.filter((step) => upsets(doubt, step.id));
    known.set(key, found);
    return found;
  };
}

function upset(draft: Draft, doubt: Upset): void {
  draft.have.clear();
  if (draft.clearedAt !== null) draft.upsetBy.push(doubt);
  draft.cleared = false;
}

/** Counts what an entry gives toward clearing a step; true when the step is cleared by it. */
function advance(draft: Draft, step: StepFacts, body: EntryBody): boolean {
  const { clearing } = step;
  switch (clearing.by) {
    case 'confirmation':
      return body.kind === 'stepConfirmed' && body.step === step.id;
    case 'readings':
      if (body.kind === 'stepConfirmed' && body.step === step.id) {
        if (clearing.look === null) return true;
        draft.have.set('look', 1);
      } else if (body.kind === 'reading' && clearing.of.includes(body.reading)) {
        draft.have.set(body.reading, (draft.have.get(body.reading) ?? 0) + body.values.length);
      } else return false;
      return (
        (clearing.look === null || draft.have.has('look')) &&
        clearing.of.every((kind) => (draft.have.get(kind) ?? 0) >= clearing.each)
      );
    case 'shots': {
      const fired = body.kind === 'shotsFired' ? body.count : body.kind === 'shotPlaced' ? 1 : 0;
      if (fired === 0) return false;
      const total = (draft.have.get('shots') ?? 0) + fired;
      draft.have.set('shots', total);
      return total >= clearing.count;
    }
    case 'verdict':
      return false;
  }
}
