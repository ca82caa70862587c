import { CONTROL_FACTS, type Control, CONTROLS } from '../craft/controls.ts';
import { FIT_OUT_ITEMS, type FitOutItem } from '../craft/fit-out.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import type { BowState } from '../log/bow-state.ts';

/** One step of the way back to how a bow once stood. */
export type WayBackStep =
  /** Turned back by as much as it was turned since; those of one unstringing together. */
  | {
      readonly kind: 'turn';
      readonly changes: readonly { readonly control: Control; readonly amount: number }[];
    }
  /** Another string or part is on: counting says nothing, so it is turned until it reads as it did. */
  | {
      readonly kind: 'byReading';
      readonly reading: ReadingKind;
      /** What it read then, stored unit. */
      readonly target: number;
      readonly control: Control;
      /** What this bow has shown so far would take; null where nothing is known of its answer. */
      readonly amount: number | null;
    }
  /** What was on the bow then, and is not now; empty words: nothing was. */
  | { readonly kind: 'fit'; readonly item: FitOutItem; readonly described: string }
  /** Read again at the end: what it should read. */
  | { readonly kind: 'read'; readonly reading: ReadingKind; readonly target: number }
  /** A cut does not grow back. */
  | { readonly kind: 'cut'; readonly mm: number };

/** What puts a control's count out: with another of these on, only readings lead back. */
const COUNTS_ON: Partial<Record<Control, FitOutItem>> = {
  nockingPoint: 'locators',
  plungerReach: 'plunger',
  plungerPreload: 'plungerSpring',
  restHeight: 'rest',
  pointMass: 'shaft',
};

/** By which reading a control is set when its count is lost; the others have none. */
const READ_BY: Partial<Record<Control, ReadingKind>> = {
  twists: 'braceHeight',
  nockingPoint: 'nockingHeight',
  plungerReach: 'centreShotAtPoint',
  restHeight: 'restHeight',
};

/** In the order of work: what needs the bow unstrung first, and all of it in one unstringing. */
const ORDER: readonly Control[] = [
  ...CONTROLS.filter((control) => CONTROL_FACTS[control].needsUnstrung),
  'restHeight',
  'sidePlate',
  'plungerReach',
  'nockingPoint',
  'plungerPreload',
  'pointMass',
];

/** Less than this of a control is nothing to turn. */
const NOTHING = 1e-6;

/**
 * The way from how a bow stands now back to how it stood at a moment: what was fitted then first, then
 * everything that needs the bow unstrung in one go, then the rest in the order of work, then what to
 * read again and what it should read. What cannot come back is named.
 *
 * @param now the bow as it is
 * @param then the same bow as it was, or as another moment of its record shows it
 */
export function wayBack(now: BowState, then: BowState): readonly WayBackStep[] {
  const replaced = new Set(
    FIT_OUT_ITEMS.filter(
      (item) => now.fitOut.get(item)?.entryId !== then.fitOut.get(item)?.entryId,
    ),
  );
  const sameString = now.strings.fitted.stringId === then.strings.fitted.stringId;
  const turned: { control: Control; amount: number }[] = [];
  const byReading: WayBackStep[] = [];
  for (const control of ORDER) {
    if (isCountGood(control, replaced, sameString)) {
      const amount = backBy(now, then, control, sameString);
      if (Math.abs(amount) > NOTHING) turned.push({ control, amount });
      continue;
    }
    const step = readingStep(now, then, control);
    if (step !== null) byReading.push(step);
  }
  const unstrung = turned.filter(({ control }) => CONTROL_FACTS[control].needsUnstrung);
  const strung = turned.filter(({ control }) => !CONTROL_FACTS[control].needsUnstrung);
  const cutMm = (now.moved.get('shaftCut') ?? 0) - (then.moved.get('shaftCut') ?? 0);
  const way: readonly WayBackStep[] = [
    ...fittedThen(now, then, replaced, sameString),
    ...(cutMm > NOTHING && !replaced.has('shaft') ? [{ kind: 'cut', mm: cutMm } as const] : []),
    ...(unstrung.length > 0 ? [{ kind: 'turn', changes: unstrung } as const] : []),
    ...byReading,
    ...strung.map((change) => ({ kind: 'turn', changes: [change] }) as const),
  ];
  return way.length === 0 ? [] : [...way, ...readAgain(then, turned)];
}

function isCountGood(
  control: Control,
  replaced: ReadonlySet<FitOutItem>,
  sameString: boolean,
): boolean {
  if (control === 'twists') return sameString;
  // Locators sit on the string: another string, other locators.
  if (control === 'nockingPoint' && !sameString) return false;
  const part = COUNTS_ON[control];
  return part === undefined || !replaced.has(part);
}

function backBy(now: BowState, then: BowState, control: Control, sameString: boolean): number {
  const counted = [now.strings.fitted.twists, then.strings.fitted.twists] as const;
  if (control === 'twists' && sameString && counted[0] !== null && counted[1] !== null)
    return counted[1] - counted[0];
  return (then.moved.get(control) ?? 0) - (now.moved.get(control) ?? 0);
}

function readingStep(now: BowState, then: BowState, control: Control): WayBackStep | null {
  const reading = READ_BY[control];
  const was = reading === undefined ? null : presentReading(then, reading);
  if (reading === undefined || was === null) return null;
  const is = presentReading(now, reading);
  const gain = gainOf(now, reading, control);
  const { step } = CONTROL_FACTS[control];
  const amount = is === null || gain === null ? null : amountTo(was, is, gain.mean, step);
  return { kind: 'byReading', reading, target: was.value, control, amount };
}

/** Nothing is turned for a difference that two readings of one bow may show. */
function amountTo(
  was: { readonly value: number; readonly plusMinus: number },
  is: { readonly value: number; readonly plusMinus: number },
  gain: number,
  step: number,
): number {
  const off = was.value - is.value;
  if (Math.abs(off) <= Math.hypot(was.plusMinus, is.plusMinus)) return 0;
  return Math.round(off / gain / step) * step;
}

/** Items that are other now than then, in the words they had. */
function fittedThen(
  now: BowState,
  then: BowState,
  replaced: ReadonlySet<FitOutItem>,
  sameString: boolean,
): readonly WayBackStep[] {
  return [...replaced].flatMap((item) => {
    // Another string is met by its readings; whether the old one still serves is not known here.
    if (item === 'string') return [];
    const was = then.fitOut.get(item)?.described ?? '';
    const is = now.fitOut.get(item)?.described ?? '';
    if (was === is || (item === 'locators' && !sameString)) return [];
    return [{ kind: 'fit', item, described: was } as const];
  });
}

/** What was read then and has been moved since. */
function readAgain(
  then: BowState,
  turned: readonly { readonly control: Control }[],
): readonly WayBackStep[] {
  const moved = new Set(turned.map(({ control }) => control));
  const wanted: readonly (readonly [ReadingKind, readonly Control[]])[] = [
    ['braceHeight', ['twists', 'topBolt', 'bottomBolt']],
    ['tillerTop', ['twists', 'topBolt', 'bottomBolt']],
    ['tillerBottom', ['twists', 'topBolt', 'bottomBolt']],
    ['drawWeight', ['twists', 'topBolt', 'bottomBolt']],
    ['limbLineTop', ['topSideScrews', 'bottomSideScrews']],
    ['limbLineBottom', ['topSideScrews', 'bottomSideScrews']],
    ['restHeight', ['restHeight']],
    ['centreShotAtPoint', ['plungerReach', 'topSideScrews', 'bottomSideScrews']],
    ['nockingHeight', ['nockingPoint', 'restHeight']],
  ];
  return wanted.flatMap(([reading, controls]) => {
    const was = presentReading(then, reading);
    if (was === null || !controls.some((control) => moved.has(control))) return [];
    return [{ kind: 'read', reading, target: was.value } as const];
  });
}
