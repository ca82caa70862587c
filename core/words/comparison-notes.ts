import { CONTROL_FACTS } from '../craft/controls.ts';
import { FIT_OUT_LABEL } from '../craft/fit-out.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { buildOf } from '../groups/arrow-build.ts';

/** Something that makes a comparison worth less than it looks. */
export interface ComparisonNote {
  readonly kind: 'twoChanges' | 'mixedBuilds';
  readonly words: string;
}

const COMPARED = ['bareShaftVertical', 'bareShaftLateral', 'fineTuning', 'walkBack'] as const;

/**
 * What a session’s ends cannot be compared for: two things changed between the same two ends (the
 * difference cannot be told apart), or another build of arrow shot.
 */
export function comparisonNotes(
  state: BowState,
  session: ShootingSession,
): readonly ComparisonNote[] {
  return [...twoChanges(state, session), ...mixedBuilds(state, session)];
}

function twoChanges(state: BowState, session: ShootingSession): readonly ComparisonNote[] {
  const indices = state.sessions
    .filter(({ sessionKind }) => sessionKind === session.sessionKind)
    .flatMap(({ shots }) => shots.map(({ index }) => index))
    .toSorted((one, other) => one - other);
  const own = new Set(session.shots.map(({ index }) => index));
  const notes: ComparisonNote[] = [];
  for (const [place, index] of indices.entries()) {
    const before = indices[place - 1];
    if (before === undefined || !own.has(index) || index - before < 2) continue;
    const between = state.upsets.filter(
      (one) =>
        one.index > before && one.index < index && COMPARED.some((facet) => upsets(one, facet)),
    );
    const names = thingsChanged(between);
    if (names.length < 2) continue;
    notes.push({
      kind: 'twoChanges',
      words: `${names.join(' and ')} were both changed before end ${session.shots.find((shot) => shot.index === index)?.endNumber ?? 1}: what either did cannot be told from the difference. To know, take one back and shoot again.`,
    });
  }
  return notes;
}

/** Both bolts turned in one move are one change. */
function thingsChanged(between: readonly Upset[]): readonly string[] {
  const names = between.map((one) => {
    if (one.kind === 'item') return FIT_OUT_LABEL[one.item];
    return one.moveControls.length > 1
      ? one.moveControls.map((control) => lowerFirst(CONTROL_FACTS[control].name)).join(' with ')
      : lowerFirst(CONTROL_FACTS[one.control].name);
  });
  return [...new Set(names)];
}

function mixedBuilds(state: BowState, session: ShootingSession): readonly ComparisonNote[] {
  const known = (one: ShootingSession) =>
    one.shots.map((shot) => buildOf(one, shot.endNumber)).filter((build) => build !== null);
  const here = [...new Set(known(session))];
  // Of another fold of the same log, perhaps: known by its name.
  const place = state.sessions.findIndex(({ sessionId }) => sessionId === session.sessionId);
  const earlier = state.sessions
    .slice(0, Math.max(0, place))
    .findLast((one) => one.sessionKind === session.sessionKind && known(one).length > 0);
  const last = earlier === undefined ? undefined : known(earlier).at(-1);
  if (here.length > 1)
    return [
      {
        kind: 'mixedBuilds',
        words: `Two builds of arrow in one session: ${here.join(', ')}. They are not pooled: each is judged from where it was shot.`,
      },
    ];
  if (last === undefined || here[0] === undefined || here[0] === last) return [];
  return [
    {
      kind: 'mixedBuilds',
      words: `Another build than last time (${last}): what was learned with that one informs this less.`,
    },
  ];
}
