import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';
import { SESSION_KIND_FACTS } from '#core/craft/session-kinds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { sessionArrowWords } from '#core/words/session-words.ts';
import { whenWords } from '../../log-line/lately.tsx';

const ITEM =
  'flex min-h-11 items-center px-4 data-[highlighted]:bg-ink data-[highlighted]:text-sheet';

/** Which session is on the butt, and the way to an earlier or a new one. */
export function SessionChoice({
  state,
  session,
  endNumber,
  onChoose,
  onEnd,
}: {
  readonly state: BowState;
  readonly session: ShootingSession | null;
  readonly endNumber: number;
  readonly onChoose: (sessionId: string) => void;
  readonly onEnd: () => void;
}) {
  const arrow = session === null ? '' : sessionArrowWords(state, session);
  return (
    <>
      <div className="mb-1 flex items-center justify-between text-note">
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className="flex min-h-9 items-center gap-1.5 @max-tablet:-my-1 @max-tablet:min-h-11 font-[560]">
            {session === null ? 'New session' : `${words(session)}, end ${endNumber}`}
            <ChevronDown size={14} strokeWidth={1.6} aria-hidden />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              className="sheet-panel z-50 max-h-[60dvh] overflow-y-auto py-2"
              align="start"
            >
              <DropdownMenu.Item className={ITEM} onSelect={() => onChoose('new')}>
                New session
              </DropdownMenu.Item>
              {state.sessions.toReversed().map((one) => (
                <DropdownMenu.Item
                  key={one.sessionId}
                  className={ITEM}
                  onSelect={() => onChoose(one.sessionId)}
                >
                  {words(one)}, {one.shots.length} shots{one.closed ? '' : ', open'}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <span className="flex items-center gap-x-4">
          {state.sessions.some(({ aiming }) => aiming !== undefined) && (
            <Link
              className="link content-center min-h-9 @max-tablet:-my-1 @max-tablet:min-h-11"
              to={`/range/${state.bowId}?marks=read`}
            >
              Marks
            </Link>
          )}
          {session !== null && !session.closed && (
            <button
              type="button"
              className="link min-h-9 @max-tablet:-my-1 @max-tablet:min-h-11"
              onClick={onEnd}
            >
              End the session
            </button>
          )}
        </span>
      </div>
      {arrow !== '' && (
        <p className="-mt-1 mb-1 truncate text-note text-ink-2" data-testid="session-arrow">
          With {arrow}
        </p>
      )}
    </>
  );
}

function words(session: ShootingSession): string {
  const kind =
    session.sessionKind === 'bareShaft' ? '' : `${SESSION_KIND_FACTS[session.sessionKind].name}, `;
  return `${kind}${session.distanceM} m, ${whenWords(session.openedAt)}`;
}
