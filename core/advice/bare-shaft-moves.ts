import type { BareShaftAxis } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import { shaftName, type ShootingSession } from '../log/shooting.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import { type BareShaftDecision, bareShaftDecision } from '../bare-shaft/bare-shaft-decision.ts';
import type { BareShaftBecause } from './move-because.ts';
import type { ChangeList, Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';
import type { Remedy } from '../bare-shaft/remedies.ts';
import { TWO_HEAPS_LOOKED_AT } from '../bare-shaft/shaft-by-shaft.ts';
import { type SpentControl, spentControls } from '../bare-shaft/spent-controls.ts';

/** An end that a verdict can grow on. */
export const BARE_SHAFT_END = { fletched: 6, bare: 3 } as const;

/** What of the list of causes makes two heaps: what is touched now and then. */
const TWO_HEAPS_ITEMS: readonly string[] = ['contact', 'nockFit', 'arrow', 'fingers'];

/** What the bare shafts ask for next. Vertical before lateral; one control at a time. */
export function bareShaftMove(
  state: BowState,
  session: ShootingSession | null,
  verdict: BareShaftVerdict | null,
): Move | null {
  if (session === null || verdict === null || verdict.counted.fletched + verdict.counted.bare === 0)
    return shootMove('first', { topic: 'bareShaftShoot', why: 'first' });
  if (verdict.done) return null;
  const isSeen = verdict.seen.up !== null || verdict.seen.outward !== null;
  if (verdict.up.offsetMm === null && verdict.outward.offsetMm === null && !isSeen)
    return shootMove('endOut', { topic: 'bareShaftShoot', why: 'endOut' });
  const decision = bareShaftDecision(state, session, verdict, (remedy) =>
    isSetAside(state, remedyKey(remedy)),
  );
  return moveFor(state, session, verdict, decision);
}

function moveFor(
  state: BowState,
  session: ShootingSession,
  verdict: BareShaftVerdict,
  decision: BareShaftDecision,
): Move | null {
  switch (decision.kind) {
    case 'done':
      return null;
    case 'checkBlame': {
      const { sessionId } = session;
      return {
        ...shootMove('blame', { topic: 'bareShaftBlame', decision }),
        key: 'blame',
        action: { kind: 'checkBlame', sessionId, items: decision.items },
      };
    }
    case 'nearer':
      return nearerMove(state, session, decision);
    case 'setAside':
      return setAsideMove(session, decision);
    case 'twoHeaps':
      return twoHeapsMove(session, decision);
    case 'mend':
      return mendMove(session, verdict, decision);
    case 'bounce':
      return bounceMove(verdict, decision);
    case 'spent':
      return spentMove(verdict, decision.axis, spentControls(state, session, decision.axis));
    case 'shoot':
      return waitMove(session, verdict, decision);
  }
}

/** Too far to judge: another session, nearer; once it is open, its first end. */
function nearerMove(
  state: BowState,
  session: ShootingSession,
  decision: Extract<BareShaftDecision, { kind: 'nearer' }>,
): Move {
  const last = state.sessions.at(-1);
  const isOpen =
    last !== undefined &&
    last.sessionKind === 'bareShaft' &&
    !last.closed &&
    last.distanceM <= decision.distanceM;
  if (isOpen) return shootMove('nearer', { topic: 'bareShaftShoot', why: 'nearer' });
  const { sessionId } = session;
  return {
    ...shootMove('nearer', { topic: 'bareShaftNearer', session, decision }),
    action: { kind: 'shootNearer', sessionId, distanceM: decision.distanceM },
  };
}

/** One shaft is not like the others: neither bow nor archer is to blame for it. */
function setAsideMove(
  session: ShootingSession,
  decision: Extract<BareShaftDecision, { kind: 'setAside' }>,
): Move {
  const { arrow, arrowNumber } = decision.shaft;
  return {
    ...plainMove('bareShaft', { topic: 'bareShaftSetAside', session, decision }),
    key: `aside:${shaftName({ arrow, arrowNumber })}`,
    caution: 'shafts',
    place: 'arrow',
    action: { kind: 'setShaftAside', sessionId: session.sessionId, arrow, arrowNumber },
  };
}

/** What half the shafts do is no tune: contact comes and goes. */
function twoHeapsMove(
  session: ShootingSession,
  decision: Extract<BareShaftDecision, { kind: 'twoHeaps' }>,
): Move {
  return {
    ...plainMove('bareShaft', {
      topic: 'bareShaftTwoHeaps',
      session,
      decision,
      items: TWO_HEAPS_ITEMS,
    }),
    key: 'heaps',
    place: 'arrow',
    action: {
      kind: 'checkBlame',
      sessionId: session.sessionId,
      items: [TWO_HEAPS_LOOKED_AT, ...TWO_HEAPS_ITEMS],
    },
  };
}

/** The tail strikes and rebounds: what looks high is far too low. */
function bounceMove(
  verdict: BareShaftVerdict,
  decision: Extract<BareShaftDecision, { kind: 'bounce' }>,
): Move {
  return {
    ...plainMove('bareShaft', { topic: 'bareShaftBounce', verdict, decision }),
    key: 'mend:bounce',
    place: 'nockingPoint',
    action: {
      kind: 'change',
      changes: [{ control: 'nockingPoint', amount: decision.raiseMm }],
    },
  };
}

/** Nothing may be touched yet. */
function waitMove(
  session: ShootingSession,
  verdict: BareShaftVerdict,
  decision: Extract<BareShaftDecision, { kind: 'shoot' }>,
): Move {
  const { why, axis, likely } = decision;
  const move = shootMove(why === 'oneMoreInside' ? 'oneMore' : 'again', {
    topic: 'bareShaftWait',
    verdict,
    decision,
  });
  if (axis === null || likely === null) return move;
  const likelyAfter = mendMove(session, verdict, { axis, remedy: likely, others: [] });
  return { ...move, likelyAfter };
}

function shootMove(id: string, because: BareShaftBecause): Move {
  return {
    ...plainMove('bareShaft', because),
    key: `shoot:${id}`,
    caution: 'bareShafts',
    action: { kind: 'shootEnd', ...BARE_SHAFT_END },
  };
}

/** What a remedy is proposed for, and instead of what. */
interface Mending {
  readonly axis: BareShaftAxis;
  readonly remedy: Remedy;
  readonly others: readonly Remedy[];
}

function mendMove(
  session: ShootingSession,
  verdict: BareShaftVerdict,
  { axis, remedy, others }: Mending,
): Move {
  const because = { topic: 'bareShaftMend', verdict, session, axis } as const;
  const [second] = others;
  return {
    ...plainMove('bareShaft', { ...because, remedy, others }),
    key: remedyKey(remedy),
    caution: remedy.amounts.has('topBolt')
      ? 'bolts'
      : remedy.amounts.has('shaftCut')
        ? 'cutting'
        : 'bareShafts',
    place: placeOf(remedy),
    action: { kind: 'change', changes: changesOf(remedy) },
    runnerUp:
      second === undefined
        ? null
        : { changes: changesOf(second), because: { ...because, remedy: second } },
  };
}

/** The same remedy has the same key, so that it can be set aside. */
function remedyKey({ amounts }: Remedy): string {
  return `mend:${[...amounts.keys()].join('+')}`;
}

function changesOf({ amounts }: Remedy): ChangeList {
  return [...amounts].map(([control, amount]) => ({ control, amount }));
}

function placeOf({ amounts }: Remedy): MovePlace {
  if (amounts.has('nockingPoint')) return 'nockingPoint';
  if (amounts.has('plungerPreload')) return 'plunger';
  if (amounts.has('topBolt')) return 'topLimb';
  return amounts.has('twists') ? 'string' : 'arrow';
}

function isSetAside(state: BowState, key: string): boolean {
  return state.setAside.some(
    (one) => one.moveKey === key && one.at >= (state.sessions.at(-1)?.openedAt ?? ''),
  );
}

/** Everything the bow has is spent: said instead of proposing the impossible. */
function spentMove(
  verdict: BareShaftVerdict,
  axis: BareShaftAxis,
  controls: readonly SpentControl[],
): Move {
  return {
    ...plainMove('bareShaft', {
      topic: 'bareShaftSpent',
      verdict,
      axis,
      controls,
    }),
    key: `spent:${axis === 'bareShaftUp' ? 'up' : 'outward'}`,
    caution: 'cutting',
    place: 'arrow',
  };
}
