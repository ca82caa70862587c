import type { Control } from '../craft/controls.ts';
import { bareShaftFigure, type BareShaftModel, bareShaftModels } from './bare-shaft-model.ts';
import { type BareShaftAxis, REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { type StudentMixture, studentMixtureCdf } from '../numeric/student-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { type ToleranceOdds, toleranceOdds } from '../groups/offset-posterior.ts';

/** Where bare shafts of one axis stand against the landing they are meant for, mm at 18 m. */
export interface Outlook {
  readonly model: BareShaftModel;
  /** Offset less the landing it is tuned to. */
  readonly mixture: StudentMixture;
  readonly toleranceMm: number;
  readonly odds: ToleranceOdds;
  /** Chance that the offset is outward or up of its target. */
  readonly plusSide: number;
}

/** The landing bare shafts are tuned to, mm at 18 m: 0 until the record has a better one. */
export function landingMm(state: BowState, axis: BareShaftAxis): number {
  if (state.landing === null) return 0;
  return axis === 'bareShaftUp' ? state.landing.upMm : state.landing.outwardMm;
}

/**
 * What the whole log says of the present offset: the shots since the last change, and those before
 * it carried over the change with the gain and its uncertainty.
 */
export function bareShaftOutlook(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
): Outlook {
  const model = bareShaftModels(state)[axis];
  return outlookOf(state, session, axis, model, model.rowNow);
}

/** The same after controls were moved, before anything is shot. */
export function outlookAfter(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  amounts: ReadonlyMap<Control, number>,
): Outlook {
  const model = bareShaftModels(state)[axis];
  const row = model.rowOf(amounts).map((one, index) => one + model.rowNow[index]!);
  return outlookOf(state, session, axis, model, row);
}

/** The same bow and tolerance with bare shafts expected elsewhere. */
export function outlookFrom(outlook: Outlook, mixture: StudentMixture): Outlook {
  return {
    ...outlook,
    mixture,
    odds: toleranceOdds({ mixture }, outlook.toleranceMm),
    plusSide: 1 - studentMixtureCdf(mixture, 0),
  };
}

function outlookOf(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  model: BareShaftModel,
  row: readonly number[],
): Outlook {
  const target = landingMm(state, axis);
  const mixture = bareShaftFigure(model, row).map((part) => ({
    ...part,
    mean: part.mean - target,
  }));
  const agreedMm = axis === 'bareShaftUp' ? session.toleranceUpMm : session.toleranceMm;
  const toleranceMm = (agreedMm * REFERENCE_DISTANCE_M) / session.distanceM;
  return {
    model,
    mixture,
    toleranceMm,
    odds: toleranceOdds({ mixture }, toleranceMm),
    plusSide: 1 - studentMixtureCdf(mixture, 0),
  };
}
