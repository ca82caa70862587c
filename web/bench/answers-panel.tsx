import type { Control } from '#core/craft/controls.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import type { StepId } from '#core/craft/steps.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { gainWords } from '#core/words/gain-words.ts';
import { Fractions } from '../ui/fractions.tsx';

/** Which of the bow's own answers bear on each step. */
const ANSWERS: Partial<Record<StepId, readonly (readonly [ReadingKind, Control])[]>> = {
  drawWeight: [
    ['drawWeight', 'topBolt'],
    ['drawWeight', 'bottomBolt'],
    ['drawWeight', 'twists'],
  ],
  roughBrace: [
    ['braceHeight', 'twists'],
    ['braceHeight', 'topBolt'],
    ['braceHeight', 'bottomBolt'],
  ],
  roughTiller: [
    ['tillerTop', 'topBolt'],
    ['tillerBottom', 'bottomBolt'],
  ],
  limbLine: [
    ['limbLineTop', 'topSideScrews'],
    ['limbLineBottom', 'bottomSideScrews'],
  ],
  nockingPoint: [['nockingHeight', 'nockingPoint']],
  centreShot: [['centreShotAtPoint', 'plungerReach']],
};

/** How this bow answers: its learned gains, each with its uncertainty and how many changes stand behind. */
export function AnswersPanel({ state, step }: { readonly state: BowState; readonly step: StepId }) {
  const words = (ANSWERS[step] ?? [])
    .map(([kind, control]) => gainWords(state, kind, control))
    .filter((one) => one !== null);
  if (words.length === 0) return null;
  return (
    <section
      aria-label="How this bow answers"
      className="mt-4 border-t border-faint pt-3"
      data-testid="answers"
    >
      <h3 className="label">How this bow answers, ± nine times in ten</h3>
      <ul className="mt-1 grid gap-1">
        {words.map((line) => (
          <li key={line}>
            <Fractions text={`${upperFirst(line)}.`} />
          </li>
        ))}
      </ul>
    </section>
  );
}
