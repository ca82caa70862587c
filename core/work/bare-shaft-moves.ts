import { CONTROL_FACTS, movesWords, showAmount } from '../craft/controls.ts';
import { showNumber } from '../quantity/show.ts';
import { bareShaftEffect } from '../gains/present-reading.ts';
import { type BareShaftAxis, REFERENCE_DISTANCE_M } from '../gains/prior-gains.ts';
import type { BowState } from '../record/fold.ts';
import type { ShootingSession } from '../record/shooting.ts';
import type { AxisVerdict } from '../shots/axis-verdict.ts';
import type { BareShaftVerdict } from '../shots/bare-shaft-verdict.ts';
import { causeOf, offsetWords } from '../shots/verdict-words.ts';
import type { Move } from './move.ts';
import { controlsFor, type Remedy, sizeRemedy } from './size-remedy.ts';

/** An end that a verdict can grow on. */
const END = { fletched: 6, bare: 3 } as const;
/** After this many undecided ends on the vertical axis the lateral one may be mended. */
const VERTICAL_PATIENCE_ENDS = 3;
/** Below this chance of being inside, the vertical axis is not yet likely enough to leave. */
const VERTICAL_LIKELY_INSIDE = 0.5;

/** A remedy is worth taking first when it can do at least this share of what is wanted. */
const ENOUGH_SHARE = 0.5;

/** What the bare shafts ask for next. Vertical before lateral; one control at a time. */
export function bareShaftMove(
  state: BowState,
  session: ShootingSession | null,
  verdict: BareShaftVerdict | null,
): Move | null {
  if (
    session === null ||
    verdict === null ||
    verdict.counted.fletched + verdict.counted.bare === 0
  ) {
    return shootMove(
      'Shoot bare and fletched',
      'Nothing has been shot since the last change.',
      [],
      null,
    );
  }
  if (verdict.done) return null;
  const { up, outward } = verdict;
  if (up.offsetMm === null && outward.offsetMm === null) {
    return shootMove(
      'Shoot the end out',
      'At least two fletched and two bare shots are needed before anything can be said.',
      [],
      null,
    );
  }
  if (verdict.scattered) {
    return shootMove(
      'Check form, nock fit and contact, then shoot again',
      'The bare shafts scatter more than the bow can explain.',
      [
        'Powder on rest and riser shows contact.',
        'A soft butt twists shafts.',
        'Same draw, same anchor, no pluck.',
      ],
      null,
    );
  }
  const axis = axisToMend(verdict);
  if (axis === null) {
    return waitMove(state, session, verdict);
  }
  const judged = axis === 'up' ? up : outward;
  const remedy = remedyMove(state, session, axis, judged, verdict);
  if (judged.holds || remedy === null) return remedy;
  return shootMove(
    'Shoot again, touch nothing',
    `One look says ${(causeOf(axis, judged.call) ?? '').toLowerCase()}. One end proves nothing; two that agree do.`,
    axisReasons(state, verdict),
    remedy,
  );
}

/** Nothing may be touched yet: says which of the three reasons it is. */
function waitMove(state: BowState, session: ShootingSession, verdict: BareShaftVerdict): Move {
  const { up, outward } = verdict;
  const reasons = axisReasons(state, verdict);
  if (up.call === 'inside' && outward.call === 'inside') {
    return shootMove(
      'One more end, touch nothing',
      'Both axes look inside. It counts as done when a second end agrees.',
      reasons,
      null,
    );
  }
  if (isOut(outward)) {
    return shootMove(
      'Shoot again, touch nothing',
      `Across it looks ${(causeOf('outward', outward.call) ?? '').toLowerCase()}, but up and down comes first and is not settled: a nocking point far off can pass for a stiff or weak shaft.`,
      reasons,
      remedyMove(state, session, 'outward', outward, verdict),
    );
  }
  return shootMove(
    'Shoot again, touch nothing',
    'The offset cannot be told from the scatter yet. More shots settle it; turning something would only hide it.',
    reasons,
    null,
  );
}

/** The axis to mend now, or null while neither may be touched. */
function axisToMend(verdict: BareShaftVerdict): 'up' | 'outward' | null {
  if (isOut(verdict.up)) return 'up';
  const verticalSettled =
    verdict.up.call === 'inside' ||
    (verdict.up.odds !== null && verdict.up.odds.inside >= VERTICAL_LIKELY_INSIDE) ||
    verdict.ends >= VERTICAL_PATIENCE_ENDS;
  return isOut(verdict.outward) && verticalSettled ? 'outward' : null;
}

function isOut(axis: AxisVerdict): boolean {
  return axis.call === 'plus' || axis.call === 'minus';
}

function shootMove(
  title: string,
  why: string,
  reasons: readonly string[],
  likelyAfter: Move | null,
): Move {
  return {
    key: `shoot:${title}`,
    step: 'bareShaft',
    title,
    expect: `${END.fletched} fletched, ${END.bare} bare`,
    why,
    reasons,
    wouldChange: 'The next end.',
    caution: 'bareShafts',
    thenCheck: 'Call a bad shot before looking; mark it, do not drop it.',
    place: 'butt',
    action: { kind: 'shootEnd', ...END },
    doneLabel: 'Start the next end',
    runnerUp: null,
    likelyAfter,
    stop: false,
  };
}

function axisReasons(state: BowState, verdict: BareShaftVerdict): readonly string[] {
  const context = { hand: state.bow.hand, unit: 'cm' } as const;
  const line = (name: string, axis: 'outward' | 'up', judged: AxisVerdict) => {
    const words = offsetWords(axis, judged, context);
    if (words === null || judged.odds === null) return `${name}: too few shots.`;
    return `${name}: ${words}; inside ± ${showNumber(verdict.toleranceMm / 10, 1)} cm with ${showNumber(100 * judged.odds.inside, 0)} % chance.`;
  };
  return [line('Across', 'outward', verdict.outward), line('Up and down', 'up', verdict.up)];
}

function remedyMove(
  state: BowState,
  session: ShootingSession,
  axis: 'outward' | 'up',
  judged: AxisVerdict,
  verdict: BareShaftVerdict,
): Move | null {
  const offsetMm = judged.offsetMm;
  if (offsetMm === null) return null;
  const response: BareShaftAxis = axis === 'up' ? 'bareShaftUp' : 'bareShaftOutward';
  const scale = session.distanceM / REFERENCE_DISTANCE_M;
  const remedies = controlsFor(state, axis)
    .map((controls) => sizeRemedy(state, controls, response, offsetMm / scale))
    .filter((remedy) => remedy !== null)
    .filter((remedy) => !isSetAside(state, remedyKey(remedy)));
  const chosen =
    remedies.find((remedy) => remedy.couldDo >= ENOUGH_SHARE) ??
    remedies.toSorted((one, other) => other.couldDo - one.couldDo)[0];
  if (chosen === undefined) return nothingLeftMove(axis, judged, state);

  const effect = bareShaftEffect(state, response, chosen.amounts);
  const after = {
    ...judged,
    offsetMm: offsetMm + effect.shift * scale,
    plusMinusMm: Math.hypot(judged.plusMinusMm ?? 0, effect.plusMinus * scale),
  };
  const context = { hand: state.bow.hand, unit: 'cm' } as const;
  const cause = causeOf(axis, judged.call) ?? '';
  const title = movesWords([...chosen.amounts].map(([control, amount]) => ({ control, amount })));
  const passedOver = remedies.filter(
    (remedy) => remedy !== chosen && remedy.couldDo < ENOUGH_SHARE,
  );
  return {
    key: remedyKey(chosen),
    step: 'bareShaft',
    title,
    expect: `Expect bare shafts ${offsetWords(axis, after, context) ?? ''}, now ${offsetWords(axis, judged, context) ?? ''}`,
    why:
      axis === 'up'
        ? `${cause}. Vertical first: a nocking point far off can pass for a stiff or weak shaft.`
        : `${cause}, and up and down no longer hides it. ${chosen.couldDo < ENOUGH_SHARE ? 'This alone will not be enough.' : 'The easiest step to take back that can mend it.'}`,
    reasons: [
      ...axisReasons(state, verdict),
      `${gainWords(state, chosen, response)} The step is kept short because bows differ.`,
      ...passedOver.map(
        ({ amounts, couldDo }) =>
          `${[...amounts.keys()].map((control) => CONTROL_FACTS[control].name).join(' and ')} alone could mend about ${showNumber(100 * Math.min(1, couldDo), 0)} %.`,
      ),
    ],
    wouldChange: 'A second end on the other side, contact marks, or a mixed-up point mass.',
    caution: chosen.amounts.has('topBolt') ? 'bolts' : 'bareShafts',
    thenCheck:
      axis === 'up'
        ? 'Bare shafts again: same side, smaller. If it grows, the tail may be bouncing: go well up.'
        : 'Bare shafts again, then sight marks.',
    place: chosen.amounts.has('nockingPoint')
      ? 'nockingPoint'
      : chosen.amounts.has('plungerPreload')
        ? 'plunger'
        : chosen.amounts.has('topBolt')
          ? 'topLimb'
          : 'arrow',
    action: {
      kind: 'change',
      changes: [...chosen.amounts].map(([control, amount]) => ({ control, amount })),
    },
    doneLabel: 'Done',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}

function remedyKey({ amounts }: Remedy): string {
  return `mend:${[...amounts.keys()].join('+')}`;
}

function isSetAside(state: BowState, key: string): boolean {
  return state.setAside.some(
    (one) => one.moveKey === key && one.at >= (state.sessions.at(-1)?.openedAt ?? ''),
  );
}

function gainWords(state: BowState, remedy: Remedy, response: BareShaftAxis): string {
  const [entry] = remedy.amounts;
  if (entry === undefined) return '';
  const [control, amount] = entry;
  const effect = bareShaftEffect(state, response, remedy.amounts);
  return `Rule of thumb: ${showAmount(control, amount)} of ${CONTROL_FACTS[control].name.toLowerCase()} moves bare shafts ${showNumber(Math.abs(effect.shift), 0)} ± ${showNumber(effect.plusMinus, 0)} mm at ${REFERENCE_DISTANCE_M} m.`;
}

/** Everything the bow has is spent: say so instead of proposing the impossible. */
function nothingLeftMove(axis: 'outward' | 'up', judged: AxisVerdict, state: BowState): Move {
  const cause = (causeOf(axis, judged.call) ?? '').toLowerCase();
  const words = offsetWords(axis, judged, { hand: state.bow.hand, unit: 'cm' }) ?? '';
  return {
    key: `spent:${axis}`,
    step: 'bareShaft',
    title: axis === 'up' ? 'Nocking point is at its limit' : 'Another shaft',
    expect: null,
    why: `Still ${cause}, ${words}, and what this bow can turn is spent or set aside.`,
    reasons: [
      'Weak is cured in the arrow by cutting or a lighter point, stiff by a heavier point; then by another spine.',
    ],
    wouldChange: 'A remedy set aside earlier.',
    caution: 'cutting',
    thenCheck: 'Ask a coach or a bow technician before cutting.',
    place: 'arrow',
    action: { kind: 'nothing' },
    doneLabel: 'Understood',
    runnerUp: null,
    likelyAfter: null,
    stop: false,
  };
}
