import { BARE_SHAFT_AXES } from '#core/priors/prior-gains.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { conflictWords, sourceWords, togetherWords } from '#core/words/evidence-words.ts';
import { comparisonNotes } from '#core/words/comparison-notes.ts';
import { sessionEvidence } from '#core/bare-shaft/session-evidence.ts';

/** What else was seen beside the impact, each by itself and together; conflicts and voids by name. */
export function EvidenceList({
  state,
  session,
  verdict,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly verdict: BareShaftVerdict;
}) {
  const axes = BARE_SHAFT_AXES.map((axis) => ({
    name: axis === 'bareShaftUp' ? ('up' as const) : ('outward' as const),
    fused: sessionEvidence(state, session, verdict, axis),
  })).filter(({ fused }) => fused.says.some(({ source }) => source !== 'impact'));
  const conflicts = axes.flatMap(({ name, fused }) => {
    const words = conflictWords(name, fused);
    return words === null ? [] : [words];
  });
  const notes = comparisonNotes(state, session);
  return (
    <>
      {notes.map(({ words }) => (
        <p key={words} className="mt-1 border-l-2 border-ink pl-2.5 text-plain" role="note">
          {words}
        </p>
      ))}
      {conflicts.map((words) => (
        <p key={words} className="mt-1 border-l-2 border-ink pl-2.5 text-plain">
          {words}
        </p>
      ))}
      {axes.length > 0 && (
        <ul className="mt-1 text-note text-ink-2" data-testid="evidence">
          {axes.map(({ name, fused }) => (
            <li key={name}>
              {name === 'up' ? 'Up and down' : 'Across'}:{' '}
              {[
                ...fused.says
                  .filter(({ source }) => source !== 'impact')
                  .map((one) => sourceWords(name, one)),
                togetherWords(name, fused),
              ].join('; ')}
              .
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
