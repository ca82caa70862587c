import { CONTROL_FACTS, movesWords, showAmount } from '../craft/controls.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { experimentChanges } from '../log/range-records.ts';
import { type FineTuningStanding, steadinessAt } from '../fine-tuning/fine-tuning-standing.ts';
import { showChance, showNumber } from '../quantity/show.ts';

/** How the group at one setting compares with that at the other. */
export function ratioWords(
  comparison: NonNullable<FineTuningStanding['finish']>['comparison'],
): string {
  if (comparison === null) return 'not known against that';
  const { ratio, low, high } = comparison;
  return `${showNumber(ratio, 2)} (${showNumber(low, 2)} to ${showNumber(high, 2)}) times that`;
}

/** Where a setting lies from where the control stood at first. */
export function settingWords(
  { experiment }: Pick<FineTuningStanding, 'experiment'>,
  setting: number,
): string {
  if (setting === 0) return 'the first setting';
  const { control, opposed } = experiment;
  const facts = CONTROL_FACTS[control];
  if (opposed === true) return lowerFirst(movesWords(experimentChanges(experiment, setting)));
  return `${showAmount(control, Math.abs(setting))} ${setting > 0 ? facts.plus : facts.minus}`;
}

/** What is tried: a control, or tiller by both bolts against each other. */
export function experimentName({
  control,
  opposed,
}: Pick<FineTuningStanding['experiment'], 'control' | 'opposed'>): string {
  return opposed === true ? 'Tiller, bolts against each other' : CONTROL_FACTS[control].name;
}

/** `, on aim 3.8 of 5`; nothing where nobody noted it. */
function steadyWords(standing: FineTuningStanding, setting: number): string {
  const steady = steadinessAt(standing, setting);
  return steady === null ? '' : `, on aim ${showNumber(steady.mean, 1)} of 5`;
}

/** What every setting tried has shown, a line each. */
export function curveLines(standing: FineTuningStanding): readonly string[] {
  const { fit, ends, voided } = standing;
  if (ends.length === 0) return [];
  const lines = fit.settings
    .filter((one) => one.ends > 0)
    .map(
      (one) =>
        `${settingWords(standing, one.setting)}: group ${showNumber(one.groupMm, 0)} mm (${showNumber(one.lowMm, 0)} to ${showNumber(one.highMm, 0)}), ${one.ends} ${one.ends === 1 ? 'end' : 'ends'}, best with ${showChance(one.isBest)}${steadyWords(standing, one.setting)}.`,
    );
  return voided.ends === 0
    ? lines
    : [
        ...lines,
        `${voided.ends} ends from before something else was changed are left out: they compare two things at once.`,
      ];
}

/** That the ends lie on no curve a control usually makes, and what to look for; null: they do. */
export function unlikeWords({ fit }: Pick<FineTuningStanding, 'fit'>): string | null {
  switch (fit.unlike) {
    case null:
      return null;
    case 'hill':
      return 'This is no valley: groups are widest in the middle. Try a range farther out, one way or the other.';
    case 'steep':
      return 'Far steeper than a control usually is: look for contact or a loose part at the settings that group worst.';
    case 'rough':
      return 'The ends do not lie on one curve: something else changed between them, or the archer did. Shoot the best two side by side before believing it.';
  }
}

/** Ends of the finish that nothing can be set beside; null: there are none. */
export function apartWords({ finish }: Pick<FineTuningStanding, 'finish'>): string | null {
  if (finish === null || finish.apart === 0) return null;
  const these =
    finish.apart === 1 ? '1 end of the finish is' : `${finish.apart} ends of the finish are`;
  return `${these} not side by side: more than half an hour from the others, or in other wind. They count on the curve, each with its day.`;
}

/** What the counting says, in one line. */
export function fineTuningSays(standing: FineTuningStanding): string {
  const { experiment, ends, fit } = standing;
  if (experiment.closedWhy !== null) return `Closed: ${experiment.closedWhy}.`;
  if (ends.length === 0) return 'Nothing counted yet.';
  return `Best so far: ${settingWords(standing, fit.best.setting)}; ${showChance(fit.best.isBest)} that none is better.`;
}
