import { landingDue } from '../fine-tuning/landing-after-tuning.ts';
import type { BowState } from '../log/bow-state.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';

/** One end of it: as many of each, mixed. */
export const LANDING_END = { fletched: 3, bare: 3 } as const;

/** After a tuning was kept, where bare shafts land is the next thing recorded; null when it is not due. */
export function landingMove(state: BowState): Move | null {
  const due = landingDue(state);
  if (due === null) return null;
  const move = plainMove('bareShaft', { topic: 'landing', due });
  switch (due.kind) {
    case 'open':
      return {
        ...move,
        key: 'landing:open',
        caution: 'bareShafts',
        action: { kind: 'openSession', sessionKind: 'bareShaft' },
      };
    case 'shoot':
      return {
        ...move,
        key: `landing:shoot:${due.ends}`,
        caution: 'bareShafts',
        action: { kind: 'shootEnd', ...LANDING_END },
      };
    case 'set': {
      const { outwardMm, upMm } = due;
      return { ...move, key: 'landing:set', action: { kind: 'setLanding', outwardMm, upMm } };
    }
  }
}
