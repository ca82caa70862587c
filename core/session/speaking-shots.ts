import { shotsSpeakingFor } from '../bare-shaft/bare-shaft-verdict.ts';
import { shotsSinceUpset } from '../log/shots-since-upset.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { walkBackStanding } from '../walk-back/walk-back-standing.ts';

/** Ids of the shots that still speak for what their session is shot for. */
export function speakingShotIds(state: BowState, session: ShootingSession): ReadonlySet<string> {
  return new Set(speaking(state, session).map(({ shotId }) => shotId));
}

function speaking(
  state: BowState,
  session: ShootingSession,
): readonly { readonly shotId: string }[] {
  switch (session.sessionKind) {
    case 'bareShaft':
      return (['bareShaftLateral', 'bareShaftVertical'] as const).flatMap((facet) =>
        shotsSpeakingFor(facet, session, state.upsets),
      );
    case 'walkBack':
      return walkBackStanding(state, session).shots;
    case 'marks':
    case 'proof':
    case 'fineTuning':
      return shotsSinceUpset(state, session);
  }
}
