import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { useNow } from '../app/use-now.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { useLastGood } from '../bows/use-last-good.ts';
import { asItWas } from '../bows/moment-address.ts';
import { dayAndTime } from './story-view.ts';

/** States with a name, each a press away; and the way to write a note. */
export function NamedStates({
  state,
  log,
  onNote,
}: {
  readonly state: BowState;
  readonly log: readonly LoggedEntry[];
  readonly onNote: () => void;
}) {
  const now = useNow();
  const goodMs = useLastGood(log, state);
  return (
    <section
      aria-label="Named states"
      className="flex shrink-0 flex-wrap items-baseline gap-x-5 gap-y-1"
    >
      {goodMs !== null && (
        <Link
          className="link-btn -ml-2.5"
          data-testid="last-good"
          to={asItWas(`/bench/${state.bowId}`, goodMs)}
        >
          Last good state, {dayAndTime(new Date(goodMs).toISOString(), now)}
        </Link>
      )}
      {state.namedStates.map(({ entryId, name, moment }) => (
        <Link
          key={entryId}
          className="link-btn -ml-2.5 max-w-80"
          to={asItWas(`/bench/${state.bowId}`, instantMs(moment))}
        >
          <span className="truncate font-[640]">{name}</span>
          <span className="whitespace-nowrap text-ink-2">, {dayAndTime(moment, now)}</span>
        </Link>
      ))}
      {state.namedStates.length === 0 && (
        <p className="text-note text-ink-2">
          No state has a name yet. Press a line below and name it: it can be opened and returned to.
        </p>
      )}
      <button type="button" className="link-btn ml-auto" onClick={onNote}>
        Write a note
      </button>
    </section>
  );
}
