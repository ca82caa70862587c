import { TriangleAlert } from 'lucide-react';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { stepFacts } from '#core/craft/steps.ts';
import type { SpokenMove } from '#core/words/moves/speak-move.ts';
import { Fractions } from '../ui/fractions.tsx';

/** The one next move: what, how much, why, what to expect, what can go wrong, what to check after. */
export function NextMove({
  move,
  reckoning = false,
  onDone,
  onNotNow,
  onWithout,
  onOther,
  compact = false,
}: {
  readonly move: SpokenMove | null;
  /** The move is still being worked out: nothing is claimed yet. */
  readonly reckoning?: boolean;
  readonly onDone: (move: SpokenMove) => void;
  readonly onNotNow: (move: SpokenMove) => void;
  readonly onWithout: (move: SpokenMove) => void;
  readonly onOther: (move: SpokenMove) => void;
  readonly compact?: boolean;
}) {
  if (reckoning) {
    return (
      <section aria-label="Next move" aria-busy>
        <h2 className="text-note font-[640] text-accent">Next move</h2>
      </section>
    );
  }
  if (move === null) {
    return (
      <section aria-label="Next move">
        <h2 className="text-note font-[640]">Nothing is open</h2>
        <p className="mt-1 text-figure leading-[1.06] font-[600] [font-stretch:88%]">
          Done: go and practise
        </p>
        <p className="mt-2">Every step holds. Turning more would chase your own scatter.</p>
      </section>
    );
  }
  return (
    <section
      aria-label="Next move"
      data-testid="next-move"
      data-move={move.key}
      data-action={move.action.kind}
    >
      <MoveWords move={move} compact={compact} />
      <div className="mt-4 flex flex-wrap items-stretch gap-2">
        <button
          type="button"
          className="btn"
          data-kind={move.stop !== null ? 'stop' : 'move'}
          onClick={() => onDone(move)}
        >
          {move.doneLabel}
        </button>
        {move.stop === null && (
          <button type="button" className="link-btn" onClick={() => onNotNow(move)}>
            Not now
          </button>
        )}
        {move.withoutWords !== null && (
          <button type="button" className="link-btn" onClick={() => onWithout(move)}>
            {move.withoutWords.label}
          </button>
        )}
      </div>
      <OtherMoves move={move} onDone={onDone} onOther={onOther} />
    </section>
  );
}

/** A move as it is said, without a way to make it. */
export function MoveWords({
  move,
  compact = false,
}: {
  readonly move: SpokenMove;
  readonly compact?: boolean;
}) {
  const colour = move.stop !== null ? 'text-stop' : 'text-accent';
  return (
    <>
      <h2 className={`text-note font-[640] ${colour}`}>
        {move.stop !== null ? 'Stop' : 'Next move'}
        {move.step !== null && `, ${stepFacts(move.step).name.toLowerCase()}`}
      </h2>
      <p
        className={`frac-large mt-1 leading-[1.06] font-[600] tracking-[-0.012em] [font-stretch:88%] ${colour} ${compact ? 'text-large' : 'text-move'}`}
        data-testid="move-title"
      >
        <Fractions text={move.title} />
      </p>
      {move.expect !== null && (
        <p className="mt-1" data-testid="move-expect">
          <Fractions text={move.expect} />
        </p>
      )}
      <div className={compact ? 'mt-2' : 'mt-3'}>
        <span className="label">Why</span>
        <p>
          <Fractions text={move.why} />
        </p>
      </div>
      <Reasons move={move} />
      {move.caution !== null && (
        <p className="mt-3 grid grid-cols-[1.375rem_1fr]">
          <TriangleAlert size={16} strokeWidth={1.6} className="mt-0.5" aria-label="Caution:" />
          <span>{CAUTIONS[move.caution]}</span>
        </p>
      )}
      {move.thenCheck !== null && (
        <p className="mt-3">
          <span className="label">Then check</span>
          {move.thenCheck}
        </p>
      )}
    </>
  );
}

/** The whole chain, folded away. */
function Reasons({ move }: { readonly move: SpokenMove }) {
  if (move.reasons.length === 0 && move.wouldChange === null) return null;
  return (
    <details className="mt-1" key={move.key}>
      <summary className="min-h-6 cursor-pointer content-center underline underline-offset-3 @max-tablet:min-h-11">
        All the reasons
      </summary>
      <ul className="mt-1 grid list-disc gap-1 pl-5">
        {move.reasons.map((reason) => (
          <li key={reason}>
            <Fractions text={reason} />
          </li>
        ))}
      </ul>
      {move.wouldChange !== null && (
        <p className="mt-2">
          <span className="label">What would change it</span>
          {move.wouldChange}
        </p>
      )}
    </details>
  );
}

/** The next best of another kind, and what will probably follow. */
function OtherMoves({
  move,
  onDone,
  onOther,
}: {
  readonly move: SpokenMove;
  readonly onDone: (move: SpokenMove) => void;
  readonly onOther: (move: SpokenMove) => void;
}) {
  return (
    <>
      {move.runnerUp !== null && (
        <div className="mt-3" data-testid="runner-up">
          <span className="label">Next best</span>
          <p className="text-row">
            <b className="font-[560]">
              <Fractions text={move.runnerUp.title} />
            </b>
            : <Fractions text={move.runnerUp.expect} />.{' '}
            <button
              type="button"
              className="link min-h-6 @max-tablet:min-h-11"
              onClick={() => onOther(move)}
            >
              I made this one
            </button>
          </p>
        </div>
      )}
      {move.likelyAfter !== null && (
        <div className="mt-3">
          <span className="label">Likely after, if the next end agrees</span>
          <p>
            <Fractions text={move.likelyAfter.title} />.{' '}
            {move.likelyAfter.action.kind === 'change' && (
              <button
                type="button"
                className="link min-h-6 @max-tablet:min-h-11"
                onClick={() => {
                  if (move.likelyAfter !== null) onDone(move.likelyAfter);
                }}
              >
                Do it now anyway
              </button>
            )}
          </p>
        </div>
      )}
    </>
  );
}
