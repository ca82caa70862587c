import { entryWords } from '#core/log/kinds/entry-kinds.ts';
import type { BowFacts, LoggedEntry } from '#core/log/entry.ts';
import { useStanding } from '../outbox/use-standing.ts';
import { Fractions } from '../ui/fractions.tsx';

const SHOWN = 4;

/** The newest entries, each with its way back; what was taken back stays visible, struck out. */
export function Lately({
  log,
  bow,
  undoneIds,
  onUndo,
}: {
  readonly log: readonly LoggedEntry[];
  readonly bow: BowFacts;
  readonly undoneIds: ReadonlySet<string>;
  readonly onUndo: (entryIds: readonly string[]) => void;
}) {
  const recent = newest(log);
  if (recent.length === 0) return null;
  return (
    <section aria-label="Lately" className="mt-5 border-t border-faint pt-2">
      <h2 className="label">Lately</h2>
      <ul>
        {recent.toReversed().map((entry) => {
          const undone = undoneIds.has(entry.id);
          const partners =
            entry.body.kind === 'change' && entry.body.moveId !== undefined
              ? movePartners(log, entry.body.moveId)
              : [entry.id];
          return (
            <li
              key={entry.id}
              className="flex min-h-8 items-center justify-between gap-3 text-note"
            >
              <span
                className={`line-clamp-6 min-w-0 wrap-anywhere ${undone ? 'line-through' : ''}`}
              >
                <Fractions text={entryWords(entry.body, bow)} />
                <span className="text-ink-2">, {whenWords(entry.at)}</span>
                {entry.seq === null && <WaitingWords id={entry.id} />}
              </span>
              {undone ? (
                <span className="text-ink-2">taken back</span>
              ) : (
                <button
                  type="button"
                  className="link min-h-8 shrink-0 px-1 @max-tablet:min-h-11"
                  aria-label={`Undo ${entryWords(entry.body, bow)}`}
                  onClick={() => onUndo(partners)}
                >
                  Undo
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function WaitingWords({ id }: { readonly id: string }) {
  return useStanding([id]) === 'inPage' ? (
    <span className="font-[640] text-stop"> · in this page only</span>
  ) : (
    <span className="font-[640]"> · waiting</span>
  );
}

/** The newest entries worth showing, oldest first; looked for from the end of a log that may be long. */
function newest(log: readonly LoggedEntry[]): readonly LoggedEntry[] {
  const found: LoggedEntry[] = [];
  for (let at = log.length - 1; at >= 0 && found.length < SHOWN; at -= 1) {
    const entry = log[at];
    if (entry !== undefined && entry.body.kind !== 'undone' && entry.body.kind !== 'bowMade')
      found.unshift(entry);
  }
  return found;
}

/** Changes that were one move are taken back together. */
function movePartners(log: readonly LoggedEntry[], moveId: string): readonly string[] {
  return log
    .filter(({ body }) => body.kind === 'change' && body.moveId === moveId)
    .map(({ id }) => id);
}

// By hand: the browser's own date formatter costs 40 ms on its first call, before anything is shown.
const MONTHS = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sept',
  'Oct',
  'Nov',
  'Dec',
];

/** `14:05` today, `24 Nov` otherwise. */
export function whenWords(at: string): string {
  const then = new Date(at);
  const two = (value: number) => String(value).padStart(2, '0');
  return then.toDateString() === new Date().toDateString()
    ? `${two(then.getHours())}:${two(then.getMinutes())}`
    : `${then.getDate()} ${MONTHS[then.getMonth()] ?? ''}`;
}
