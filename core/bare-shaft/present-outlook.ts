import type { Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import {
  type StudentMixture,
  studentMixtureMean,
  studentMixtureVariance,
} from '../numeric/student-mixture.ts';
import type { BareShaftAxis } from '../priors/prior-gains.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { bareShaftFigure } from './bare-shaft-model.ts';
import {
  bareShaftOutlook,
  landingMm,
  type Outlook,
  outlookAfter,
  outlookFrom,
} from './bare-shaft-outlook.ts';
import type { ProvisionalSide } from './bare-shaft-verdict.ts';

/** Where bare shafts stand by all that is known; `seen` where that is by eye rather than by impact. */
export interface PresentOutlook extends Outlook {
  readonly seen: ProvisionalSide | null;
}

/** Degrees of freedom from which Student's t is a normal. */
const NORMAL_DEGREES = 200;

/**
 * What is acted on: the whole log's impacts, or, where those say little and something else was seen that
 * says a side, that with its own honest width.
 */
export function presentOutlook(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
): PresentOutlook {
  const outlook = bareShaftOutlook(state, session, axis);
  const seen = sessionVerdict(state, session).seen[axis === 'bareShaftUp' ? 'up' : 'outward'];
  if (seen === null) return { ...outlook, seen };
  const mean = seen.meanMm - landingMm(state, axis);
  return { ...outlookFrom(outlook, normal(mean, seen.sdMm)), seen };
}

/** The same after controls were moved, before anything is shot. */
export function presentOutlookAfter(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  { before, amounts }: { before: PresentOutlook; amounts: ReadonlyMap<Control, number> },
): Outlook {
  if (before.seen === null) return outlookAfter(state, session, axis, amounts);
  const effect = bareShaftFigure(before.model, before.model.rowOf(amounts));
  return outlookFrom(
    before,
    normal(
      studentMixtureMean(before.mixture) + studentMixtureMean(effect),
      Math.hypot(before.seen.sdMm, Math.sqrt(studentMixtureVariance(effect))),
    ),
  );
}

function normal(mean: number, scale: number): StudentMixture {
  return [{ weight: 1, degrees: NORMAL_DEGREES, mean, scale }];
}
