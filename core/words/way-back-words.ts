import type { WayBackStep } from '../compare/way-back.ts';
import { changeWords, CONTROL_FACTS, movesWords } from '../craft/controls.ts';
import { FIT_OUT_LABEL } from '../craft/fit-out.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS } from '../craft/readings.ts';
import { type FigureStyle, showReading } from '../craft/show-reading.ts';
import { showNumber } from '../quantity/show.ts';

/** A step of the way back: what to do, and what belongs to it. */
export interface WayBackWords {
  readonly title: string;
  readonly also: string;
}

/** Says a step of the way back to how a bow once stood. */
export function wayBackWords(step: WayBackStep, style: FigureStyle): WayBackWords {
  switch (step.kind) {
    case 'turn': {
      const unstrung = step.changes.some(({ control }) => CONTROL_FACTS[control].needsUnstrung);
      return {
        title: movesWords(step.changes),
        also: unstrung ? 'All of it in one unstringing. Use a stringer.' : '',
      };
    }
    case 'byReading': {
      const { name } = READINGS[step.reading];
      const title = `${name} to ${showReading(step.reading, step.target, style)}`;
      const control = lowerFirst(CONTROL_FACTS[step.control].name);
      return {
        title,
        also:
          step.amount === null || step.amount === 0
            ? `By ${control}: what was counted then was counted on another part.`
            : `About ${lowerFirst(changeWords(step.control, step.amount))}, then read it. What was counted then was counted on another part.`,
      };
    }
    case 'fit':
      return step.described === ''
        ? { title: `Take off: ${FIT_OUT_LABEL[step.item]}`, also: 'There was none then.' }
        : { title: `Put back: ${FIT_OUT_LABEL[step.item]}, ${step.described}`, also: '' };
    case 'read':
      return {
        title: `Read ${lowerFirst(READINGS[step.reading].name)}: ${showReading(step.reading, step.target, style)} then`,
        also: '',
      };
    case 'cut':
      return {
        title: `Cannot return: ${showNumber(step.mm, 1)} mm were cut off the shaft`,
        also: 'Another shaft of that length, or the point that makes up for it.',
      };
  }
}
