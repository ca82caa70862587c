import type { Control } from '../craft/controls.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { seededUniform, standardNormal, type Uniform } from '../numeric/random.ts';
import type { ArrowState, NockAttitude } from '../craft/range-terms.ts';

/** The hidden truth of one bow with its archer, mm at 18 m. */
export interface ShootingTruth {
  /** Where bare shafts land from the fletched before anything is moved. */
  readonly startOutwardMm: number;
  readonly startUpMm: number;
  /** mm of bare-shaft offset for one unit of each control. */
  readonly outwardGains: ReadonlyMap<Control, number>;
  readonly upGains: ReadonlyMap<Control, number>;
  /** The archer's own scatter, fletched: across, and up and down where that differs. */
  readonly scatterMm: number;
  readonly scatterUpMm?: number;
  /** Shots with the tails of Student's t with 4 degrees, scaled to the same standard deviation. */
  readonly heavyTails?: boolean;
  /** A control that answers backwards while bare shafts land nearer than this. */
  readonly turned?: { readonly control: Control; readonly withinMm: number } | null;
  /** A numbered bare shaft that lands this far from its fellows. */
  readonly bent?: {
    readonly arrowNumber: number;
    readonly outwardMm: number;
    readonly upMm: number;
  };
  /** Contact half the time: then bare shafts land this far from where they otherwise would. */
  readonly heaps?: { readonly outwardMm: number; readonly upMm: number };
  /** How far the aim wanders from end to end, in scatters. */
  readonly aimWander: number;
  /** Bare shafts scatter this many times as much. */
  readonly bareFactor: number;
  /**
   * Below this movement of the nocking point the tail bounces off shelf or rest: lower then sends
   * the bare shaft lower, twice as fast. Null: it never does.
   */
  readonly bounceBelowMm: number | null;
  /** Share of shots that are plucked, and of those, the share called before looking. */
  readonly pluckedShare: number;
  readonly calledShare: number;
  /** Degrees the nock points up for each mm the bare shaft lands low, and likewise across. */
  readonly attitudePerMm: number;
}

export interface SimulatedShot {
  readonly arrow: ArrowState;
  readonly arrowNumber: number;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly calledBad: boolean;
  readonly attitude: NockAttitude | null;
}
export interface SimulatedEnd {
  readonly shots: readonly SimulatedShot[];
  /** Powder shows that the tail touched the shelf. */
  readonly shelfMarks: boolean;
}

/** Plucked shots scatter this many times as much. */
const PLUCKED_TIMES = 3.5;
const MARKS_WHEN_BOUNCING = 0.6;
const MARKS_OTHERWISE = 0.02;
const ATTITUDE_SD_DEG = 1.5;
/** A move is made in this many parts: a control may answer the other way half way through it. */
const MOVE_PARTS = 40;
const TAIL_DEGREES = 4;

/**
 * A bow and its archer at the butt: controls in, ends out, as a real one would show them. The same
 * seed shoots the same ends whatever is turned in between. `truth` is for judging.
 */
export class SimulatedArcher {
  private readonly moved = new Map<Control, number>();
  private linear: { outwardMm: number; upMm: number };
  private readonly seed: number;
  readonly truth: ShootingTruth;
  private ends = 0;

  constructor(seed: number, truth: ShootingTruth) {
    this.seed = seed;
    this.truth = truth;
    this.linear = { outwardMm: truth.startOutwardMm, upMm: truth.startUpMm };
  }

  move(changes: readonly { readonly control: Control; readonly amount: number }[]): void {
    for (const { control, amount } of changes) {
      this.moved.set(control, (this.moved.get(control) ?? 0) + amount);
      for (let part = 0; part < MOVE_PARTS; part += 1) this.answer(control, amount / MOVE_PARTS);
    }
  }

  /** What bare shafts do when a control is moved a little from where everything stands. */
  private answer(control: Control, amount: number): void {
    const { outwardGains, upGains, turned } = this.truth;
    const way = (offsetMm: number) =>
      turned?.control === control && Math.abs(offsetMm) < turned.withinMm ? -1 : 1;
    const { outwardMm, upMm } = this.linear;
    this.linear = {
      outwardMm: outwardMm + way(outwardMm) * (outwardGains.get(control) ?? 0) * amount,
      upMm: upMm + way(upMm) * (upGains.get(control) ?? 0) * amount,
    };
  }

  /** How far a control was moved in all from where it began. */
  movedBy(control: Control): number {
    return this.moved.get(control) ?? 0;
  }

  /** Where bare shafts land from the fletched now, mm at 18 m. Hidden from advice. */
  offset(): { readonly outwardMm: number; readonly upMm: number } {
    const { truth, moved } = this;
    const { outwardMm } = this.linear;
    let { upMm } = this.linear;
    if (truth.bounceBelowMm !== null) {
      const below = truth.bounceBelowMm - (moved.get('nockingPoint') ?? 0);
      const gain = truth.upGains.get('nockingPoint') ?? 0;
      // From the threshold down the response turns round and doubles: undo its own share, then some.
      if (below > 0) upMm += gain * below + 2 * gain * below;
    }
    return { outwardMm, upMm };
  }

  isBouncing(): boolean {
    const { bounceBelowMm } = this.truth;
    return bounceBelowMm !== null && (this.moved.get('nockingPoint') ?? 0) < bounceBelowMm;
  }

  shootEnd(fletched: number, bare: number, distanceM = REFERENCE_DISTANCE_M): SimulatedEnd {
    this.ends += 1;
    const uniform = seededUniform(this.seed * 1009 + this.ends);
    const normal = standardNormal(uniform);
    const scale = distanceM / REFERENCE_DISTANCE_M;
    const { aimWander, scatterMm, scatterUpMm = scatterMm } = this.truth;
    const aim = {
      outwardMm: aimWander * scatterMm * normal(),
      upMm: aimWander * scatterUpMm * normal(),
    };
    const shots = [
      ...Array.from({ length: fletched }, (_, at) =>
        this.shot('fletched', at + 1, aim, uniform, normal),
      ),
      ...Array.from({ length: bare }, (_, at) => this.shot('bare', at + 1, aim, uniform, normal)),
    ].map((shot) => ({
      ...shot,
      outwardMm: Math.round(shot.outwardMm * scale),
      upMm: Math.round(shot.upMm * scale),
    }));
    const shelfMarks = uniform() < (this.isBouncing() ? MARKS_WHEN_BOUNCING : MARKS_OTHERWISE);
    return { shots, shelfMarks };
  }

  /** Where this bare shaft is bound for, this time. */
  private bareOffset(arrowNumber: number, uniform: Uniform) {
    const { bent, heaps } = this.truth;
    const { outwardMm, upMm } = this.offset();
    const own = bent?.arrowNumber === arrowNumber ? bent : { outwardMm: 0, upMm: 0 };
    const touched = heaps !== undefined && uniform() < 0.5 ? heaps : { outwardMm: 0, upMm: 0 };
    return {
      outwardMm: outwardMm + own.outwardMm + touched.outwardMm,
      upMm: upMm + own.upMm + touched.upMm,
    };
  }

  /** In standard deviations. */
  private shotError(normal: () => number): number {
    const one = normal();
    if (this.truth.heavyTails !== true) return one;
    let squares = 0;
    for (let i = 0; i < TAIL_DEGREES; i += 1) squares += normal() ** 2;
    return (one / Math.sqrt(squares / TAIL_DEGREES)) * Math.sqrt((TAIL_DEGREES - 2) / TAIL_DEGREES);
  }

  private shot(
    arrow: 'fletched' | 'bare',
    arrowNumber: number,
    aim: { readonly outwardMm: number; readonly upMm: number },
    uniform: Uniform,
    normal: () => number,
  ): SimulatedShot {
    const { truth } = this;
    const plucked = uniform() < truth.pluckedShare;
    const calledBad = plucked && uniform() < truth.calledShare;
    const times = (arrow === 'bare' ? truth.bareFactor : 1) * (plucked ? PLUCKED_TIMES : 1);
    const [sd, sdUp] = [truth.scatterMm * times, (truth.scatterUpMm ?? truth.scatterMm) * times];
    const offset =
      arrow === 'bare' ? this.bareOffset(arrowNumber, uniform) : { outwardMm: 0, upMm: 0 };
    const tail = {
      outwardDeg: -offset.outwardMm * truth.attitudePerMm + ATTITUDE_SD_DEG * normal(),
      upDeg: -offset.upMm * truth.attitudePerMm + ATTITUDE_SD_DEG * normal(),
    };
    return {
      arrow,
      arrowNumber,
      outwardMm: aim.outwardMm + offset.outwardMm + sd * this.shotError(normal),
      upMm: aim.upMm + offset.upMm + sdUp * this.shotError(normal),
      calledBad,
      attitude: arrow === 'bare' ? tail : null,
    };
  }
}
