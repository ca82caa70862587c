import { Link } from 'react-router';
import { firstBowChanged } from '#core/setup/first-bow-changed.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { sinceUpsetWords } from '#core/words/since-words.ts';
import { useBow } from '../bows/use-bow.ts';
import { Fractions } from '../ui/fractions.tsx';
import { whenWords } from '../log-line/lately.tsx';

/** On a back-up: what was moved on its first bow since it was last brought after it. */
export function FirstBowNote({ state }: { readonly state: BowState }) {
  const { backupOf } = state.bow;
  return backupOf === undefined ? null : <ChangedSince state={state} firstBowId={backupOf} />;
}

function ChangedSince({
  state,
  firstBowId,
}: {
  readonly state: BowState;
  readonly firstBowId: string;
}) {
  const first = useBow(firstBowId).state;
  const changed = first === null ? null : firstBowChanged(first, state);
  if (first === null || changed === null) return null;
  return (
    <p className="mt-3 border-l-2 border-ink pl-2.5 text-plain" role="note" data-testid="first-bow">
      {first.bow.name} was changed since, {whenWords(changed.lastAt)}:{' '}
      <Fractions text={sinceUpsetWords(changed.since)} />.{' '}
      <Link
        className="link-btn -ml-2.5 inline-grid place-items-center"
        to={`/record/${state.bowId}?show=compare&left=now&right=bow:${firstBowId}`}
      >
        Set the two side by side
      </Link>
    </p>
  );
}
