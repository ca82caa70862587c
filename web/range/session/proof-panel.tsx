import { useMemo } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { proofStanding } from '#core/proof/proof-standing.ts';
import { ARROW_SHORT } from '#core/craft/range-terms.ts';
import { lowerFirst } from '#core/craft/letter-case.ts';
import { proofAxisWords, proofSaysWords } from '#core/words/proof-words.ts';

/** The proof at purpose: what it says so far, then each axis, then by how many. */
export function ProofPanel({
  state,
  session,
  unit,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly unit: 'cm' | 'in';
}) {
  const standing = useMemo(() => proofStanding(state, session), [state, session]);
  const { counted, ends, point } = standing;
  const { hand } = state.bow;
  return (
    <section aria-label="Proof" aria-live="polite" data-testid="proof">
      <p className="text-title leading-[1.14] font-[520] [font-stretch:88%] @tablet:text-figure">
        {proofSaysWords(standing)}
      </p>
      {(['up', 'outward'] as const).map((axis) => {
        const words = proofAxisWords(standing, axis, hand, unit);
        return (
          words !== null && (
            <p key={axis} className="mt-1 text-sub leading-snug" data-testid={`proof-${axis}`}>
              {words}
            </p>
          )
        );
      })}
      <p className="mt-1 text-note text-ink-2">
        {counted.practice} practice and {counted.points} {lowerFirst(ARROW_SHORT[point])}{' '}
        {counted.practice + counted.points === 1 ? 'shot' : 'shots'}, {ends}{' '}
        {ends === 1 ? 'end' : 'ends'} at {session.distanceM} m. Good enough is what was agreed when
        the session began.
      </p>
    </section>
  );
}
