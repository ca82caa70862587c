import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import type { BowState, ChangeMade, Measured } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { intervalOf, learnedGains, shiftOf } from './learned-gains.ts';
import { readingHalfWidth } from './repeatability.ts';
import { controlsMoving } from './responses.ts';

/** The last reading of a kind. */
export interface MovedSinceRead {
  readonly measured: Measured;
  /** What was changed since that moves this reading. */
  readonly movedBy: readonly ChangeMade[];
}

/** A reading as it stands now: measured, or expected after changes made since. */
export interface PresentReading extends MovedSinceRead {
  readonly value: number;
  /** Half the 90 % interval. */
  readonly plusMinus: number;
  /** False when something was changed since that moves this reading. */
  readonly fresh: boolean;
}

/** Null before it was read. Nothing learned of the bow is asked for it. */
export function movedSinceRead(state: BowState, kind: ReadingKind): MovedSinceRead | null {
  const measured = state.readings.get(kind)?.at(-1);
  return measured === undefined ? null : { measured, movedBy: changesSince(state, measured) };
}

/** The value of a present reading alone: cheaper where no interval is wanted. */
export function presentValue(state: BowState, kind: ReadingKind): number | null {
  const moved = movedSinceRead(state, kind);
  if (moved === null) return null;
  const { measured, movedBy } = moved;
  const back = netOf(movedBy, -1);
  const shift = back.size === 0 ? null : shiftOf(learnedGains(state), kind, back);
  return shift === null ? measured.mean : measured.mean - mixtureMean(shift);
}

/** The last reading, moved by what was changed since, with the gains this bow has shown. */
export function presentReading(state: BowState, kind: ReadingKind): PresentReading | null {
  const known = presentReadings(state);
  let found = known.get(kind);
  if (found === undefined) known.set(kind, (found = readingNow(state, kind)));
  return found;
}

/** Drawing, rows and advice ask for the same few, each with its quantiles. */
const presentReadings = onceFor(() => new Map<ReadingKind, PresentReading | null>());

function readingNow(state: BowState, kind: ReadingKind): PresentReading | null {
  const moved = movedSinceRead(state, kind);
  if (moved === null) return null;
  const { measured, movedBy } = moved;
  const gains = learnedGains(state);
  const shift = backedShift(state, kind, netOf(movedBy, 1));
  return {
    value: measured.mean + shift.shift,
    plusMinus: Math.hypot(readingHalfWidth(measured, gains.repeatability), shift.plusMinus),
    measured,
    fresh: movedBy.length === 0,
    movedBy,
  };
}

/** Changes after a reading that move it, in log order. */
function changesSince({ changes }: BowState, { index, reading }: Measured): readonly ChangeMade[] {
  const first = changes.findLastIndex((change) => change.index < index) + 1;
  if (first === changes.length) return [];
  const moving = controlsMoving(reading);
  return changes.slice(first).filter(({ control }) => moving.includes(control));
}

function netOf(changes: readonly ChangeMade[], sign: 1 | -1): ReadonlyMap<Control, number> {
  const net = new Map<Control, number>();
  for (const { control, amount } of changes)
    net.set(control, (net.get(control) ?? 0) + sign * amount);
  return net;
}

export interface Effect {
  readonly shift: number;
  readonly plusMinus: number;
}

/** What moving controls from where they stand now does to a reading. */
export function effectOn(
  state: BowState,
  kind: ReadingKind,
  amounts: ReadonlyMap<Control, number>,
): Effect {
  const mixture = shiftOf(learnedGains(state), kind, amounts);
  if (mixture === null) return { shift: 0, plusMinus: 0 };
  const { mean, plusMinus } = intervalOf(mixture);
  return { shift: mean, plusMinus };
}

/** What moves already made have done: the shift from before them to now. */
function backedShift(
  state: BowState,
  kind: ReadingKind,
  made: ReadonlyMap<Control, number>,
): Effect {
  const back = new Map([...made].map(([control, amount]) => [control, -amount]));
  const { shift, plusMinus } = effectOn(state, kind, back);
  return { shift: shift === 0 ? 0 : -shift, plusMinus };
}
