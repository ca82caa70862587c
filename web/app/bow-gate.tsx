import { type ReactNode, useEffect } from 'react';
import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import { type BowHandle, useBow } from '../bows/use-bow.ts';
import { saveWholeBow } from '../outbox/save-copy.ts';
import { rememberBow } from './last-bow.ts';
import { CannotShow, Loading } from './page-states.tsx';

/** The bow of a view once its log is there; until then, or where it cannot be read, what is the matter. */
export function BowGate({
  bowId,
  children,
}: {
  readonly bowId: string;
  readonly children: (bow: BowHandle, state: BowState) => ReactNode;
}) {
  const bow = useBow(bowId);
  const { state } = bow;
  useEffect(() => {
    if (state !== null) rememberBow(bowId);
  }, [state, bowId]);
  if (state !== null) return children(bow, state);
  if (bow.error !== null)
    return <CannotShow error={bow.error} retry={() => window.location.reload()} />;
  return bow.setAside > 0 ? <UnreadableBow bowId={bowId} /> : <Loading what="the bow" />;
}

/** The entry that made it cannot be read: nothing else of it means anything. */
function UnreadableBow({ bowId }: { readonly bowId: string }) {
  return (
    <section className="m-auto max-w-lg p-7" role="alert">
      <h1 className="text-title leading-tight font-[560]">This bow cannot be read.</h1>
      <p className="mt-2">
        The entry that made it is damaged on the server’s disk. The rest of its log is there, but
        says nothing without it; other bows go on. Restore the newest verified copy: stop the
        server, then npm run restore and the copy’s name.
      </p>
      <p className="mt-4 flex gap-4">
        <button type="button" className="btn-ink" onClick={() => void saveWholeBow(bowId)}>
          Save what is there to a file
        </button>
        <Link className="link-btn grid place-items-center" to="/rack">
          To the rack
        </Link>
      </p>
    </section>
  );
}
