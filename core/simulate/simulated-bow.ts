import type { Control } from '../craft/controls.ts';
import { CONTROL_FACTS } from '../craft/controls.ts';
import { READING_KINDS, READINGS, type ReadingKind } from '../craft/readings.ts';
import { twistCovariate } from '../gains/plane-model.ts';
import { isPlaneResponse } from '../gains/responses.ts';
import {
  BOLT_TO_BRACE,
  BOLT_TO_OWN_TILLER,
  BOLT_TO_WEIGHT_SHARE,
  CREEP,
  CREEP_SHOTS,
  fixedGains,
  type Gain,
  SIDE_SCREW_PRIOR,
  TWIST_PRIOR,
  TWIST_TO_WEIGHT,
} from '../priors/prior-gains.ts';
import { seededUniform, standardNormal, type Uniform } from '../numeric/random.ts';

/** Where a simulated bow starts, and the setting at which its readings are exactly on target. */
export interface SimulatedStart {
  readonly twists: number;
  readonly idealTwists: number;
  /** Turns out from the stop. */
  readonly topTurnsOut: number;
  readonly bottomTurnsOut: number;
  readonly idealTopTurnsOut: number;
  readonly idealBottomTurnsOut: number;
  readonly newString: boolean;
  /** Readings at the ideal setting, stored units. */
  readonly targets: Readonly<Record<ReadingKind, number>>;
  /** How far the single readings (nocking height, centre shot …) start from their targets. */
  readonly startError: Partial<Record<ReadingKind, number>>;
}

/** The hidden gains of one bow, drawn from the same priors the advice starts from. */
export interface HiddenGains {
  readonly twistMm: number;
  readonly braceTop: number;
  readonly braceBottom: number;
  readonly ownTop: number;
  readonly ownBottom: number;
  /** What a bolt does to the other limb's tiller reading. */
  readonly otherOfTop: number;
  readonly otherOfBottom: number;
  readonly weightTwist: number;
  readonly weightTop: number;
  readonly weightBottom: number;
  readonly creepMm: number;
  readonly single: ReadonlyMap<ReadingKind, ReadonlyMap<Control, number>>;
}

/** How much of a reading's typical error all replicates of one seating share. */
const SEATED_SHARE = 0.35;

/**
 * A bow behind the interface of a real one: controls in, readings out, with measuring error. It
 * answers only what a real bow would show; `truth` is for judging. Seeded.
 */
export class SimulatedBow {
  readonly gains: HiddenGains;
  readonly start: SimulatedStart;
  stringOffs = 0;
  private readonly moved = new Map<Control, number>();
  private readonly normal: () => number;
  private shots = 0;

  /** Readings with now and then a wild one, which no model of the program expects. */
  private readonly heavyTails: boolean;

  constructor(seed: number, start: SimulatedStart, heavyTails = false) {
    this.heavyTails = heavyTails;
    const uniform = seededUniform(seed);
    this.normal = standardNormal(uniform);
    this.start = start;
    this.gains = drawGains(uniform, this.normal, start.targets.drawWeight, start.newString);
  }

  /** Makes changes together: one string-off if any of them needs the bow unstrung. */
  move(changes: readonly { readonly control: Control; readonly amount: number }[]): void {
    if (changes.some(({ control }) => CONTROL_FACTS[control].needsUnstrung)) this.stringOffs += 1;
    for (const { control, amount } of changes)
      this.moved.set(control, (this.moved.get(control) ?? 0) + amount);
  }

  shoot(count: number): void {
    this.shots += count;
  }

  /** What a tool shows: seated once, replicates about that with the rest of the typical error. */
  read(kind: ReadingKind, replicates: number): readonly number[] {
    const { typicalSd } = READINGS[kind];
    const seated = this.truth(kind) + this.readingError() * typicalSd * SEATED_SHARE;
    const rest = typicalSd * Math.sqrt(1 - SEATED_SHARE ** 2);
    return Array.from({ length: replicates }, () => seated + this.readingError() * rest);
  }

  /** In spreads: Student's t with 4 degrees, scaled to a standard deviation of 1, or the normal one. */
  private readingError(): number {
    if (!this.heavyTails) return this.normal();
    const squares = Array.from({ length: 4 }, () => this.normal() ** 2);
    const chiSquare = squares.reduce((sum, one) => sum + one, 0);
    return (this.normal() / Math.sqrt(chiSquare / 4)) * Math.SQRT1_2;
  }

  /** Where a control stands: twists in the string, turns out of a bolt. */
  get twists(): number {
    return this.start.twists + (this.moved.get('twists') ?? 0);
  }
  get topTurnsOut(): number {
    return this.start.topTurnsOut - (this.moved.get('topBolt') ?? 0);
  }
  get bottomTurnsOut(): number {
    return this.start.bottomTurnsOut - (this.moved.get('bottomBolt') ?? 0);
  }

  /** The reading without error. Hidden from advice. */
  truth(kind: ReadingKind): number {
    const { start, gains } = this;
    if (!isPlaneResponse(kind)) {
      let value = start.targets[kind] + (start.startError[kind] ?? 0);
      for (const [control, gain] of gains.single.get(kind) ?? [])
        value += gain * (this.moved.get(control) ?? 0);
      return value;
    }
    const twists = this.twists;
    const top = start.idealTopTurnsOut - this.topTurnsOut;
    const bottom = start.idealBottomTurnsOut - this.bottomTurnsOut;
    if (kind === 'drawWeight') {
      return (
        start.targets.drawWeight +
        gains.weightTwist * (twists - start.idealTwists) +
        gains.weightTop * top +
        gains.weightBottom * bottom
      );
    }
    const crept = gains.creepMm * (1 - Math.exp(-this.shots / CREEP_SHOTS));
    return (
      start.targets[kind] +
      gains.twistMm * twistCovariate(twists - start.idealTwists, start.idealTwists) +
      gains.braceTop * top +
      gains.braceBottom * bottom +
      (kind === 'tillerTop' ? gains.ownTop * top + gains.otherOfBottom * bottom : 0) +
      (kind === 'tillerBottom' ? gains.ownBottom * bottom + gains.otherOfTop * top : 0) -
      crept
    );
  }
}

const MOST_TRIES = 1000;
/** How far apart the ideal places of both bolts may lie, turns: less than the limits allow. */
const MOST_APART = 1.75;
/** A bolt lengthens the other limb's tiller reading by up to this share of what it takes off its own. */
const MOST_OF_OWN = 0.9;

function drawGains(
  uniform: Uniform,
  normal: () => number,
  weightN: number,
  newString: boolean,
): HiddenGains {
  const plain = ({ mean, sd }: Gain) => mean + sd * normal();
  const signed = (gain: Gain, sign: 1 | -1) => {
    for (let i = 0; i < MOST_TRIES; i += 1) {
      const value = plain(gain);
      if (Math.sign(value) === sign) return value;
    }
    return gain.mean;
  };
  const weight: Gain = {
    mean: BOLT_TO_WEIGHT_SHARE.mean * weightN,
    sd: BOLT_TO_WEIGHT_SHARE.sd * weightN,
  };
  const single = new Map<ReadingKind, ReadonlyMap<Control, number>>();
  const ownTop = signed(BOLT_TO_OWN_TILLER, -1);
  const ownBottom = signed(BOLT_TO_OWN_TILLER, -1);
  const drawn = {
    twistMm: TWIST_PRIOR.median * Math.exp(TWIST_PRIOR.logSd * normal()),
    braceTop: plain(BOLT_TO_BRACE),
    braceBottom: plain(BOLT_TO_BRACE),
    ownTop,
    ownBottom,
    weightTwist: plain(TWIST_TO_WEIGHT),
    weightTop: signed(weight, 1),
    weightBottom: signed(weight, 1),
    creepMm: signed(newString ? CREEP.newString : CREEP.oldString, 1),
    single,
  };
  for (const kind of READING_KINDS) {
    const gains = new Map<Control, number>();
    for (const [control, gain] of fixedGains(kind)) gains.set(control, plain(gain));
    if (kind === 'limbLineTop') gains.set('topSideScrews', drawSideScrew(uniform, normal));
    if (kind === 'limbLineBottom') gains.set('bottomSideScrews', drawSideScrew(uniform, normal));
    single.set(kind, gains);
  }
  return {
    ...drawn,
    otherOfTop: -MOST_OF_OWN * uniform() * ownTop,
    otherOfBottom: -MOST_OF_OWN * uniform() * ownBottom,
  };
}

/** From the two-sided prior, by rejection under its higher hump. */
function drawSideScrew(uniform: Uniform, normal: () => number): number {
  const { low, high } = SIDE_SCREW_PRIOR;
  const way = uniform() < 0.5 ? -1 : 1;
  return Math.min(high, Math.max(low, way * (1 + 0.7 * normal())));
}

/** A start inside the travel, with an ideal setting inside it too; equal bolts, as fitted. */
export function drawStart(
  uniform: Uniform,
  targets: SimulatedStart['targets'],
  travelTurns: number,
  twistRange: { readonly fewest: number; readonly most: number },
): SimulatedStart {
  const eighth = (low: number, high: number) =>
    Math.round((low + uniform() * (high - low)) * 8) / 8;
  const out = eighth(0.5, travelTurns - 0.5);
  const twists = Math.round(
    twistRange.fewest + 5 + uniform() * (twistRange.most - twistRange.fewest - 10),
  );
  const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
  const idealTwists = within(
    twists + Math.round((uniform() * 2 - 1) * 8),
    twistRange.fewest + 1,
    twistRange.most - 1,
  );
  const idealTop = within(out + (uniform() * 2 - 1) * 1.5, 0.1, travelTurns - 0.1);
  const idealBottom = within(out + (uniform() * 2 - 1) * 1.5, 0.1, travelTurns - 0.1);
  return {
    twists,
    idealTwists,
    topTurnsOut: out,
    bottomTurnsOut: out,
    idealTopTurnsOut: idealTop,
    // A bow whose bolts would have to stand farther apart than is safe cannot be set up with them.
    idealBottomTurnsOut: within(idealBottom, idealTop - MOST_APART, idealTop + MOST_APART),
    newString: false,
    targets,
    startError: {},
  };
}
