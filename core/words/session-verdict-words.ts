import type { Hand } from '../craft/bow-terms.ts';
import { lowerFirst, upperFirst } from '../craft/letter-case.ts';
import { sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import { fineTuningStanding } from '../fine-tuning/fine-tuning-standing.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { proofStanding } from '../proof/proof-standing.ts';
import { walkBackStanding } from '../walk-back/walk-back-standing.ts';
import { marksShotWords } from './marks/marks-words.ts';
import { fineTuningSays } from './fine-tuning-words.ts';
import { proofSaysWords } from './proof-words.ts';
import { causeOf, offsetWords } from './verdict-words.ts';
import { walkBackSays } from './walk-back-words.ts';

/** What a session of any kind said, in one line, as far as the bow's record went then. */
export function sessionVerdictLine(
  state: BowState,
  session: ShootingSession,
  unit: 'cm' | 'in',
): string {
  if (session.shots.length === 0) return 'Nothing was shot.';
  switch (session.sessionKind) {
    case 'bareShaft':
      return bothAxesLine(sessionVerdict(state, session), state.bow.hand, unit);
    case 'walkBack': {
      const { fit } = walkBackStanding(state, session);
      return fit === null
        ? 'No line yet: one distance says nothing.'
        : walkBackSays(fit, state.bow.hand, unit);
    }
    case 'fineTuning': {
      const standing = fineTuningStanding(state, session);
      return standing === null ? 'What was tried was taken back.' : fineTuningSays(standing);
    }
    case 'marks':
      return marksShotWords(session);
    case 'proof':
      return proofSaysWords(proofStanding(state, session));
  }
}

/** `Stiff, 6.1 ± 1.8 cm right; up and down inside.` */
function bothAxesLine(verdict: BareShaftVerdict, hand: Hand, unit: 'cm' | 'in'): string {
  if (verdict.done) return 'Done, both ways.';
  const axes = (['outward', 'up'] as const).map((axis) =>
    axisLine(axis, verdict[axis], hand, unit),
  );
  return `${upperFirst(axes.join('; '))}.`;
}

function axisLine(
  axis: 'outward' | 'up',
  verdict: AxisVerdict,
  hand: Hand,
  unit: 'cm' | 'in',
): string {
  const name = axis === 'outward' ? 'across' : 'up and down';
  const offset = offsetWords(axis, verdict, { hand, unit });
  if (offset === null) return `${name}: too few shots`;
  const cause = causeOf(axis, verdict.call);
  if (cause !== null) return `${lowerFirst(cause)}, ${offset}`;
  return `${name} ${verdict.call === 'inside' ? 'inside' : 'undecided'}, ${offset}`;
}
