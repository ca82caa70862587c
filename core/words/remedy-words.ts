import type { Control } from '../craft/controls.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { STEP_IDS, stepFacets, stepFacts } from '../craft/steps.ts';
import { upsets } from '../craft/upsets.ts';
import { showNumber } from '../quantity/show.ts';
import { G_PER_GR, N_PER_LBF } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import type { Remedy } from '../bare-shaft/remedies.ts';
import { missingWords } from './limit-words.ts';
import { hasClicker, safeLength } from '../limits/safe-length.ts';

/** What a remedy does beside moving bare shafts. */
export function sideEffects(state: BowState, { amounts }: Remedy): readonly string[] {
  const [entry] = amounts;
  if (entry === undefined) return [];
  const [control, amount] = entry;
  return [...controlSideEffects(state, control, amount), staleWords([...amounts.keys()])];
}

function controlSideEffects(state: BowState, control: Control, amount: number): readonly string[] {
  switch (control) {
    case 'pointMass': {
      const grains = amount / G_PER_GR;
      const weightN = presentWeightN(state);
      const gpp = weightN === null ? null : grains / (weightN / N_PER_LBF);
      return [
        `The arrow becomes ${showNumber(Math.abs(grains), 0)} gr ${grains > 0 ? 'heavier' : 'lighter'}${gpp === null ? '' : ` (${showNumber(Math.abs(gpp), 1)} gpp)`}, its balance moves ${grains > 0 ? 'forward' : 'back'}: FOC ${grains > 0 ? 'up' : 'down'}.`,
      ];
    }
    case 'shaftCut': {
      const safe = safeLength(state);
      return [
        'A cut cannot be taken back.',
        safe.kind === 'known'
          ? `After it ${showNumber(Math.floor(Math.max(0, safe.leftMm - amount)), 0)} mm could still go; ${showNumber(Math.ceil(safe.leastMm), 0)} mm is the shortest that is safe at this draw.`
          : `Not to be cut while ${missingWords(safe.missing)}.`,
        ...(hasClicker(state) ? ['The clicker has to move with the shaft end.'] : []),
      ];
    }
    case 'twists':
    case 'topBolt':
    case 'bottomBolt':
      return ['The bow has to be unstrung.'];
    default:
      return [];
  }
}

/** What has to be checked again, in one line: by the table of what a change upsets. */
function staleWords(controls: readonly Control[]): string {
  const upset = STEP_IDS.filter((id) =>
    stepFacets(id).some((facet) =>
      upsets(
        { kind: 'change', index: 0, control: controls[0]!, amount: 1, moveControls: controls },
        facet,
      ),
    ),
  );
  return `Stale after it: ${upset.map((id) => lowerFirst(stepFacts(id).name)).join(', ')}.`;
}
