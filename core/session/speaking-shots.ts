import { shotsSpeakingFor } from '../bare-shaft/bare-shaft-verdict.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import { upsets } from '../craft/upsets.ts';
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
    case 'fineTuning': {
      const { facets } = SESSION_KIND_FACTS[session.sessionKind];
      const turned = state.upsets.findLast((one) => facets.some((facet) => upsets(one, facet)));
      return session.shots.filter(({ index }) => index > (turned?.index ?? -1));
    }
  }
}
