import { arrowFigures } from '../arrows/arrow-figures.ts';
import { stringIdBeyond } from '../care/workshop-strings.ts';
import { CONTROL_FACTS, CONTROLS } from '../craft/controls.ts';
import { FIT_OUT_ITEMS } from '../craft/fit-out.ts';
import { READING_KINDS } from '../craft/readings.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentSpread } from '../gains/repeatability.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import {
  ARROW_SHOWN,
  type ArrowShown,
  type ComparedWhat,
  FACTS_SHOWN,
  type FigureSheet,
  keyOf,
  type SheetFigure,
} from './compared.ts';

const PLAIN = {
  words: '',
  expectedPlusMinus: null,
  roundedBy: 0,
  spread: null,
  datum: '',
  tool: '',
} as const;

/** Everything of a bow as it stands that can be set beside another. */
export const figureSheet = onceFor((state: BowState): FigureSheet => {
  const { bow } = state;
  const figures = [
    ...readingFigures(state),
    ...tillerFigure(state),
    ...landingFigures(state),
    ...positionFigures(state),
    ...ARROW_SHOWN.flatMap((figure) =>
      numberFigure({ kind: 'arrow', figure }, arrowValue(state, figure)),
    ),
    ...wordsFigure({ kind: 'string' }, state.strings.fitted.described),
    ...FIT_OUT_ITEMS.flatMap((item) =>
      item === 'string'
        ? []
        : wordsFigure({ kind: 'item', item }, state.fitOut.get(item)?.described ?? ''),
    ),
    ...FACTS_SHOWN.flatMap((fact) => {
      const what = { kind: 'fact', fact } as const;
      if (fact === 'markedWeightN') return numberFigure(what, bow.maker.markedWeightN);
      const value = bow[fact];
      return typeof value === 'string' ? wordsFigure(what, value) : numberFigure(what, value);
    }),
  ];
  return {
    bowId: state.bowId,
    isExtract: false,
    stringId: stringIdBeyond(state.bowId, state.strings.fitted.stringId),
    hand: bow.hand,
    braceReference: bow.braceReference,
    throatToPlungerMm: bow.throatToPlungerMm ?? null,
    figures: new Map(figures.map((one) => [keyOf(one.what), one])),
  };
});

function numberFigure(
  what: ComparedWhat,
  value: number | null | undefined,
): readonly SheetFigure[] {
  return value == null ? [] : [{ ...PLAIN, what, value }];
}

function wordsFigure(what: ComparedWhat, words: string): readonly SheetFigure[] {
  return words === '' ? [] : [{ ...PLAIN, what, value: null, words }];
}

function readingFigures(state: BowState): readonly SheetFigure[] {
  return READING_KINDS.flatMap((reading) => {
    const present = presentReading(state, reading);
    if (present === null) return [];
    const { value, fresh, plusMinus, measured } = present;
    const isTiller = reading === 'tillerTop' || reading === 'tillerBottom';
    return [
      {
        what: { kind: 'reading', reading },
        value,
        words: '',
        expectedPlusMinus: fresh ? null : plusMinus,
        roundedBy: 0,
        spread: presentSpread(state, reading, learnedGains(state).repeatability).sd,
        datum: isTiller ? measured.datum : '',
        tool: measured.tool,
      },
    ];
  });
}

function tillerFigure(state: BowState): readonly SheetFigure[] {
  const top = presentReading(state, 'tillerTop');
  const bottom = presentReading(state, 'tillerBottom');
  if (top === null || bottom === null) return [];
  const { repeatability } = learnedGains(state);
  return [
    {
      what: { kind: 'tiller' },
      value: top.value - bottom.value,
      words: '',
      expectedPlusMinus:
        top.fresh && bottom.fresh ? null : Math.hypot(top.plusMinus, bottom.plusMinus),
      roundedBy: 0,
      spread: Math.hypot(
        presentSpread(state, 'tillerTop', repeatability).sd,
        presentSpread(state, 'tillerBottom', repeatability).sd,
      ),
      datum: '',
      tool: '',
    },
  ];
}

function landingFigures({ landing }: BowState): readonly SheetFigure[] {
  return [
    ...numberFigure({ kind: 'landing', axis: 'outward' }, landing?.outwardMm),
    ...numberFigure({ kind: 'landing', axis: 'up' }, landing?.upMm),
  ];
}

/** Counted where somebody counted, else how far it was moved; another point mass is the arrow's. */
function positionFigures(state: BowState): readonly SheetFigure[] {
  const { twists, topBoltTurnsOut, bottomBoltTurnsOut } = state.positions;
  const counted = new Map([
    ['twists', twists],
    ['topBolt', topBoltTurnsOut],
    ['bottomBolt', bottomBoltTurnsOut],
  ]);
  return CONTROLS.flatMap((control) => {
    const position = counted.get(control) ?? null;
    if (position !== null) return numberFigure({ kind: 'position', control }, position);
    if (!CONTROL_FACTS[control].reversible || control === 'pointMass') return [];
    return numberFigure({ kind: 'moved', control }, state.moved.get(control) ?? 0);
  });
}

function arrowValue({ bow: { arrow } }: BowState, figure: ArrowShown): number | null {
  if (arrow === undefined) return null;
  const parts = arrow.build?.parts;
  switch (figure) {
    case 'lengthMm':
      return arrow.lengthMm;
    case 'pointMassG':
      return arrow.pointMassG;
    case 'massG':
      return arrow.massG ?? (parts === undefined ? null : arrowFigures(parts).massG);
    case 'focPercent':
      return parts === undefined ? null : arrowFigures(parts).focPercent;
    case 'spine':
      return parts?.shaft.spine ?? null;
  }
}
