import { upsets } from '../craft/upsets.ts';
import type { BowState } from '../record/fold.ts';
import type { Shot } from '../record/shooting.ts';
import { shotInBowFrame } from '../shots/cant.ts';
import { type Forgiveness, forgiveness } from '../shots/forgiveness.ts';
import { sinceUpsetWords } from './since-words.ts';

/** One setting of the bow as it was shot at one distance, newest last. */
export interface SettingShot {
  /** What made it this setting: `nocking point 1 mm`; null for the first. */
  readonly words: string | null;
  readonly distanceM: number;
  readonly shots: readonly Shot[];
  readonly forgiveness: Forgiveness | null;
}

const GROUPS_MOVED_BY = ['bareShaftVertical', 'bareShaftLateral', 'fineTuning'] as const;

/** How weak shots fared, by setting: fletched shots of all sessions, cut wherever the bow was changed. */
export function forgivenessBySetting(state: BowState): readonly SettingShot[] {
  const doubts = state.upsets.filter((one) => GROUPS_MOVED_BY.some((facet) => upsets(one, facet)));
  const groups = new Map<string, { words: string | null; distanceM: number; shots: Shot[] }>();
  for (const session of state.sessions) {
    for (const raw of session.shots) {
      if (raw.arrow !== 'fletched') continue;
      const place = doubts.findLastIndex(({ index }) => index < raw.index);
      const key = `${place}|${raw.distanceM}`;
      const before = doubts[place];
      const group = groups.get(key) ?? {
        words: before === undefined ? null : sinceUpsetWords([before]),
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
