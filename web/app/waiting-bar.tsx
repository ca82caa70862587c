import { flush, letGo } from '../api/outbox.ts';
import type { BowHandle } from '../api/use-bow.ts';
import { entryWords } from '../bench/lately.tsx';

/** What has not reached the server yet, and what it refused. Nothing shows while all is well. */
export function WaitingBar({ bow }: { readonly bow: BowHandle }) {
  const { state, waiting, away } = bow;
  if (state === null) return null;
  const refused = waiting.filter((one) => one.refused !== null);
  const queued = waiting.length - refused.length;
  if (refused.length === 0 && !(away && queued > 0) && !away) return null;
  return (
    <div
      className="border-b border-ink px-4 py-2 text-[14px] min-[720px]:px-7"
      role="status"
      data-testid="waiting-bar"
    >
      {away && (
        <p>
          The server does not answer.{' '}
          {queued > 0
            ? `${queued} ${queued === 1 ? 'entry waits' : 'entries wait'} in this browser and will be sent once.`
            : 'What you log now waits in this browser.'}{' '}
          <button
            type="button"
            className="link min-h-6 max-[719px]:min-h-11"
            onClick={() => void flush()}
          >
            Try now
          </button>
        </p>
      )}
      {refused.map((one) => (
        <p key={one.key} className="text-stop">
          Not stored: {entryWords(one.entry.body, state.bow)}. {one.refused}{' '}
          <button
            type="button"
            className="link min-h-6 max-[719px]:min-h-11"
            onClick={() => letGo(one.key)}
          >
            Let it go
          </button>
        </p>
      ))}
    </div>
  );
}
