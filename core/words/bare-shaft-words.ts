import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import { type Remedy, remedyEffect } from '../bare-shaft/remedies.ts';
import { CONTROL_FACTS, showAmount } from '../craft/controls.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import type { BowState } from '../log/bow-state.ts';
import { type BareShaftAxis, REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { showChance, showNumber } from '../quantity/show.ts';
import { sourcesWords } from './evidence-words.ts';
import { causeOf, offsetWords } from './verdict-words.ts';

/** Where each axis stands, a line each. */
export function axisLines(state: BowState, verdict: BareShaftVerdict): readonly string[] {
  const context = { hand: state.bow.hand, unit: 'cm' } as const;
  const line = (name: string, axis: 'outward' | 'up', judged: AxisVerdict) => {
    const words = offsetWords(axis, judged, context);
    if (words === null || judged.odds === null) return `${name}: too few shots.`;
    return `${name}: ${words}; inside ± ${showNumber(judged.toleranceMm / 10, 1)} cm with ${showNumber(100 * judged.odds.inside, 0)} % chance.`;
  };
  return [line('Across', 'outward', verdict.outward), line('Up and down', 'up', verdict.up)];
}

/** The cause by the side the remedy works against. */
export function sideWords(axis: BareShaftAxis, remedy: Remedy | null): string {
  const call = (remedy?.before.plusSide ?? 1) >= 0.5 ? 'plus' : 'minus';
  return causeOf(axis === 'bareShaftUp' ? 'up' : 'outward', call) ?? '';
}

/** Why this remedy and now. */
export function whyWords(
  axis: BareShaftAxis,
  remedy: Remedy,
  { isOpen, others }: { readonly isOpen: boolean; readonly others: readonly Remedy[] },
): string {
  const cause = sideWords(axis, remedy);
  const { seen } = remedy.before;
  if (seen !== null)
    return `${cause} by ${sourcesWords(seen.sources)}, where too few shots say it yet. This can be taken back; where they land overrules it.`;
  if (isOpen) {
    const side = Math.max(remedy.before.plusSide, 1 - remedy.before.plusSide);
    return `${cause} with ${showChance(side)}, though this session alone has not settled it: turning this now is worth more than another end.`;
  }
  if (axis === 'bareShaftUp')
    return `${cause}. Vertical first: a nocking point far off can pass for a stiff or weak shaft.`;
  const reach = !remedy.reversible
    ? 'Everything that can be taken back is spent or would not do.'
    : others.some(({ reversible, gain }) => reversible && gain > remedy.gain)
      ? 'Turned and taken back in seconds, and it may do.'
      : 'Of what can be taken back, this does most.';
  return `${cause}, and up and down no longer hides it. ${reach}`;
}

/** What it is expected to do, and how that is known. */
export function effectWords(remedy: Remedy): string {
  const [entry] = remedy.amounts;
  if (entry === undefined) return '';
  const [control, amount] = entry;
  const { shiftMm, plusMinusMm, changes } = remedyEffect.shift(remedy);
  const from =
    changes === 0
      ? 'Rule of thumb'
      : `Learned on this bow from ${changes} ${changes === 1 ? 'change' : 'changes'}`;
  return `${from}: ${showAmount(control, amount)} of ${CONTROL_FACTS[control].name.toLowerCase()} moves bare shafts ${showNumber(Math.abs(shiftMm), 0)} ± ${showNumber(plusMinusMm, 0)} mm at ${REFERENCE_DISTANCE_M} m.`;
}
