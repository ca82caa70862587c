import type { ArrowStep } from '../../arrows/arrow-steps.ts';
import type { WayStep } from '../../arrows/reachable-builds.ts';
import type { ArrowBuild } from '../../craft/arrow-build.ts';
import { CAUTIONS } from '../../craft/cautions.ts';
import { CUT_HOW, CUT_WITH } from '../../craft/cutting.ts';
import { type LengthStyle, showChance, showLength, showNumber } from '../../quantity/show.ts';
import { fromStored } from '../../quantity/units.ts';

/** All that is said of a step of the plan. */
export interface PlanWords {
  readonly title: string;
  readonly reason: string;
  /** What must be known before it is done; first that it cannot be undone, where it cannot. */
  readonly before: readonly string[];
  readonly thenCheck: string;
  /** What the button says; null where there is nothing to press. */
  readonly button: string | null;
}

interface PlanContext {
  readonly nameOf: (buildId: string) => string;
  readonly fittedId: string;
  readonly material: ArrowBuild['shaft']['material'];
  readonly style: LengthStyle;
}

const THEN_BARE = 'An end of bare shafts with it, then this again.';

/** The next step toward an arrow that lands as it should. */
export function arrowStepWords(step: ArrowStep, context: PlanContext): PlanWords {
  switch (step.kind) {
    case 'keep':
      return {
        title: 'Keep it as it is',
        reason: 'Its bare shafts land as they should, on two ends and more.',
        before: [],
        thenCheck: 'Make the others alike: same mass, spine and length.',
        button: null,
      };
    case 'shoot':
      return {
        title: 'Shoot it bare before anything is changed',
        reason:
          step.because === 'likelyGood'
            ? 'It seems to land as it should; too few ends have said so to keep it.'
            : 'Stiff or weak is not known well enough yet to change anything for it.',
        before: [],
        thenCheck: 'Two ends of bare and fletched, mixed; then this again.',
        button: 'To the range',
      };
    case 'fit': {
      const point = `a point of ${grains(step.pointG)}`;
      const isSame = step.buildId === context.fittedId;
      return {
        title: isSame ? `Take ${point}` : `Take “${context.nameOf(step.buildId)}” with ${point}`,
        reason: `What can be taken back comes first; after it, ${showChance(step.inside)} to land as it should.`,
        before: ['Can be taken back.'],
        thenCheck: THEN_BARE,
        button: isSame ? 'It is in' : 'Look at it',
      };
    }
    case 'cut':
      return {
        title: `Cut ${showLength(step.cutMm, context.style)} off`,
        reason: `It is weak, and no point or shaft there is would do. After it, ${showChance(step.inside)} to land as it should.`,
        before: cutBefore(context.material),
        thenCheck: THEN_BARE,
        button: 'It is cut',
      };
    case 'spent':
      return {
        title: `Nothing there is would do: ${step.needs} shafts are needed`,
        reason:
          step.needs === 'stiffer'
            ? 'It stays weak with the lightest point that may be shot, as short as is safe.'
            : 'It stays stiff with the heaviest point there is, left as long as it is.',
        before: [],
        thenCheck: 'Which shaft to buy, above.',
        button: null,
      };
  }
}

/** One step of the way to another arrow. */
export function wayStepWords(step: WayStep, context: PlanContext): PlanWords {
  switch (step.kind) {
    case 'otherShaft':
      return {
        title: `Take “${context.nameOf(step.buildId)}”`,
        reason: 'Another shaft that lies there.',
        before: ['Can be taken back.'],
        thenCheck: THEN_BARE,
        button: 'Look at it',
      };
    case 'point':
      return {
        title: `A point of ${grains(step.pointG)}`,
        reason: 'Another point first: it can be taken back.',
        before: ['Can be taken back.'],
        thenCheck: THEN_BARE,
        button: 'It is in',
      };
    case 'cut':
      return {
        title: `Cut ${showLength(step.cutMm, context.style)} off`,
        reason: `Of ${showLength(step.ofMm, context.style)} in all: never more without an end between.`,
        before: cutBefore(context.material),
        thenCheck: THEN_BARE,
        button: 'It is cut',
      };
  }
}

function cutBefore(material: ArrowBuild['shaft']['material']): readonly string[] {
  return [CAUTIONS.cutting, ...CUT_HOW[material], CUT_WITH];
}

function grains(massG: number): string {
  return `${showNumber(fromStored(massG, 'gr'), 0)} gr`;
}
