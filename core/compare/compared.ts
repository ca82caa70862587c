import type { BraceReference, Hand } from '../craft/bow-terms.ts';
import type { Control } from '../craft/controls.ts';
import type { FitOutItem } from '../craft/fit-out.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { isLateral } from '../craft/show-reading.ts';

/** Figures of the arrow that are set side by side. */
export const ARROW_SHOWN = ['lengthMm', 'pointMassG', 'massG', 'focPercent', 'spine'] as const;
export type ArrowShown = (typeof ARROW_SHOWN)[number];

/** Facts of a bow that are set side by side. */
export const FACTS_SHOWN = [
  'bowKind',
  'amoLengthIn',
  'hand',
  'hook',
  'markedWeightN',
  'amoDrawMm',
] as const;
export type FactShown = (typeof FACTS_SHOWN)[number];

/** What is set side by side. */
export type ComparedWhat =
  | { readonly kind: 'reading'; readonly reading: ReadingKind }
  | { readonly kind: 'tiller' }
  | { readonly kind: 'landing'; readonly axis: 'outward' | 'up' }
  /** Where a control was counted to stand. */
  | { readonly kind: 'position'; readonly control: Control }
  /** How far a control was moved since its record began: says something on one bow only. */
  | { readonly kind: 'moved'; readonly control: Control }
  | { readonly kind: 'arrow'; readonly figure: ArrowShown }
  | { readonly kind: 'string' }
  | { readonly kind: 'item'; readonly item: FitOutItem }
  | { readonly kind: 'fact'; readonly fact: FactShown };

/** One figure of a bow with what decides whether another may be subtracted from it. */
export interface SheetFigure {
  readonly what: ComparedWhat;
  /** Stored unit; null where it is words. */
  readonly value: number | null;
  readonly words: string;
  /** Reckoned from what was turned since it was read: half its 90 % interval then. */
  readonly expectedPlusMinus: number | null;
  /** It was written down rounded: the true one lies within this. */
  readonly roundedBy: number;
  /** Standard deviation of one reading; null where nothing scatters. */
  readonly spread: number | null;
  /** What it was read from, where that can be one of several. */
  readonly datum: string;
  readonly tool: string;
}

/** Everything of a bow that can be set beside another: from its record, or off a card. */
export interface FigureSheet {
  readonly bowId: string | null;
  /** It carries a choice of figures only: what is not on it may well be on the bow. */
  readonly isExtract: boolean;
  /** Which string is on, known beyond its bow; null where nothing says. */
  readonly stringId: string | null;
  /** Whose left and right its figures to one side are said in. */
  readonly hand: Hand;
  readonly braceReference: BraceReference;
  readonly throatToPlungerMm: number | null;
  /** By `keyOf` what it is. */
  readonly figures: ReadonlyMap<string, SheetFigure>;
}

/** Names what is compared, the same on both sides. */
export function keyOf(what: ComparedWhat): string {
  switch (what.kind) {
    case 'reading':
      return `reading ${what.reading}`;
    case 'landing':
      return `landing ${what.axis}`;
    case 'position':
    case 'moved':
      return `${what.kind} ${what.control}`;
    case 'arrow':
      return `arrow ${what.figure}`;
    case 'item':
      return `item ${what.item}`;
    case 'fact':
      return `fact ${what.fact}`;
    case 'tiller':
    case 'string':
      return what.kind;
  }
}

/** Whether it is to one side, left or right as its archer sees it; + is outward. */
export function isSideways(what: ComparedWhat): boolean {
  return what.kind === 'landing'
    ? what.axis === 'outward'
    : what.kind === 'reading' && isLateral(what.reading);
}

/** Why two figures are not subtracted. */
export type Incomparable =
  /** Read from different places, and the distance between them is not known. */
  | 'otherDatum'
  /** Read with different tools. */
  | 'otherTool'
  /** Twists of two strings: what one of them takes for a height says nothing of the other. */
  | 'otherString';

export interface ComparedRow {
  readonly what: ComparedWhat;
  /** Of the archers of the two: outward is another side for another hand. */
  readonly hands: { readonly a: Hand; readonly b: Hand };
  readonly a: SheetFigure | null;
  readonly b: SheetFigure | null;
  readonly finding:
    | { readonly kind: 'same' }
    /** b less a, and how many times the spread of one reading that is; null where nothing has a spread. */
    | { readonly kind: 'differs'; readonly by: number; readonly spreads: number | null }
    | { readonly kind: 'otherWords' }
    | { readonly kind: 'onlyOne' }
    | { readonly kind: 'cannot'; readonly why: Incomparable };
}
