import type { Control } from '../craft/controls.ts';
import { meanOf } from '../numeric/moments.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { SimulatedEnd } from './simulated-archer.ts';

const NOCKING_STEP_MM = 2;
const PRELOAD_STEP_TURNS = 0.5;
const POINT_STEP_G = 25 * G_PER_GR;
const CUT_MM = 12;
const GOOD_ENDS = 2;
const MOST_MOVES = 40;

/** What the bow allows, as movement from where it began. */
export interface HabitReach {
  readonly preloadTurns: number;
  readonly pointG: number;
  readonly mostCutMm: number;
}

export interface HabitMove {
  readonly control: Control;
  readonly amount: number;
}

/**
 * The usual way at the butt: look at the centre of the end just shot; vertical first when beyond
 * tolerance, the nocking point 2 mm by the sign table; else half a turn of preload; at the end of
 * its travel 25 gr of point; then 12 mm off the shaft. Two ends inside running and it is called done.
 */
export class BareShaftHabit {
  moves = 0;
  private goodEnds = 0;
  private preload = 0;
  private pointG = 0;
  private cutMm = 0;
  private readonly reach: HabitReach;

  constructor(reach: HabitReach) {
    this.reach = reach;
  }

  /** @returns what to move after this end; null to shoot again, `done` or `givenUp` to stop */
  after(
    end: SimulatedEnd,
    tolerance: { readonly outwardMm: number; readonly upMm: number },
  ): HabitMove | null | 'done' | 'givenUp' {
    const centre = (arrow: 'bare' | 'fletched', axis: 'outwardMm' | 'upMm') => {
      const values = end.shots
        .filter((shot) => shot.arrow === arrow && !shot.calledBad)
        .map((shot) => shot[axis]);
      return values.length === 0 ? 0 : meanOf(values);
    };
    const up = centre('bare', 'upMm') - centre('fletched', 'upMm');
    const outward = centre('bare', 'outwardMm') - centre('fletched', 'outwardMm');
    if (Math.abs(up) <= tolerance.upMm && Math.abs(outward) <= tolerance.outwardMm) {
      this.goodEnds += 1;
      return this.goodEnds >= GOOD_ENDS ? 'done' : null;
    }
    this.goodEnds = 0;
    if (this.moves >= MOST_MOVES) return 'givenUp';
    this.moves += 1;
    if (Math.abs(up) > tolerance.upMm)
      return { control: 'nockingPoint', amount: Math.sign(up) * NOCKING_STEP_MM };
    return this.lateral(outward < 0 ? 'weak' : 'stiff');
  }

  private lateral(cause: 'weak' | 'stiff'): HabitMove | 'givenUp' {
    const way = cause === 'weak' ? 1 : -1;
    if (Math.abs(this.preload + way * PRELOAD_STEP_TURNS) <= this.reach.preloadTurns) {
      this.preload += way * PRELOAD_STEP_TURNS;
      return { control: 'plungerPreload', amount: way * PRELOAD_STEP_TURNS };
    }
    // Weak: one lighter point, then the saw. Stiff: heavier points as long as there are any.
    const mostG = cause === 'weak' ? POINT_STEP_G : this.reach.pointG;
    if (Math.abs(this.pointG - way * POINT_STEP_G) <= mostG + 1e-9) {
      this.pointG -= way * POINT_STEP_G;
      return { control: 'pointMass', amount: -way * POINT_STEP_G };
    }
    if (cause === 'weak' && this.cutMm + CUT_MM <= this.reach.mostCutMm) {
      this.cutMm += CUT_MM;
      return { control: 'shaftCut', amount: CUT_MM };
    }
    return 'givenUp';
  }
}
