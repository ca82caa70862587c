import type { ProofPoint } from '../craft/range-terms.ts';
import type { Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { proofStanding } from '../proof/proof-standing.ts';
import type { MoveBecause } from './move-because.ts';
import type { Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';

/** One end of the proof: as many of each, mixed. */
export const PROOF_END = { practice: 3, points: 3 } as const;

const PLACES: Partial<Record<Control, MovePlace>> = {
  nockingPoint: 'nockingPoint',
  plungerPreload: 'plunger',
  pointMass: 'arrow',
};

/** What the proof asks for next; a pure function of the record. */
export function proofMove(state: BowState, session: ShootingSession): Move {
  const standing = proofStanding(state, session);
  const { next } = standing;
  const move = plain({ topic: 'proof', session, standing });
  switch (next.kind) {
    case 'shoot':
      return {
        ...move,
        key: `proof:${next.wants}`,
        action: { kind: 'shootEnd', fletched: PROOF_END.practice, bare: 0 },
      };
    case 'look':
      return {
        ...move,
        key: 'proof:look',
        place: 'arrow',
        action: { kind: 'checkBlame', sessionId: session.sessionId, items: next.items },
      };
    case 'turn': {
      const { control, amount } = next.turn;
      return {
        ...move,
        key: `proof:${control}`,
        place: PLACES[control] ?? 'bow',
        action: { kind: 'change', changes: [{ control, amount }] },
      };
    }
    case 'spent':
      return { ...move, key: `proof:spent:${next.axis}` };
    case 'proved':
      return {
        ...move,
        key: 'proof:proved',
        action: { kind: 'confirmStep', step: 'proof' },
      };
  }
}

/** Before a proof has been begun: a session of its own. */
export function openProofMove(point: ProofPoint): Move {
  return {
    ...plain({ topic: 'openProof', point }),
    key: 'proof:open',
    action: { kind: 'openSession', sessionKind: 'proof' },
  };
}

function plain(because: MoveBecause): Omit<Move, 'key'> {
  return { ...plainMove('proof', because), caution: 'proof' };
}
