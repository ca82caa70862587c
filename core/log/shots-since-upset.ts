import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import { upsets } from '../craft/upsets.ts';
import type { BowState } from './bow-state.ts';
import type { ShootingSession, Shot } from './shooting.ts';

/** The shots of a session since anything was changed that puts its kind in doubt. */
export function shotsSinceUpset(state: BowState, session: ShootingSession): readonly Shot[] {
  const { facets } = SESSION_KIND_FACTS[session.sessionKind];
  const turned = state.upsets.findLast((one) => facets.some((facet) => upsets(one, facet)));
  return session.shots.filter(({ index }) => index > (turned?.index ?? -1));
}
