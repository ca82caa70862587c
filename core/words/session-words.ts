import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { SessionProblem } from '../session/session-wish.ts';

/** What is said of a session that cannot be opened as wished. */
export const SESSION_PROBLEM_WORDS: Readonly<Record<SessionProblem, string>> = {
  distance: 'Distance: 2 to 120 m.',
  tolerance: 'Good enough: a size above 0.',
  butt: 'Butt: its width.',
  lean: 'Lean: degrees, at most 60; minus is to the left.',
  arrowSpeed: 'Arrow speed: 20 to 120 m/s, or leave it empty.',
  markBelowTop: 'Mark: how far below the top of the butt.',
  rangeAndStep: 'Range and step: the range holds at least one step.',
  tooManySettings: 'More than eight steps each way: take a larger step.',
  shotsADay: 'Shots a day: 6 to 500.',
  aiming: 'Say what the aim rests on.',
  eyeToAperture: 'Eye to aperture: 200 to 1500 mm, measured at full draw.',
  mmPerUnit: 'One unit of the scale: how many mm on the bar.',
  division: 'Smallest division: a size above 0.',
  arrowLength: 'Arrow: from nock to point, 300 to 1200 mm.',
};

/** The arrow on the bow as it would be pointed at: `carbon, spine 700, revision 2`; empty where it is no build. */
export function buildNowWords(state: BowState): string {
  const { arrow } = state.bow;
  return arrow?.build === undefined ? '' : arrowOf(state, arrow.build);
}

/** What a session was shot with, by the build it points at or in its own words; empty where nobody said. */
export function sessionArrowWords(
  state: BowState,
  { build, arrowBuild }: Pick<ShootingSession, 'build' | 'arrowBuild'>,
): string {
  const pointed = build === undefined ? '' : arrowOf(state, build);
  return [pointed, arrowBuild ?? ''].filter((words) => words !== '').join('; ');
}

function arrowOf(
  state: BowState,
  { buildId, revisionId }: NonNullable<ShootingSession['build']>,
): string {
  const build = state.builds.get(buildId);
  const fitted = state.bow.arrow;
  // A build of another bow, put on this one: its name is written down here, its revisions are there.
  if (build === undefined)
    return fitted?.build?.buildId === buildId ? fitted.described : 'an arrow of another bow';
  const at = build.revisions.findIndex((one) => one.revisionId === revisionId);
  const name = build.revisions.findLast((one) => one.name !== '')?.name ?? '';
  return at < 0 ? name : `${name}, revision ${at + 1}`;
}
