import type { BareShaftAxis } from '../priors/prior-gains.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import { type BareShaftDecision, bareShaftDecision } from '../bare-shaft/bare-shaft-decision.ts';
import type { BareShaftBecause } from './move-because.ts';
import type { ChangeList, Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';
import type { Remedy } from '../bare-shaft/remedies.ts';
import { type SpentControl, spentControls } from '../bare-shaft/spent-controls.ts';

/** An end that a verdict can grow on. */
export const BARE_SHAFT_END = { fletched: 6, bare: 3 } as const;

/** What the bare shafts ask for next. Vertical before lateral; one control at a time. */
export function bareShaftMove(
  state: BowState,
  session: ShootingSession | null,
  verdict: BareShaftVerdict | null,
): Move | null {
  if (session === null || verdict === null || verdict.counted.fletched + verdict.counted.bare === 0)
    return shootMove('first', { topic: 'bareShaftShoot', why: 'first' });
  if (verdict.done) return null;
  if (verdict.up.offsetMm === null && verdict.outward.offsetMm === null)
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
