import type { ShootingSession, Shot } from '../log/shooting.ts';
import type { FiledShot } from './read-shots.ts';

/** Where the shots of a file would go. */
interface Into {
  /** The session that is open; null: one is opened with them. */
  readonly session: Pick<ShootingSession, 'shots' | 'sessionKind' | 'distanceM'> | null;
  /** What that session is shot from, m. */
  readonly distanceM: number;
}

/** What a file of shots means for a session, before anything is taken. */
export interface ShotsIntoSession {
  /** Those that belong here. */
  readonly here: readonly FiledShot[];
  /** Shot from elsewhere than this session is: they would count as if shot from here. */
  readonly elsewhere: readonly FiledShot[];
  /** How many of those that belong here stand in the session already, each counted once. */
  readonly already: number;
}

/**
 * A session is shot from one place, unless it is a walk back: what a file says was shot from another
 * is not of it. What lies where a shot of the session lies, in the same end and of the same kind, is
 * that shot again.
 */
export function shotsIntoSession(
  shots: readonly FiledShot[],
  { session, distanceM }: Into,
): ShotsIntoSession {
  const walks = session?.sessionKind === 'walkBack';
  const isHere = (shot: FiledShot) =>
    walks || shot.distanceM === null || shot.distanceM === distanceM;
  const here = shots.filter(isHere);
  const left = new Map<string, number>();
  for (const shot of session?.shots ?? []) {
    const name = placeName(shot);
    left.set(name, (left.get(name) ?? 0) + 1);
  }
  let already = 0;
  for (const shot of here) {
    const name = placeName(shot);
    const there = left.get(name) ?? 0;
    if (there === 0) continue;
    left.set(name, there - 1);
    already += 1;
  }
  return { here, elsewhere: shots.filter((shot) => !isHere(shot)), already };
}

/** Which arrow went where, to the tenth of a millimetre a file is written to; −0 is 0. */
function placeName(shot: Pick<Shot, 'arrow' | 'outwardMm' | 'upMm' | 'arrowNumber'>): string {
  const tenths = (value: number) => Math.round(10 * value) + 0;
  return [shot.arrow, tenths(shot.outwardMm), tenths(shot.upMm), shot.arrowNumber ?? ''].join(' ');
}
