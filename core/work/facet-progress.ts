import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { EntryBody } from '../record/entry.ts';
import type { BowState, ChangeMade } from '../record/fold.ts';
import { type FacetId, STEPS, type StepFacts } from '../craft/steps.ts';
import { moveUpsets } from '../craft/upsets.ts';

/** How far a facet has come since it was last put in doubt. */
export interface FacetProgress {
  /** When it was last cleared, even if stale now; null when never. */
  readonly clearedAt: string | null;
  /** What has put it in doubt since it was cleared; empty while it holds. */
  readonly upsetBy: readonly ChangeMade[];
  /** What still counts toward clearing it, per reading (or shots under `shots`). */
  readonly have: ReadonlyMap<ReadingKind | 'shots', number>;
  readonly cleared: boolean;
}

interface Draft {
  clearedAt: string | null;
  upsetBy: ChangeMade[];
  have: Map<ReadingKind | 'shots', number>;
  cleared: boolean;
}

type PlainFacetId = Exclude<FacetId, 'bareShaftVertical' | 'bareShaftLateral'>;

/**
 * Walks the record once and tells, for every facet but bare shaft (which a verdict clears),
 * whether it holds, since when, and what has upset it.
 */
export function facetProgress(state: BowState): ReadonlyMap<PlainFacetId, FacetProgress> {
  const drafts = new Map<PlainFacetId, Draft>();
  const steps = STEPS.filter(
    (step): step is StepFacts & { id: PlainFacetId } => step.id !== 'bareShaft',
  );
  for (const step of steps) {
    drafts.set(step.id, { clearedAt: null, upsetBy: [], have: new Map(), cleared: false });
  }
  const changeAt = new Map(state.changes.map((change) => [change.index, change]));

  for (const { entry, index } of state.active) {
    const change = changeAt.get(index);
    for (const step of steps) {
      const draft = drafts.get(step.id);
      if (draft === undefined) continue;
      if (change !== undefined) upset(draft, step.id, change);
      else if (advance(draft, step, entry.body)) {
        draft.cleared = true;
        draft.clearedAt = entry.at;
        draft.upsetBy = [];
      }
    }
  }
  return drafts;
}

function upset(draft: Draft, facet: FacetId, change: ChangeMade): void {
  if (!moveUpsets(change.moveControls, facet)) return;
  draft.have.clear();
  if (draft.clearedAt !== null) draft.upsetBy.push(change);
  draft.cleared = false;
}

/** Counts what an entry gives toward clearing a step; true when the step is cleared by it. */
function advance(draft: Draft, step: StepFacts, body: EntryBody): boolean {
  const { clearing } = step;
  switch (clearing.by) {
    case 'confirmation':
      return body.kind === 'stepConfirmed' && body.step === step.id;
    case 'readings':
      if (body.kind === 'stepConfirmed') return body.step === step.id;
      if (body.kind !== 'reading' || !clearing.of.includes(body.reading)) return false;
      draft.have.set(body.reading, (draft.have.get(body.reading) ?? 0) + body.values.length);
      return clearing.of.every((kind) => (draft.have.get(kind) ?? 0) >= clearing.each);
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

/** What has moved since, one line per control, in order of first movement. */
export function netChanges(changes: readonly ChangeMade[]): ReadonlyMap<Control, number> {
  const net = new Map<Control, number>();
  for (const { control, amount } of changes) net.set(control, (net.get(control) ?? 0) + amount);
  return net;
}
