import type { ShootingTruth } from '#core/simulate/simulated-archer.ts';
import type { HabitReach } from '#core/simulate/bare-shaft-habit.ts';
import type { School } from '#core/craft/bow-terms.ts';
import type { Control } from '#core/craft/controls.ts';
import { SCATTER_FACTOR_ODDS, SCATTER_FACTORS } from '#core/groups/offset-posterior.ts';
import { NOCKING_HEIGHT_MM } from '#core/limits/locator-limits.ts';
import { bareShaftGain, type BareShaftAxis, isSignFixed } from '#core/priors/prior-gains.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { G_PER_GR, N_PER_LBF } from '#core/quantity/units.ts';

export const WEIGHT_N = 40 * N_PER_LBF;
export const NOCKING_START_MM = 9;
/** The shaft may lose this much before it is too short. */
export const CUT_ROOM_MM = 48;
const POINT_ROOM_G = 50 * G_PER_GR;
const PRELOAD_ROOM_TURNS = 2;
const BOUNCING_SHARE = 0.1;
const TURNED_SHARE = 0.1;
const TURNED_WITHIN_MM = 30;
/** As far inside as a bow must be brought to be told from one just outside, in tolerances. */
const WELL_INSIDE = 0.75;
/** The rule of thumb for a target archer, mm at 18 m. */
const TARGET_TOLERANCE_MM = 20;
const OUTWARD_CONTROLS: readonly Control[] = [
  'plungerPreload',
  'topBolt',
  'bottomBolt',
  'twists',
  'pointMass',
  'shaftCut',
  'plungerReach',
];
const SCHOOLS: readonly School[] = ['sighted', 'shelfTarget', 'barebow'];

/** A bow with its archer, and what is known of it without tuning it. */
export interface DrawnBow {
  readonly school: School;
  readonly truth: ShootingTruth;
  readonly reach: HabitReach;
  /** The tolerance the rule of thumb gives this archer if his scatter is known exactly, mm at 18 m. */
  readonly tolerance: { readonly outwardMm: number; readonly upMm: number };
  /** Whether its controls can bring it inside; null where only those few people use could. */
  readonly canBeMended: boolean | null;
}

/**
 * Draws one bow and archer, as no model of the program expects them: scatter of its own on each axis,
 * heavy tails, plucked shots nobody calls, an aim that wanders, now and then a control that answers
 * backwards near the tune.
 */
export function drawBow(seed: number, misfitSdMm: number): DrawnBow {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const school = SCHOOLS[seed % SCHOOLS.length]!;
  const hasPlunger = school !== 'shelfTarget';
  const scatterMm = 5 * 8 ** uniform();
  const scatterUpMm = Math.min(40, Math.max(5, scatterMm * (0.6 + uniform())));
  let left = uniform();
  const factor = SCATTER_FACTOR_ODDS.findIndex((odds) => (left -= odds) < 0);
  const gains = (axis: BareShaftAxis, controls: readonly Control[]) =>
    new Map(
      controls.map((control) => {
        const { mean, sd } = bareShaftGain(axis, control, WEIGHT_N);
        let gain = mean + sd * normal();
        while (isSignFixed(control) && gain * mean < 0) gain = mean + sd * normal();
        return [control, gain] as const;
      }),
    );
  const outwardGains = gains('bareShaftOutward', OUTWARD_CONTROLS);
  const upGains = gains('bareShaftUp', ['nockingPoint', 'restHeight']);
  const startOutwardMm = misfitSdMm * normal();
  const startUpMm = misfitSdMm * normal();
  const reach: HabitReach = {
    preloadTurns: hasPlunger ? PRELOAD_ROOM_TURNS : 0,
    pointG: POINT_ROOM_G,
    mostCutMm: CUT_ROOM_MM,
  };
  const tolerance = {
    outwardMm: Math.max(TARGET_TOLERANCE_MM, scatterMm),
    upMm: Math.max(TARGET_TOLERANCE_MM, scatterUpMm),
  };
  const turnable: readonly Control[] = hasPlunger ? ['plungerPreload', 'pointMass'] : ['pointMass'];
  const turned =
    uniform() < TURNED_SHARE
      ? {
          control: turnable[Math.floor(uniform() * turnable.length)]!,
          withinMm: TURNED_WITHIN_MM,
        }
      : null;
  const nocking = -startUpMm / upGains.get('nockingPoint')!;
  const truth: ShootingTruth = {
    startOutwardMm,
    startUpMm,
    outwardGains,
    upGains,
    scatterMm,
    scatterUpMm,
    heavyTails: true,
    turned,
    bareFactor: SCATTER_FACTORS[Math.max(0, factor)]!,
    bounceBelowMm: uniform() < BOUNCING_SHARE ? nocking - 3 - 7 * uniform() : null,
    pluckedShare: 0.05,
    calledShare: 0,
    aimWander: 0.5,
    attitudePerMm: 0.03 + 0.04 * uniform(),
  };
  return { school, truth, reach, tolerance, canBeMended: canBeMended(truth, reach, tolerance) };
}

/** A bow that answers by the rules of thumb, with an ordinary archer, off by just so much. */
export function plainBow(startOutwardMm: number, startUpMm: number, scatterMm: number): DrawnBow {
  const drawn = drawBow(1, 0);
  const gains = (axis: BareShaftAxis, controls: readonly Control[]) =>
    new Map(controls.map((one) => [one, bareShaftGain(axis, one, WEIGHT_N).mean] as const));
  const truth: ShootingTruth = {
    ...drawn.truth,
    startOutwardMm,
    startUpMm,
    scatterMm,
    scatterUpMm: scatterMm,
    outwardGains: gains('bareShaftOutward', OUTWARD_CONTROLS),
    upGains: gains('bareShaftUp', ['nockingPoint', 'restHeight']),
    heavyTails: false,
    turned: null,
    bareFactor: 1.25,
    bounceBelowMm: null,
    pluckedShare: 0,
  };
  const reach = {
    preloadTurns: PRELOAD_ROOM_TURNS,
    pointG: POINT_ROOM_G,
    mostCutMm: CUT_ROOM_MM,
  };
  const half = Math.max(TARGET_TOLERANCE_MM, scatterMm);
  const tolerance = { outwardMm: half, upMm: half };
  return {
    school: 'sighted',
    truth,
    reach,
    tolerance,
    canBeMended: canBeMended(truth, reach, tolerance),
  };
}

/**
 * Whether what everybody turns is enough, or not even all there is would be. A bow whose controls end in
 * the last quarter of its tolerance is neither: no honest number of ends could say that it is inside.
 */
function canBeMended(
  { outwardGains, upGains, startOutwardMm, startUpMm, turned }: ShootingTruth,
  reach: HabitReach,
  tolerance: DrawnBow['tolerance'],
): boolean | null {
  const gain = (control: Control) => outwardGains.get(control) ?? 0;
  const cutHelps = startOutwardMm * gain('shaftCut') < 0;
  const rooms: readonly (readonly [Control, number])[] = [
    ['plungerPreload', reach.preloadTurns],
    ['pointMass', reach.pointG],
    ['shaftCut', cutHelps ? reach.mostCutMm : 0],
  ];
  const room = (controls: typeof rooms) =>
    controls.reduce((sum, [control, most]) => sum + Math.abs(gain(control)) * most, 0);
  const needed = Math.abs(startOutwardMm) - WELL_INSIDE * tolerance.outwardMm;
  const others = room(rooms.filter(([control]) => control !== turned?.control));
  const nearTune =
    turned === null || turned === undefined
      ? 0
      : turned.withinMm - WELL_INSIDE * tolerance.outwardMm;
  const nockingTo = (share: number) =>
    (Math.abs(startUpMm) - share * tolerance.upMm) / Math.abs(upGains.get('nockingPoint') ?? 1);
  const nockingRoomMm =
    startUpMm > 0
      ? NOCKING_HEIGHT_MM.high - NOCKING_START_MM
      : NOCKING_START_MM - NOCKING_HEIGHT_MM.low;
  const upIsOpen = nockingTo(WELL_INSIDE) <= nockingRoomMm;
  if (room(rooms) >= needed && others >= Math.min(needed, nearTune) && upIsOpen) return true;
  const bolts = Math.abs(gain('topBolt') + gain('bottomBolt')) * 1.5;
  const outOfReach = Math.abs(startOutwardMm) - tolerance.outwardMm > room(rooms) + bolts;
  return outOfReach || nockingTo(1) > nockingRoomMm ? false : null;
}
