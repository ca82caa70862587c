import type { ShootingSession } from '../log/shooting.ts';

/** The build of arrow an end was shot with, by the end’s own note or the session’s; null: not said. */
export function buildOf(session: ShootingSession, endNumber: number): string | null {
  const said = session.endNotes.get(endNumber)?.arrowBuild ?? session.arrowBuild ?? '';
  return said.trim() === '' ? null : said.trim();
}
