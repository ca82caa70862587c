import { useState } from 'react';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { Reversals } from '#core/story/reversals.ts';
import type { StoryLine } from '#core/story/story-lines.ts';
import { reversalWords } from '#core/words/story-words.ts';
import { useNow } from '../app/use-now.ts';
import { TextField } from '../ui/text-field.tsx';
import { dayAndTime } from './story-view.ts';
import type { StoryActions } from './story-actions.ts';

/** What was taken back and put back of a line, by whom and why; and the way to do either. */
export function BackAndForth({
  line,
  reversals,
  actions,
}: {
  readonly line: StoryLine;
  readonly reversals: Reversals;
  readonly actions: StoryActions;
}) {
  const now = useNow();
  const [why, setWhy] = useState('');
  const { entries, first } = line;
  const steps = entries.flatMap(({ id }) => reversals.of.get(id) ?? []);
  const gone = entries.filter(({ id }) => reversals.standing.has(id));
  const standing = entries.filter(({ id }) => !reversals.standing.has(id));
  const isSearch = first.body.kind === 'braceSearchOpened';
  const isSession = first.body.kind === 'sessionOpened' || isSearch;
  const shots = standing.filter(
    ({ body }) => body.kind === 'shotPlaced' || body.kind === 'shotHeard',
  );
  const isGone = gone.some(({ id }) => id === first.id);
  // A bow is put away, not taken back: its log would say nothing without its making.
  if (first.body.kind === 'bowMade') return null;
  const act = (how: 'takeBack' | 'putBack', which: readonly LoggedEntry[]) => {
    actions[how](
      which.map(({ id }) => id),
      why.trim(),
    );
    setWhy('');
  };
  return (
    <div className="grid gap-2">
      {steps.length > 0 && (
        <ul className="text-note">
          {together(steps).map(({ step, count }) => (
            <li key={step.entryId}>
              {count > 1 && `${count} entries: `}
              {reversalWords(step)}
              <span className="text-ink-2">
                , {step.by}, {dayAndTime(step.at, now)}
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <div className="w-64 max-w-full">
          <TextField
            label={isGone ? 'Why put back, if you like' : 'Why taken back, if you like'}
            value={why}
            longest={80}
            onChange={setWhy}
          />
        </div>
        {isSession && !isGone && shots.length > 0 && (
          <button type="button" className="link-btn" onClick={() => act('takeBack', shots)}>
            Take back its {shots.length} {shots.length === 1 ? 'shot' : 'shots'}
          </button>
        )}
        {!isGone && (
          <button
            type="button"
            className="link-btn"
            onClick={() => act('takeBack', isSession ? [first] : standing)}
          >
            {isSession ? `Take back the ${isSearch ? 'search' : 'session'}` : 'Take back'}
          </button>
        )}
        {gone.length > 0 && (
          <button type="button" className="link-btn" onClick={() => act('putBack', gone)}>
            {gone.length === 1 || isGone ? 'Put back' : `Put back ${gone.length} entries`}
          </button>
        )}
      </div>
    </div>
  );
}

/** Steps made in one press are told once. */
function together<T extends { at: string; by: string; to: string; why: string }>(
  steps: readonly T[],
): readonly { readonly step: T; readonly count: number }[] {
  const found = new Map<string, { step: T; count: number }>();
  for (const step of steps) {
    const key = JSON.stringify([step.at.slice(0, 19), step.by, step.to, step.why]);
    const known = found.get(key);
    if (known === undefined) found.set(key, { step, count: 1 });
    else known.count += 1;
  }
  return [...found.values()].toSorted((one, other) => (one.step.at < other.step.at ? -1 : 1));
}
