import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';

/** A bow out of use, or made by mistake, goes out of the way and can be had back. */
export function PutAway({
  state,
  onStore,
}: {
  readonly state: BowState;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
}) {
  return (
    <p className="mt-2 text-ink-2">
      {state.putAway
        ? 'It is put away: nothing of it is due, and the rack lists it at its end.'
        : 'Not in use, sold, or made by mistake? Put away, it keeps its record and nothing is due.'}{' '}
      <button
        type="button"
        className="link min-h-11"
        onClick={() => onStore([{ kind: 'bowPutAway', away: !state.putAway }])}
      >
        {state.putAway ? 'Take it out again' : 'Put it away'}
      </button>
    </p>
  );
}
