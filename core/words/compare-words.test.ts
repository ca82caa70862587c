import { describe, expect, it } from 'vitest';
import type { ComparedRow, ComparedWhat } from '../compare/compared.ts';
import type { SheetFigure } from '../compare/compared.ts';
import {
  comparedFigureWords,
  type ComparedStyle,
  findingWords,
  movedWords,
} from './compare-words.ts';

const IN: ComparedStyle = { lengthUnit: 'in', division: 16 };
const MM: ComparedStyle = { ...IN, lengthUnit: 'mm' };
const BRACE: ComparedWhat = { kind: 'reading', reading: 'braceHeight' };

const BOTH_HANDS: ComparedRow['hands'] = { a: 'left', b: 'right' };
const RIGHT_HANDED: ComparedRow['hands'] = { a: 'right', b: 'right' };

function said(
  what: ComparedWhat,
  by: number,
  style: ComparedStyle,
  hands: ComparedRow['hands'] = RIGHT_HANDED,
): string {
  const finding = { kind: 'differs', by, spreads: 4 } as const;
  const row: ComparedRow = { what, hands, a: null, b: null, finding };
  return findingWords(row, style).replace(', 4.0 times what one reading scatters', '');
}

describe('how far apart two readings are', () => {
  // 25.4 mm an inch: 3.0 is 3.8 thirty-seconds, 2.4 is 3.02.
  it('is said in the bow’s own unit, an inch beside its millimetres', () => {
    expect(said(BRACE, 3, IN)).toBe('1/8 in (3.0 mm) more');
    expect(said(BRACE, -2.4, IN)).toBe('3/32 in (2.4 mm) less');
    expect(said({ kind: 'tiller' }, 30, IN)).toBe('1 3/16 in (30.0 mm) more');
    expect(said(BRACE, 3, MM)).toBe('3.0 mm more');
    expect(said({ kind: 'landing', axis: 'up' }, -51, IN)).toBe('2.0 in lower');
    expect(said({ kind: 'landing', axis: 'up' }, -51, MM)).toBe('5.1 cm lower');
  });

  it('is in millimetres where a rule of inches cannot show it, and where everybody reads it so', () => {
    expect(said(BRACE, 0.3, IN)).toBe('0.3 mm more');
    expect(said({ kind: 'reading', reading: 'restHeight' }, -1.2, IN)).toBe('1.2 mm less');
  });

  // Outward is left for a right-hander, right for a left-hander.
  it('is to a side where it is one: the archer’s own, and none where two hands differ', () => {
    const LEFT_HANDED = { a: 'left', b: 'left' } as const;
    const point = { kind: 'reading', reading: 'centreShotAtPoint' } as const;
    const across = { kind: 'landing', axis: 'outward' } as const;
    expect(said(point, -1.2, IN)).toBe('1.2 mm further right');
    expect(said(point, -1.2, IN, LEFT_HANDED)).toBe('1.2 mm further left');
    expect(said(point, -1.2, IN, BOTH_HANDS)).toBe('1.2 mm further inward');
    expect(said(point, 1.2, IN, BOTH_HANDS)).toBe('1.2 mm further outward');
    expect(said(across, 40, MM)).toBe('4.0 cm further left');
    expect(said(across, 40, MM, LEFT_HANDED)).toBe('4.0 cm further right');
    expect(said(across, -40, MM, BOTH_HANDS)).toBe('4.0 cm further inward');
    expect(said({ kind: 'landing', axis: 'up' }, 51, MM, BOTH_HANDS)).toBe('5.1 cm higher');
  });

  it('is the way a control went, whichever side it began from', () => {
    expect(said({ kind: 'moved', control: 'twists' }, -2, MM)).toBe('2 twists out');
    expect(said({ kind: 'position', control: 'twists' }, -2, MM)).toBe('2 twists less');
  });

  it('on one side only is said without left or right', () => {
    const figured = { value: 1 } as SheetFigure;
    const only = (a: SheetFigure | null, b: SheetFigure | null) =>
      findingWords({ what: BRACE, hands: RIGHT_HANDED, a, b, finding: { kind: 'onlyOne' } }, MM);
    expect(only(figured, null)).toBe('in the first only');
    expect(only(null, figured)).toBe('in the second only');
  });
});

describe('one side of a row', () => {
  const shown = (what: ComparedWhat, one: Partial<SheetFigure>, style = MM, hands = BOTH_HANDS) => {
    const side = { words: '', expectedPlusMinus: null, ...one } as SheetFigure;
    return (['a', 'b'] as const).map((which) =>
      comparedFigureWords({ what, hands, a: side, b: side }, which, style),
    );
  };
  const figure = (what: ComparedWhat, value: number, style = MM) => {
    const [first, second] = shown(what, { value }, style, RIGHT_HANDED);
    expect(second).toBe(first);
    return first;
  };

  it('is how far a control was moved since the record began, and which way', () => {
    expect(movedWords('plungerPreload', 0)).toBe('as at first');
    expect(movedWords('plungerPreload', 0.5)).toBe('1/2 turn stiffer');
    expect(movedWords('plungerPreload', -0.5)).toBe('1/2 turn softer');
    expect(figure({ kind: 'moved', control: 'nockingPoint' }, -2)).toBe('2 mm down');
    expect(figure({ kind: 'position', control: 'twists' }, 24)).toBe('24 twists');
    expect(figure({ kind: 'position', control: 'topBolt' }, 1.5)).toBe('1 1/2 turns out');
  });

  it('is an arrow’s figure in the unit it is bought and weighed in', () => {
    const arrow = (shown: string, value: number, style = MM) =>
      figure({ kind: 'arrow', figure: shown } as ComparedWhat, value, style);
    expect(arrow('lengthMm', 724)).toBe('724.0 mm');
    expect(arrow('lengthMm', 711.2, IN)).toBe('28 in');
    expect(arrow('pointMassG', 6.479891)).toBe('100 gr');
    expect(arrow('massG', 22.6796)).toBe('350 gr');
    expect(arrow('focPercent', 14.26)).toBe('14.3 %');
    expect(arrow('spine', 600)).toBe('600');
  });

  it('is where bare shafts land, as the archer of that hand sees it', () => {
    const landing = { kind: 'landing', axis: 'outward' } as const;
    expect(figure(landing, 40)).toBe('4.0 cm left');
    // The first bow a left-hander's, the second a right-hander's: each sees outward on its own side.
    expect(shown(landing, { value: 40 })).toEqual(['4.0 cm right', '4.0 cm left']);
    const point = { kind: 'reading', reading: 'centreShotAtPoint' } as const;
    expect(shown(point, { value: 3 }, IN)).toEqual(['3.0 mm right', '3.0 mm left']);
    expect(figure({ kind: 'landing', axis: 'up' }, -25)).toBe('2.5 cm low');
    expect(figure({ kind: 'landing', axis: 'up' }, 25)).toBe('2.5 cm high');
  });

  it('says that it is only expected, or what a fact is called', () => {
    expect(shown(BRACE, { value: 216, expectedPlusMinus: 2 })[0]).toBe('about 216.0 mm');
    expect(shown({ kind: 'fact', fact: 'hand' }, { value: null, words: 'left' })[0]).toBe(
      'left-handed',
    );
    const empty = { what: BRACE, hands: BOTH_HANDS, a: null, b: null };
    expect(comparedFigureWords(empty, 'a', MM)).toBe('–');
  });
});
