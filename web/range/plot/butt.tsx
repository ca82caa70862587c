import { useState } from 'react';
import { sessionLanding } from '#core/bare-shaft/bare-shaft-evidence.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { SESSION_KIND_FACTS } from '#core/craft/session-kinds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { useSettings } from '../../theme/use-settings.ts';
import { useNarrow } from '../../ui/use-narrow.ts';
import { ButtPlot } from './butt-plot.tsx';
import { fittingHalfRange, zoomed } from './butt-view.ts';
import { NudgePad, PlotButtons } from './plot-buttons.tsx';
import type { Plot } from './use-plot.ts';

const WIDE_SHEET = { width: 640, height: 600 } as const;
const NARROW_SHEET = { width: 390, height: 300 } as const;

/** The plot with its buttons, over it or under the thumb. */
export function Butt({
  plot,
  verdict,
  state,
  speakingIds,
}: {
  readonly plot: Plot;
  readonly verdict: BareShaftVerdict | null;
  readonly state: BowState;
  readonly speakingIds: ReadonlySet<string>;
}) {
  const narrow = useNarrow();
  const unit = useSettings().buttUnit;
  const [zoomMm, setZoomMm] = useState<number | null>(null);
  const { session } = plot;
  const { hand } = state.bow;
  const halfRangeMm = Math.max(
    zoomMm ?? 0,
    zoomMm === null ? fittingHalfRange(session?.shots ?? []) : 0,
  );
  const zoom = (way: -1 | 1) => setZoomMm(zoomed(halfRangeMm, way));
  return (
    <>
      {!narrow && <PlotButtons plot={plot} onZoom={zoom} />}
      <ButtPlot
        plot={plot}
        verdict={verdict}
        landing={
          state.landing === null || verdict === null || session === null
            ? null
            : sessionLanding(state, session)
        }
        grouped={session === null || SESSION_KIND_FACTS[session.sessionKind].isOneGroup}
        speakingIds={speakingIds}
        hand={hand}
        unit={unit}
        halfRangeMm={halfRangeMm}
        size={narrow ? NARROW_SHEET : WIDE_SHEET}
      />
      {narrow && <PlotButtons plot={plot} onZoom={zoom} />}
      {narrow && <NudgePad plot={plot} hand={hand} onZoom={zoom} />}
    </>
  );
}
