import { type Upset, upsets } from '../craft/upsets.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Shot } from '../log/shooting.ts';
import { shotInBowFrame } from './cant.ts';
import { type Forgiveness, forgiveness } from './forgiveness.ts';

/** One setting of the bow as it was shot at one distance, newest last. */
export interface SettingShot {
  /** What made it this setting; null for the first. */
  readonly madeBy: Upset | null;
  readonly distanceM: number;
  readonly shots: readonly Shot[];
  readonly forgiveness: Forgiveness | null;
}

const GROUPS_MOVED_BY = ['bareShaftVertical', 'bareShaftLateral', 'fineTuning'] as const;

/** How weak shots fared, by setting: fletched shots of all sessions, cut wherever the bow was changed. */
export function forgivenessBySetting(state: BowState): readonly SettingShot[] {
  const doubts = state.upsets.filter((one) => GROUPS_MOVED_BY.some((facet) => upsets(one, facet)));
  const groups = new Map<string, { madeBy: Upset | null; distanceM: number; shots: Shot[] }>();
  for (const session of state.sessions) {
    for (const raw of session.shots) {
      if (raw.arrow !== 'fletched') continue;
      const place = doubts.findLastIndex(({ index }) => index < raw.index);
      const key = `${place}|${raw.distanceM}`;
      const before = doubts[place];
      const group = groups.get(key) ?? {
        madeBy: before ?? null,
        distanceM: raw.distanceM,
        shots: [],
      };
      groups.set(key, group);
      group.shots.push(shotInBowFrame(session, raw));
    }
  }
  return [...groups.values()].map((group) => ({
    ...group,
    forgiveness: forgiveness(group.shots),
  }));
}
