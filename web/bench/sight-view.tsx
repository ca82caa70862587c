import type { ReadingKind } from '#core/craft/readings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Move } from '#core/advice/move.ts';
import { LyingBow } from '../drawing/lying-bow.tsx';
import { AboveDrawing } from './above-drawing.tsx';
import { BehindDrawing } from './behind-drawing.tsx';
import { BenchDrawing } from './bench-drawing.tsx';
import { drawnReadings } from './drawn-readings.ts';
import { type Sight, SIGHT_LABEL, SIGHTS } from './sights.ts';

/** Which way the bow is looked at. */
export function SightTabs({
  sight,
  onSight,
}: {
  readonly sight: Sight;
  readonly onSight: (sight: Sight) => void;
}) {
  return (
    <div
      role="group"
      aria-label="Sight"
      className="flex gap-5 @wide:absolute @wide:top-3 @wide:left-1 @wide:z-10"
    >
      {SIGHTS.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === sight}
          className="min-h-11 border-b-2 border-transparent text-plain aria-pressed:border-ink aria-pressed:font-[680] @wide:min-h-8"
          onClick={() => onSight(one)}
        >
          {SIGHT_LABEL[one]}
        </button>
      ))}
    </div>
  );
}

/** The drawing of a sight; on a phone the side sight lies down and its readings stand below it. */
export function SightDrawing({
  state,
  move,
  sight,
  narrow,
  onReading,
}: {
  readonly state: BowState;
  readonly move: Move | null;
  readonly sight: Sight;
  readonly narrow: boolean;
  readonly onReading: (kind: ReadingKind) => void;
}) {
  switch (sight) {
    case 'side':
      return narrow ? (
        <LyingBow bow={state.bow} readings={drawnReadings(state)} />
      ) : (
        <BenchDrawing state={state} move={move} onReading={onReading} />
      );
    case 'behind':
      return (
        <BehindDrawing
          state={state}
          move={narrow ? null : move}
          narrow={narrow}
          onReading={onReading}
        />
      );
    case 'above':
      return (
        <AboveDrawing
          state={state}
          move={narrow ? null : move}
          narrow={narrow}
          onReading={onReading}
        />
      );
  }
}
