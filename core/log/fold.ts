import { BowDraft } from './bow-draft.ts';
import type { BowState } from './bow-state.ts';
import type { LoggedEntry } from './entry.ts';
import { reduceEntry } from './kinds/entry-kinds.ts';
import { inTakenOrder } from './taken-order.ts';
import { undoneEntryIds } from './undo.ts';

/**
 * Folds a bow's log into its present state. The same function runs in server, page and tests.
 * What each kind of entry does to the state stands with the kind, in `kinds/`.
 * Entries that name something unknown (a shot never placed) are left out of the state, not fatal:
 * the log is the truth and must always open.
 *
 * What is present is what was taken last, so the same entries give the same state in whatever order
 * they arrived.
 *
 * @param arrived as it arrived; entries waiting to be sent come last
 * @param unreadable how many entries of this bow are on the disk but cannot be read
 * @returns null when the log holds no bow
 */
export function foldLog(arrived: readonly LoggedEntry[], unreadable = 0): BowState | null {
  const log = inTakenOrder(arrived);
  const undoneIds = undoneEntryIds(log);
  const made = log.find((entry) => entry.body.kind === 'bowMade');
  if (made?.body.kind !== 'bowMade') return null;
  const { kind: _kind, ...bow } = made.body;
  const draft = new BowDraft(bow, made.at);
  const active: LoggedEntry[] = [];
  for (const [index, entry] of log.entries()) {
    if (undoneIds.has(entry.id) || entry.body.kind === 'undone') continue;
    active.push(entry);
    reduceEntry(draft, entry, index);
  }
  return {
    ...draft.state,
    bowId: made.bowId,
    unreadable,
    active,
    undoneIds,
    lastAt: log.at(-1)?.at ?? made.at,
  };
}
