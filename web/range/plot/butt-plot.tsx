import { memo, useMemo, useSyncExternalStore } from 'react';
import { rightFromOutward, sideOf } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import { isCounted, type Shot } from '#core/log/shooting.ts';
import type { BareShaftVerdict, Landing } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { ArrowMark } from '../../drawing/shot-marks.tsx';
import { buttView, type ButtView } from './butt-view.ts';
import { ButtFrame } from './butt-frame.tsx';
import { GroupFigures } from './group-figures.tsx';
import type { Plot } from './use-plot.ts';
import { usePlotKeys } from './use-plot-keys.ts';

const PX_PER_DEGREE = 8;
const MARGIN = { left: 40, bottom: 30 } as const;

/** The butt as the archer sees it: tap to place, arrows to nudge, groups and offset drawn live. */
export function ButtPlot({
  plot,
  verdict,
  landing,
  grouped,
  speakingIds,
  hand,
  unit,
  halfRangeMm,
  size,
}: {
  readonly plot: Plot;
  readonly verdict: BareShaftVerdict | null;
  /** Where bare shafts are meant to land from the fletched; null: on them. */
  readonly landing: Landing | null;
  /** False where shots of different distances hang on one butt: they are no group. */
  readonly grouped: boolean;
  /** Shots that still speak for at least one axis; the others are drawn thin. */
  readonly speakingIds: ReadonlySet<string>;
  readonly hand: Hand;
  readonly unit: 'cm' | 'in';
  readonly halfRangeMm: number;
  readonly size: { readonly width: number; readonly height: number };
}) {
  const onKey = usePlotKeys(plot, hand);
  const view = useMemo(
    () => buttView(size.width - MARGIN.left, size.height - MARGIN.bottom, halfRangeMm, hand, unit),
    [size.width, size.height, halfRangeMm, hand, unit],
  );
  const shots = plot.session?.shots ?? [];

  return (
    <svg
      viewBox={`0 0 ${size.width} ${size.height}`}
      className="block w-full touch-manipulation"
      role="application"
      tabIndex={0}
      aria-label={plotWords(plot, hand, unit)}
      data-testid="plot"
      data-half-range-mm={halfRangeMm}
      onKeyDown={onKey}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const x = ((event.clientX - box.left) / box.width) * size.width - MARGIN.left;
        const y = ((event.clientY - box.top) / box.height) * size.height;
        if (x < 0 || y > view.height) return;
        const sheet = event.currentTarget;
        plot.tap(view.toButt(x, y));
        // Taking the focus lays the page out anew: after the mark has been drawn.
        requestAnimationFrame(() => sheet.focus({ preventScroll: true }));
      }}
    >
      <g transform={`translate(${MARGIN.left} 0)`}>
        <ButtFrame view={view} unit={unit} />
        <TapeCross x={view.x(0)} y={view.y(0)} />
        <LiveFigures
          plot={plot}
          view={view}
          shots={grouped ? shots.filter((shot) => speakingIds.has(shot.shotId)) : null}
          verdict={verdict}
          landing={landing}
          hand={hand}
          unit={unit}
          dimensions={size.width > 500}
        />
        {shots.map((shot) => (
          <ShotMark
            key={shot.shotId}
            shot={shot}
            view={view}
            hand={hand}
            old={!speakingIds.has(shot.shotId)}
          />
        ))}
        {shots
          .filter((shot) => verdict?.farOutShotIds.includes(shot.shotId) === true)
          .map((shot) => (
            <text
              key={shot.shotId}
              className="t-strong"
              x={view.x(shot.outwardMm) + 11}
              y={view.y(shot.upMm) - 8}
            >
              ?
            </text>
          ))}
        {shots.map(
          (shot) =>
            shot.arrowNumber !== null && (
              <text
                key={shot.shotId}
                className="t-note"
                x={view.x(shot.outwardMm) + 9}
                y={view.y(shot.upMm) + 14}
                aria-hidden
              >
                {shot.arrowNumber}
              </text>
            ),
        )}
        {plot.selected !== null && <Selection shot={plot.selected} view={view} />}
      </g>
    </svg>
  );
}

/** Groups and offset, and the shots just tapped: redrawn with every tap, before it is logged. */
function LiveFigures({
  plot,
  view,
  shots,
  ...rest
}: {
  readonly plot: Plot;
  readonly view: ButtView;
  /** Null where the shots are no group. */
  readonly shots: readonly Shot[] | null;
} & Pick<
  Parameters<typeof GroupFigures>[0],
  'verdict' | 'landing' | 'hand' | 'unit' | 'dimensions'
>) {
  const fresh = useSyncExternalStore(plot.fresh.subscribe, plot.fresh.now);
  const tapped = fresh.map(({ outwardMm, upMm, arrow }) => ({
    outwardMm,
    upMm,
    arrow,
    calledBad: false,
    setAside: false,
  }));
  return (
    <>
      {shots !== null && <GroupFigures view={view} shots={[...shots, ...tapped]} {...rest} />}
      {tapped.map(({ arrow, outwardMm, upMm }, index) => (
        <g key={index} data-fresh>
          <ArrowMark arrow={arrow} x={view.x(outwardMm)} y={view.y(upMm)} />
        </g>
      ))}
    </>
  );
}

const ShotMark = memo(function ShotMark({
  shot,
  view,
  hand,
  old,
}: {
  readonly shot: Shot;
  readonly view: ButtView;
  readonly hand: Hand;
  readonly old: boolean;
}) {
  const x = view.x(shot.outwardMm);
  const y = view.y(shot.upMm);
  return (
    <ArrowMark
      arrow={shot.arrow}
      x={x}
      y={y}
      bad={!isCounted(shot)}
      old={old}
      tailX={rightFromOutward(shot.attitude?.outwardDeg ?? 0, hand) * PX_PER_DEGREE}
      tailY={-(shot.attitude?.upDeg ?? 0) * PX_PER_DEGREE}
    />
  );
});

function Selection({ shot, view }: { readonly shot: Shot; readonly view: ButtView }) {
  const x = view.x(shot.outwardMm);
  const y = view.y(shot.upMm);
  const corner = (dx: number, dy: number) =>
    `M${x + dx * 15} ${y + dy * 9}V${y + dy * 15}H${x + dx * 9}`;
  return (
    <path
      className="s-thin"
      d={corner(-1, -1) + corner(1, -1) + corner(-1, 1) + corner(1, 1)}
      aria-hidden
    />
  );
}

/** The aimed mark: a cross of tape, since a bare butt has no rings. */
function TapeCross({ x, y }: { readonly x: number; readonly y: number }) {
  return (
    <path
      className="s-thin"
      d={`M${x - 3} ${y - 13}h6v10h10v6h-10v10h-6v-10h-10v-6h10Z`}
      aria-hidden
    />
  );
}

function plotWords(plot: Plot, hand: Hand, unit: 'cm' | 'in'): string {
  const { selected } = plot;
  const mode = `End ${plot.endNumber}, ${plot.arrow}.`;
  if (selected === null) return `Butt. ${mode} Enter places a shot, arrow keys move it.`;
  const across = `${showButtDistance(selected.outwardMm, unit)} ${sideOf(selected.outwardMm, hand)}`;
  const height = `${showButtDistance(selected.upMm, unit)} ${selected.upMm >= 0 ? 'high' : 'low'}`;
  return `Butt. ${mode} Shot in hand: ${selected.arrow}${selected.arrowNumber === null ? '' : ` ${selected.arrowNumber}`}, ${across}, ${height}${selected.calledBad ? ', called bad' : selected.setAside ? ', of a shaft set aside' : ''}.`;
}
