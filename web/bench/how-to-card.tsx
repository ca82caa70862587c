import { CAUTIONS } from '#core/craft/cautions.ts';
import { lowerFirst } from '#core/craft/letter-case.ts';
import { howToRead, READ_AGAIN, READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { learnedGains } from '#core/gains/learned-gains.ts';
import { presentSpread } from '#core/gains/repeatability.ts';
import { showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { HowToDrawing } from '../drawing/how-to-drawing.tsx';
import { Fractions } from '../ui/fractions.tsx';

/** How to take one reading: its drawing, where the tool sits, how well it repeats, its caution. */
export function HowToCard({
  kind,
  state,
  tool,
  onTool,
}: {
  readonly kind: ReadingKind;
  readonly state: BowState;
  /** Set where a reading is about to be entered. */
  readonly tool?: string;
  readonly onTool?: (tool: string) => void;
}) {
  const facts = READINGS[kind];
  return (
    <div className="grid gap-1.5">
      <HowToDrawing kind={kind} hand={state.bow.hand} />
      <p className="text-row">{howToRead(kind, state.bow.school)}</p>
      <p className="text-note text-ink-2">Measured from: {facts.datum}.</p>
      <p className="text-note text-ink-2">
        <Fractions text={spreadWords(state, kind)} />
      </p>
      <p className="text-note text-ink-2">{READ_AGAIN}</p>
      {kind === 'drawWeight' && <p className="text-note">{CAUTIONS.scale}</p>}
      {onTool !== undefined && (
        <label className="text-note text-ink-2">
          Tool in hand
          <input
            className="field text-plain"
            value={tool}
            maxLength={40}
            placeholder="which square, which scale"
            onChange={(event) => onTool(event.target.value)}
          />
        </label>
      )}
    </div>
  );
}

/** `Repeats to 0.5 mm with this hand and tool, from 12 repeats.` or the typical figure. */
function spreadWords(state: BowState, kind: ReadingKind): string {
  const { sd, learnedFrom } = presentSpread(state, kind, learnedGains(state).repeatability);
  const force = READINGS[kind].quantity === 'force';
  const figure = force ? `${showNumber(fromStored(sd, 'lb'), 2)} lb` : `${showNumber(sd, 1)} mm`;
  const name = lowerFirst(READINGS[kind].name);
  return learnedFrom === 0
    ? `One reading of ${name} usually repeats to ${figure}; yours is learned from repeats.`
    : `Repeats to ${figure} with this hand and tool, from ${learnedFrom} ${learnedFrom === 1 ? 'repeat' : 'repeats'}. Less is no change.`;
}
