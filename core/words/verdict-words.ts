import { HALF_90 } from '../numeric/half-90.ts';
import type { Hand } from '../craft/bow-terms.ts';
import { handednessNote, sideOf } from '../craft/handedness.ts';
import { showButtInterval } from '../quantity/show.ts';
import type { AxisVerdict } from '../groups/axis-verdict.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import type { ShaftByShaft } from '../bare-shaft/shaft-by-shaft.ts';
import { FEWEST_EACH } from '../groups/offset-posterior.ts';
import { lowerFirst, upperFirst } from '../craft/letter-case.ts';
import { REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import { sourcesWords } from './evidence-words.ts';
import type { ShotsNeeded } from '../bare-shaft/shots-needed.ts';

export interface VerdictWords {
  /** Plain, first: `Stiff, and it is not you:` */
  readonly says: string;
  /** The figure that belongs to it: `6.1 ± 1.8 cm right`; null when there is none. */
  readonly figure: string | null;
  /** The other axis, and what is still open. */
  readonly also: readonly string[];
  /** How it was reckoned, in one line. */
  readonly how: string;
}

/** What else is known when words are made: unit, hand, and the shots still needed if reckoned yet. */
export interface VerdictContext {
  readonly hand: Hand;
  readonly unit: 'cm' | 'in';
  readonly needed: { readonly outward: ShotsNeeded | null; readonly up: ShotsNeeded | null };
}

/** Stiff, weak, high, low: the cause an axis points to. */
export function causeOf(axis: 'outward' | 'up', call: AxisVerdict['call']): string | null {
  if (call !== 'plus' && call !== 'minus') return null;
  if (axis === 'outward') return call === 'plus' ? 'Stiff' : 'Weak';
  return call === 'plus' ? 'Nocking point low' : 'Nocking point high';
}

/** `6.1 ± 1.8 cm right`, `2.3 ± 5.3 cm low`. */
export function offsetWords(
  axis: 'outward' | 'up',
  verdict: AxisVerdict,
  { hand, unit }: Pick<VerdictContext, 'hand' | 'unit'>,
): string | null {
  if (verdict.offsetMm === null || verdict.plusMinusMm === null) return null;
  const way =
    axis === 'outward' ? sideOf(verdict.offsetMm, hand) : verdict.offsetMm >= 0 ? 'high' : 'low';
  return `${showButtInterval(verdict.offsetMm, verdict.plusMinusMm, unit)} ${way}`;
}

/** Why both kinds belong in one end. */
export const MIX_WORDS =
  'Shoot bare and fletched in one end, mixed: shot in different ends, an aim that wandered in between passes for an offset.';

/** The verdict in words: plain first, figures second, what is open third. */
export function verdictWords(verdict: BareShaftVerdict, context: VerdictContext): VerdictWords {
  const how = howWords(verdict, context);
  const seen = seenWords(verdict, context);
  if (verdict.outward.offsetMm === null && verdict.up.offsetMm === null) {
    if (seen !== null)
      return { says: seen.says, figure: seen.figure, also: [notEnoughWords(verdict)], how };
    return { says: notEnoughWords(verdict), figure: null, also: [], how };
  }
  const also: string[] = [];
  if (verdict.neverMixed) also.push(MIX_WORDS);
  if (verdict.apart?.kind === 'oneApart') also.push(oneApartWords(verdict.apart));
  else if (verdict.scattered && verdict.apart === null) {
    also.push(
      'Bare shafts scatter more than the bow can explain: form, nock fit and contact first.',
    );
  }
  if (verdict.apart?.kind === 'twoHeaps')
    return {
      says: 'Bare shafts lie in two heaps:',
      figure: 'their middle is no offset.',
      also,
      how,
    };
  if (verdict.done) {
    return { says: 'Done, both ways: go and practise.', figure: null, also, how };
  }
  const { outward, up } = verdict;
  const lateralCause = causeOf('outward', outward.call);
  const verticalCause = causeOf('up', up.call);
  if (verticalCause !== null) {
    also.unshift(axisWords('outward', outward, context));
    return { ...headline('up', verticalCause, verdict, context), also, how };
  }
  if (lateralCause !== null) {
    also.unshift(axisWords('up', up, context));
    return { ...headline('outward', lateralCause, verdict, context), also, how };
  }
  if (seen !== null) {
    const other = seen.axis === 'up' ? 'outward' : 'up';
    const { says, figure } = seen;
    return { says, figure, also: [axisWords(other, verdict[other], context), ...also], how };
  }
  if (outward.call === 'inside' && up.call === 'inside') {
    return { says: 'Inside, both ways. One more end to be sure.', figure: null, also, how };
  }
  const [first, second] =
    outward.call === 'inside' ? (['outward', 'up'] as const) : (['up', 'outward'] as const);
  return {
    says: axisWords(first, first === 'up' ? up : outward, context),
    figure: null,
    also: [axisWords(second, second === 'up' ? up : outward, context), ...also],
    how,
  };
}

/** One shaft, before scatter is blamed on anybody. */
function oneApartWords({
  arrow,
  arrowNumber,
}: Extract<ShaftByShaft, { kind: 'oneApart' }>): string {
  return `${upperFirst(arrow)} shaft ${arrowNumber} lands apart from its fellows: set aside, the others may say something else.`;
}

/** What was seen rather than shot, up and down first: `Probably stiff, by flight seen:`. */
function seenWords(
  { seen }: BareShaftVerdict,
  { hand, unit }: VerdictContext,
): (Pick<VerdictWords, 'says' | 'figure'> & { readonly axis: 'up' | 'outward' }) | null {
  for (const axis of ['up', 'outward'] as const) {
    const side = seen[axis];
    if (side === null) continue;
    const way = axis === 'outward' ? sideOf(side.meanMm, hand) : side.meanMm >= 0 ? 'high' : 'low';
    const cause = causeOf(axis, side.call) ?? '';
    return {
      axis,
      says: `Probably ${lowerFirst(cause)}, by ${sourcesWords(side.sources)}; impact has not settled it:`,
      figure: `${showButtInterval(side.meanMm, HALF_90 * side.sdMm, unit)} ${way} at ${REFERENCE_DISTANCE_M} m.`,
    };
  }
  return null;
}

function headline(
  axis: 'outward' | 'up',
  cause: string,
  { [axis]: verdict, ends }: BareShaftVerdict,
  context: VerdictContext,
): Pick<VerdictWords, 'says' | 'figure'> {
  return {
    says: `${cause}, ${verdict.holds ? 'and it is not you' : ends > 1 ? 'by what was shot so far' : 'by this one look'}:`,
    figure: `${offsetWords(axis, verdict, context) ?? ''}.`,
  };
}

function axisWords(axis: 'outward' | 'up', verdict: AxisVerdict, context: VerdictContext): string {
  const name = axis === 'outward' ? 'Across' : 'Up and down';
  const cause = causeOf(axis, verdict.call);
  if (cause !== null) return `${cause}: ${offsetWords(axis, verdict, context) ?? ''}.`;
  if (verdict.call === 'inside') return `${name}: inside.`;
  if (verdict.offsetMm === null) return `${name}: too few shots yet.`;
  return `${name} undecided: ${neededWords(axis === 'outward' ? context.needed.outward : context.needed.up)}.`;
}

/** What it would take to be sure of an axis before anything is turned; null when it is sure. */
export function surerWords(
  axis: 'outward' | 'up',
  { [axis]: judged, ends }: BareShaftVerdict,
  needed: ShotsNeeded | null,
): string | null {
  if (judged.offsetMm === null)
    return 'Too few shots in this session to say: the figures come from the shots before it.';
  if (judged.call === 'undecided')
    return `Undecided: to be sure before turning anything, ${neededWords(needed)}.`;
  if (judged.holds || judged.call === 'inside') return null;
  return ends > 1
    ? 'Not sure yet: another end that agrees makes it so.'
    : 'One look says so: a second end that agrees makes it sure.';
}

/** `4 more bare shafts`; while it is still being reckoned, says so. */
function neededWords(needed: ShotsNeeded | null): string {
  if (needed === null) return 'reckoning how many more';
  if (needed.kind === 'moreThanWorth') return 'more than 24 more, so shoot nearer, or leave it';
  return `${needed.count} more bare shaft${needed.count === 1 ? '' : 's'}`;
}

function notEnoughWords({ counted }: BareShaftVerdict): string {
  const fletched = Math.max(0, FEWEST_EACH - counted.fletched);
  const bare = Math.max(0, FEWEST_EACH - counted.bare);
  if (counted.fletched + counted.bare === 0) return 'No shots yet that count.';
  const parts = [
    fletched > 0 ? `${fletched} fletched` : null,
    bare > 0 ? `${bare} bare` : null,
  ].filter((part) => part !== null);
  return `Nothing to say yet: at least ${parts.join(' and ')} more.`;
}

function howWords({ counted, sessionsBefore }: BareShaftVerdict, { hand }: VerdictContext): string {
  const total = counted.fletched + counted.bare;
  const all = total + counted.calledBad + counted.setAside;
  const before =
    sessionsBefore === 0
      ? ''
      : `, those of the ${sessionsBefore === 1 ? 'session' : `${sessionsBefore} sessions`} just before with them`;
  return `${total} of ${all} shots counted${before}. ± holds 9 times in 10. ${handednessNote(hand)}`;
}

/** So many shots that nobody called lie far from their kind: they count all the same. */
export function farOutWords(count: number): string {
  return count === 1
    ? 'One shot lies far from its kind and was not called. It counts; call it bad only if it felt bad.'
    : `${count} shots lie far from their kind and were not called. They count; call one bad only if it felt bad.`;
}
