import type { BowKind, BraceReference, Hand, Hook } from '../craft/bow-terms.ts';
import {
  ARROW_SHOWN,
  type ArrowShown,
  type FigureSheet,
  keyOf,
  type SheetFigure,
} from '../compare/compared.ts';
import { figureSheet } from '../compare/figure-sheet.ts';
import type { Control } from '../craft/controls.ts';
import { READING_KINDS, READINGS, type ReadingKind } from '../craft/readings.ts';
import type { BowState } from '../log/bow-state.ts';

/** Controls whose place is counted, and so can stand on a card. */
export const CARD_CONTROLS = ['twists', 'topBolt', 'bottomBolt'] as const satisfies Control[];
type CardControl = (typeof CARD_CONTROLS)[number];

/** What a tune card carries for another device to read: the figures, without the story. */
export interface CardData {
  readonly bowName: string;
  /** The name of the state; empty where it has none. */
  readonly stateName: string;
  /** The day the state was, `2026-11-28`. */
  readonly day: string;
  readonly bowKind: BowKind;
  readonly amoLengthIn: number;
  readonly hand: Hand;
  readonly hook: Hook;
  readonly braceReference: BraceReference;
  readonly throatToPlungerMm: number | null;
  readonly readings: ReadonlyMap<ReadingKind, number>;
  readonly positions: ReadonlyMap<CardControl, number>;
  readonly arrow: ReadonlyMap<ArrowShown, number>;
  /** Where bare shafts land when it is tuned, mm at 18 m. */
  readonly landing: { readonly outwardMm: number; readonly upMm: number } | null;
}

/** The card of a bow as it stands. */
export function cardOf(state: BowState, stateName: string, day: string): CardData {
  const { bow } = state;
  const { figures } = figureSheet(state);
  const valueOf = (key: string) => figures.get(key)?.value ?? null;
  return {
    bowName: bow.name,
    stateName,
    day,
    bowKind: bow.bowKind,
    amoLengthIn: bow.amoLengthIn,
    hand: bow.hand,
    hook: bow.hook,
    braceReference: bow.braceReference,
    throatToPlungerMm: bow.throatToPlungerMm ?? null,
    readings: there(READING_KINDS, (reading) => valueOf(keyOf({ kind: 'reading', reading }))),
    positions: there(CARD_CONTROLS, (control) => valueOf(keyOf({ kind: 'position', control }))),
    arrow: there(ARROW_SHOWN, (figure) => valueOf(keyOf({ kind: 'arrow', figure }))),
    landing: state.landing,
  };
}

function there<K>(all: readonly K[], valueOf: (key: K) => number | null): ReadonlyMap<K, number> {
  return new Map(
    all.flatMap((key) => {
      const value = valueOf(key);
      return value === null ? [] : [[key, value] as const];
    }),
  );
}

/** Figures on a card are written to a tenth. */
const CARD_ROUNDING = 0.05;

/** A card as one side of a comparison. What it does not carry is not missing on the bow. */
export function cardSheet(card: CardData): FigureSheet {
  const plain = {
    words: '',
    expectedPlusMinus: null,
    roundedBy: CARD_ROUNDING,
    spread: null,
    datum: '',
    tool: '',
  } as const;
  const spreadOf = (reading: ReadingKind) => READINGS[reading].typicalSd;
  const top = card.readings.get('tillerTop');
  const bottom = card.readings.get('tillerBottom');
  const figures: readonly SheetFigure[] = [
    ...[...card.readings].map(([reading, value]) => ({
      ...plain,
      what: { kind: 'reading', reading } as const,
      value,
      spread: spreadOf(reading),
    })),
    ...(top === undefined || bottom === undefined
      ? []
      : [
          {
            ...plain,
            what: { kind: 'tiller' } as const,
            value: top - bottom,
            spread: Math.hypot(spreadOf('tillerTop'), spreadOf('tillerBottom')),
          },
        ]),
    ...[...card.positions].map(([control, value]) => ({
      ...plain,
      what: { kind: 'position', control } as const,
      value,
    })),
    ...[...card.arrow].map(([figure, value]) => ({
      ...plain,
      what: { kind: 'arrow', figure } as const,
      value,
    })),
    ...(card.landing === null
      ? []
      : (['outward', 'up'] as const).map((axis) => ({
          ...plain,
          what: { kind: 'landing', axis } as const,
          value: card.landing?.[axis === 'outward' ? 'outwardMm' : 'upMm'] ?? 0,
        }))),
    ...(['bowKind', 'hand', 'hook'] as const).map((fact) => ({
      ...plain,
      what: { kind: 'fact', fact } as const,
      value: null,
      words: card[fact],
    })),
    { ...plain, what: { kind: 'fact', fact: 'amoLengthIn' }, value: card.amoLengthIn },
  ];
  return {
    bowId: null,
    isExtract: true,
    stringId: null,
    hand: card.hand,
    braceReference: card.braceReference,
    throatToPlungerMm: card.throatToPlungerMm,
    figures: new Map(figures.map((one) => [keyOf(one.what), one])),
  };
}
