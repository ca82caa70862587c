import { format } from 'date-fns';
import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { PageMessage } from '../app/page-states.tsx';

/** That this is the past, which moment of it, and the ways on. Dark where the present is light. */
export function ThenBar({ now, momentMs }: { readonly now: BowState; readonly momentMs: number }) {
  const name = now.namedStates.findLast(({ moment }) => instantMs(moment) === momentMs)?.name;
  return (
    <div
      role="status"
      data-testid="then-bar"
      className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-1 bg-ink px-4 py-2 text-sheet @tablet:px-7"
    >
      <p>
        <b>As it was on {format(momentMs, 'd MMM yyyy, HH:mm')}</b>
        {name !== undefined && ` · ${name}`}. To be looked at: nothing is written here.
      </p>
      <nav aria-label="From then" className="flex flex-wrap gap-x-5">
        <Link className="link min-h-11 content-center" to={`/bench/${now.bowId}`}>
          The bow as it is now
        </Link>
        <Link className="link min-h-11 content-center" to={`/record/${now.bowId}`}>
          Its record
        </Link>
      </nav>
    </div>
  );
}

/** No such moment, or one before the bow was made. */
export function NotThereThen({
  state,
  momentMs,
}: {
  readonly state: BowState;
  readonly momentMs: number;
}) {
  const madeAt = state.active[0]?.at;
  const says = Number.isNaN(momentMs)
    ? 'The address names no moment.'
    : `${state.bow.name} was not in the record yet${madeAt === undefined ? '' : `: it begins on ${format(madeAt, 'd MMM yyyy, HH:mm')}`}.`;
  return (
    <PageMessage title="Nothing to see then." says={says}>
      <Link className="link-btn -ml-2.5" to={`/record/${state.bowId}`}>
        Its record
      </Link>
    </PageMessage>
  );
}
