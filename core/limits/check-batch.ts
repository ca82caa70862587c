import type { Entry, EntryBody, LoggedEntry } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import { foldLog } from '../log/fold.ts';
import { checkProposal } from './check-proposal.ts';
import type { LimitRefusal } from './limit-refusal.ts';

/** What is looked at; everything else only changes what it is looked at against. */
const PROPOSALS: readonly EntryBody['kind'][] = [
  'change',
  'itemFitted',
  'targetSet',
  'experimentOpened',
  'sessionOpened',
  'braceSearchOpened',
];

/**
 * The check of proposals over entries that may also count, correct, read and take back: each proposal
 * is held against the bow as it stands just before it. A bow's first batch is no exception.
 *
 * @param state null for a bow that is only made by the first of them
 */
export function checkBatch(state: BowState | null, entries: readonly Entry[]): LimitRefusal | null {
  let standing = state;
  let from = 0;
  for (const until of segmentEnds(entries)) {
    const segment = entries.slice(from, until);
    if (standing === null) standing = foldLog(segment.map(waiting));
    else {
      const bodies = segment.map(({ body }) => body);
      const refusal = checkProposal(standing, bodies);
      if (refusal !== null) return { ...refusal, at: from + refusal.at };
      if (until < entries.length)
        standing = foldLog([...standing.active, ...segment.map(waiting)], standing.unreadable);
    }
    from = until;
  }
  return null;
}

/** A segment ends before a proposal that stands behind anything but proposals of turns. */
function segmentEnds(entries: readonly Entry[]): readonly number[] {
  const ends: number[] = [];
  let facts = false;
  for (const [place, { body }] of entries.entries()) {
    if (facts && PROPOSALS.includes(body.kind)) {
      ends.push(place);
      facts = false;
    }
    if (body.kind !== 'change') facts = true;
  }
  return [...ends, entries.length];
}

function waiting(entry: Entry): LoggedEntry {
  return { ...entry, seq: null };
}
