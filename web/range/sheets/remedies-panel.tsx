import { movesWords, showAmount } from '#core/craft/controls.ts';
import { sideOf } from '#core/craft/handedness.ts';
import type { Control } from '#core/craft/controls.ts';
import { BARE_SHAFT_AXES, type BareShaftAxis } from '#core/priors/prior-gains.ts';
import { showNumber, showChance } from '#core/quantity/show.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { surerWords } from '#core/words/verdict-words.ts';
import { useNeeded } from '../session/use-needed.ts';
import { presentOutlook } from '#core/bare-shaft/present-outlook.ts';
import { type Remedy, remediesFor, remedyEffect } from '#core/bare-shaft/remedies.ts';
import { sideEffects } from '#core/words/remedy-words.ts';
import { Fractions } from '../../ui/fractions.tsx';
import { missingWords } from '#core/words/limit-words.ts';
import { safeLength } from '#core/limits/safe-length.ts';

const AXIS_NAME: Readonly<Record<BareShaftAxis, string>> = {
  bareShaftUp: 'Up and down',
  bareShaftOutward: 'Across',
};

/** From here on a remedy has little to mend. */
const INSIDE_ENOUGH = 0.9;

/** Every remedy this bow has, weighed: what it would do, how surely, and what it costs. */
export function RemediesPanel({
  state,
  session,
  verdict,
  onMake,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly verdict: BareShaftVerdict;
  readonly onMake: (
    changes: readonly { readonly control: Control; readonly amount: number }[],
    because: string,
  ) => void;
}) {
  const safe = safeLength(state);
  const needed = useNeeded(state, session, verdict);
  const surer = (axis: BareShaftAxis) => {
    const short = axis === 'bareShaftUp' ? 'up' : 'outward';
    return surerWords(short, verdict, needed[short]);
  };
  return (
    <div className="grid gap-6">
      {BARE_SHAFT_AXES.toReversed().map((axis) => (
        <AxisRemedies
          key={axis}
          axis={axis}
          state={state}
          session={session}
          surer={surer(axis)}
          onMake={onMake}
        />
      ))}
      <p className="text-note text-ink-2">
        {safe.kind === 'known'
          ? `Shaft: ${showNumber(Math.floor(safe.leftMm), 0)} mm could still be cut; ${showNumber(Math.ceil(safe.leastMm), 0)} mm is the shortest that is safe at this draw. The saw comes after all that can be taken back and is worth its trouble.`
          : `Shaft: nothing is cut while ${missingWords(safe.missing)}.`}{' '}
        Distances at 18 m. Effects are rules of thumb until this bow has shown its own.
      </p>
    </div>
  );
}

function AxisRemedies({
  axis,
  state,
  session,
  surer,
  onMake,
}: {
  readonly axis: BareShaftAxis;
  readonly state: BowState;
  readonly session: ShootingSession;
  /** What it would take to be sure; null when it is. */
  readonly surer: string | null;
  readonly onMake: Parameters<typeof RemediesPanel>[0]['onMake'];
}) {
  const remedies = remediesFor(state, session, axis);
  const before = presentOutlook(state, session, axis);
  const words = (mm: number) =>
    axis === 'bareShaftUp' ? (mm >= 0 ? 'up' : 'down') : sideOf(mm, state.bow.hand);
  const standingWords = (mm: number) =>
    axis === 'bareShaftUp' ? (mm >= 0 ? 'high' : 'low') : words(mm);
  const { offsetMm, plusMinusMm } = remedyEffect.standing(before);
  return (
    <section aria-label={AXIS_NAME[axis]}>
      <h3 className="border-b border-ink pb-1 font-[640]">
        {AXIS_NAME[axis]}: now {figure(offsetMm, plusMinusMm)} {standingWords(offsetMm)}, inside
        with <span className="whitespace-nowrap">{showChance(before.odds.inside)}</span>
      </h3>
      {surer !== null && <p className="pt-1.5">{surer}</p>}
      {before.odds.inside >= INSIDE_ENOUGH ? (
        <p className="pt-1.5">Inside as it is: nothing here needs mending.</p>
      ) : (
        remedies.length === 0 && <p className="pt-1.5">Nothing this bow has would better it now.</p>
      )}
      <ul>
        {remedies.map((remedy) => (
          <RemedyRow
            key={[...remedy.amounts.keys()].join()}
            remedy={remedy}
            words={words}
            effects={sideEffects(state, remedy)}
            onMake={onMake}
          />
        ))}
      </ul>
    </section>
  );
}

function RemedyRow({
  remedy,
  words,
  effects,
  onMake,
}: {
  readonly remedy: Remedy;
  readonly words: (mm: number) => string;
  readonly effects: readonly string[];
  readonly onMake: Parameters<typeof RemediesPanel>[0]['onMake'];
}) {
  const changes = [...remedy.amounts].map(([control, amount]) => ({ control, amount }));
  const [lead] = changes;
  if (lead === undefined) return null;
  const shift = remedyEffect.shift(remedy);
  return (
    <li className="grid grid-cols-[1fr_auto] items-start gap-x-4 border-b border-faint py-2.5">
      <div>
        <p className="text-lead font-[600]">
          <Fractions text={movesWords(changes)} />
        </p>
        <p>
          Moves bare shafts {figure(shift.shiftMm, shift.plusMinusMm)} {words(shift.shiftMm)};
          inside with{' '}
          <span className="whitespace-nowrap">{showChance(remedy.after.odds.inside)}</span> after
          it.
        </p>
        <p className="text-note text-ink-2">
          {remedy.reversible ? 'Can be taken back' : 'Cannot be taken back'};{' '}
          <Fractions text={showAmount(lead.control, remedy.room)} /> left that way.{' '}
          {shift.changes === 0
            ? 'Rule of thumb.'
            : `Learned from ${shift.changes} ${shift.changes === 1 ? 'change' : 'changes'} on this bow.`}
        </p>
        {effects.map((line) => (
          <p key={line} className="text-note text-ink-2">
            {line}
          </p>
        ))}
      </div>
      <button
        type="button"
        className="link-btn"
        aria-label={`Log ${movesWords(changes)}`}
        onClick={() => onMake(changes, 'Chosen from the remedies.')}
      >
        I did this
      </button>
    </li>
  );
}

function figure(mm: number, plusMinusMm: number): string {
  return `${showNumber(Math.abs(mm) / 10, 1)} ± ${showNumber(plusMinusMm / 10, 1)} cm`;
}
