import { CONTROL_FACTS } from '../craft/controls.ts';
import type { SimulatedBow } from './simulated-bow.ts';

/** A band to reach, stored units. */
interface Band {
  readonly low: number;
  readonly high: number;
}
export interface SetupBands {
  readonly drawWeight: Band;
  readonly braceHeight: Band;
  readonly tiller: Band;
}

/** What the bow allows: the habit keeps inside it as the advice does. */
export interface HabitLimits {
  readonly travelTurns: number;
  readonly fewestTwists: number;
  readonly mostTwists: number;
}

const MOST_MOVES = 40;
/** The rules of thumb the habit lives by. */
const MM_PER_TWIST = 1.1;
const WEIGHT_SHARE_PER_TURN = 0.02;
const TILLER_MM_PER_OPPOSITE_TURN = 9;

/**
 * The usual way to set up: read weight, brace and tiller once each; correct the first one that is
 * out of band by its error over a rule of thumb, at least one step; one string-off each; again from
 * the top. Stops when all read in band, or after 40 moves.
 *
 * @returns whether it ended by itself
 */
export function setUpByHabit(bow: SimulatedBow, bands: SetupBands, limits: HabitLimits): boolean {
  for (let move = 0; move < MOST_MOVES; move += 1) {
    const changes = correction(bow, bands, limits);
    if (changes === null) return true;
    bow.move(changes);
  }
  return false;
}

function correction(bow: SimulatedBow, bands: SetupBands, limits: HabitLimits) {
  const { step } = CONTROL_FACTS.topBolt;
  const weight = bow.read('drawWeight', 1)[0]!;
  const weightMiss = missOf(weight, bands.drawWeight);
  if (weightMiss !== 0) {
    const turns = atLeastOne(-weightMiss / (WEIGHT_SHARE_PER_TURN * weight), step);
    return [
      { control: 'topBolt' as const, amount: roomFor(turns, bow.topTurnsOut, limits) },
      { control: 'bottomBolt' as const, amount: roomFor(turns, bow.bottomTurnsOut, limits) },
    ];
  }
  const braceMiss = missOf(bow.read('braceHeight', 1)[0]!, bands.braceHeight);
  if (braceMiss !== 0) {
    const wanted = atLeastOne(-braceMiss / MM_PER_TWIST, 1);
    const twists = Math.min(
      limits.mostTwists - bow.twists,
      Math.max(limits.fewestTwists - bow.twists, wanted),
    );
    return [{ control: 'twists' as const, amount: twists }];
  }
  const tiller = bow.read('tillerTop', 1)[0]! - bow.read('tillerBottom', 1)[0]!;
  const tillerMiss = missOf(tiller, bands.tiller);
  if (tillerMiss === 0) return null;
  const turns = atLeastOne(tillerMiss / TILLER_MM_PER_OPPOSITE_TURN, step);
  return [
    { control: 'topBolt' as const, amount: roomFor(turns, bow.topTurnsOut, limits) },
    { control: 'bottomBolt' as const, amount: roomFor(-turns, bow.bottomTurnsOut, limits) },
  ];
}

/** Distance from the middle of the band, once a reading is outside it. */
function missOf(value: number, band: Band): number {
  return value >= band.low && value <= band.high ? 0 : value - (band.low + band.high) / 2;
}

function atLeastOne(amount: number, step: number): number {
  const steps = Math.round(amount / step);
  return (steps === 0 ? Math.sign(amount) : steps) * step;
}

/** Turns in that the travel still allows. */
function roomFor(turnsIn: number, turnsOut: number, { travelTurns }: HabitLimits): number {
  return Math.min(turnsOut, Math.max(turnsOut - travelTurns, turnsIn));
}
