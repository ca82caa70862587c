import { useMemo } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { Fractions } from '../../ui/fractions.tsx';
import type { CardSize } from './tune-card.tsx';
import { tuneStory } from './tune-story.ts';

/** The back of a card: how the bow came to be as it is. */
export function TuneStoryPage({
  state,
  log,
  size,
}: {
  readonly state: BowState;
  readonly log: readonly LoggedEntry[];
  readonly size: CardSize;
}) {
  const { lines, older } = useMemo(() => tuneStory(state, log), [state, log]);
  return (
    <article
      className={`tune-card tune-card-${size} tune-story`}
      aria-label={`Story of ${state.bow.name}`}
    >
      <header>
        <h2>{state.bow.name}: how it came to be so</h2>
      </header>
      {lines.length === 0 ? (
        <p>Nothing was changed or shot yet.</p>
      ) : (
        <ol>
          {lines.map(({ id, day, says }) => (
            <li key={id}>
              <span>{day}</span>
              <span>
                <Fractions text={says} />
              </span>
            </li>
          ))}
        </ol>
      )}
      {older > 0 && <p>And {older} older.</p>}
    </article>
  );
}
