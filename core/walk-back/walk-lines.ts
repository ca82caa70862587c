import { upsets } from '../craft/upsets.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import type { BowState } from '../log/bow-state.ts';
import { isCounted, type ShootingSession } from '../log/shooting.ts';
import { listIn } from '../log/bow-draft.ts';

/** One end of a walk-back at one distance: fletched hits, mm outward of the mark. */
export interface WalkEnd {
  /** Ends with one setting of bow and sight: one line. */
  readonly line: string;
  /** Lines between which only reach, preload and sight were moved: the same line but for these. */
  readonly epoch: string;
  /** Turns of reach out and of preload stiffer since the record began. */
  readonly reachTurns: number;
  readonly preloadTurns: number;
  readonly distanceM: number;
  readonly outwardMm: readonly number[];
  /** Place in the log of its last shot. */
  readonly index: number;
}

/** Changes after which the line of a walk-back must be shot anew: what upsets it, and preload. */
export function walkBackUpsets(state: BowState) {
  return state.upsets.filter(
    (one) => upsets(one, 'walkBack') || (one.kind === 'change' && one.control === 'plungerPreload'),
  );
}

/** Every end of every walk-back up to one, in the order they were shot. */
export function walkEnds(state: BowState, upTo: ShootingSession): readonly WalkEnd[] {
  const until = state.sessions.findIndex(({ sessionId }) => sessionId === upTo.sessionId);
  const sessions = state.sessions.slice(0, until + 1);
  const doubts = walkBackUpsets(state);
  const before = (index: number) => doubts.filter((one) => one.index < index);
  const ends = new Map<string, { end: WalkEnd; outwardMm: number[] }>();
  for (const session of sessions) {
    if (session.sessionKind !== 'walkBack') continue;
    for (const shot of session.shots) {
      if (shot.arrow !== 'fletched' || !isCounted(shot) || shot.distanceM < session.distanceM)
        continue;
      const { index, distanceM, endNumber } = shot;
      const moved = before(index);
      const foreign = moved.filter((one) => !isLineControl(one)).length;
      const aim = session.aimSetAt.filter((at) => at < index).length;
      const line = `${session.sessionId} ${moved.length} ${aim}`;
      const key = `${line} ${endNumber} ${distanceM}`;
      const known = ends.get(key);
      const outwardMm = known?.outwardMm ?? [];
      outwardMm.push(shotInBowFrame(session, shot).outwardMm);
      const turned = (control: 'plungerReach' | 'plungerPreload') =>
        moved.reduce(
          (sum, one) => (one.kind === 'change' && one.control === control ? sum + one.amount : sum),
          0,
        );
      ends.set(key, {
        outwardMm,
        end: {
          line,
          epoch: `${session.sessionId} ${foreign}`,
          reachTurns: turned('plungerReach'),
          preloadTurns: turned('plungerPreload'),
          distanceM,
          outwardMm,
          index,
        },
      });
    }
  }
  return [...ends.values()].map(({ end }) => end);
}

function isLineControl(one: ReturnType<typeof walkBackUpsets>[number]): boolean {
  return (
    one.kind === 'change' && (one.control === 'plungerReach' || one.control === 'plungerPreload')
  );
}

/** Ends that say anything of one line: its epoch, and the epochs that show what a turn does. */
export function endsThatTell(ends: readonly WalkEnd[], epoch: string): readonly WalkEnd[] {
  const lines = new Map<string, string[]>();
  for (const end of ends) listIn(lines, end.epoch).push(`${end.reachTurns} ${end.preloadTurns}`);
  return ends.filter((end) => end.epoch === epoch || new Set(lines.get(end.epoch)).size > 1);
}
