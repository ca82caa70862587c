import { memo, useMemo, useRef, useSyncExternalStore } from 'react';
import { outwardFromRight, rightFromOutward } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import { isCounted, type Shot } from '#core/log/shooting.ts';
import type { BareShaftVerdict, Landing } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { sideOf } from '#core/craft/handedness.ts';
import { ArrowMark } from '../../drawing/shot-marks.tsx';
import { buttView, type ButtView } from './butt-view.ts';
import { GroupFigures } from './group-figures.tsx';
import type { Plot } from './use-plot.ts';

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
        <Frame view={view} unit={unit} />
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

/** The plot by keys alone: commands, nudges, and figures typed after a letter. */
function usePlotKeys(plot: Plot, hand: Hand): (event: React.KeyboardEvent) => void {
  /** A figure being typed after `a` (degrees of the nock) or `n` (number of the shaft). */
  const typing = useRef<{
    readonly what: 'attitude' | 'number';
    readonly digits: string;
  } | null>(null);
  return (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const arrow = ARROWS[event.key];
    const typed = typing.current;
    if (typed !== null && /^\d$/.test(event.key)) {
      typing.current = { ...typed, digits: typed.digits + event.key };
      event.preventDefault();
      return;
    }
    const figure = typed === null || typed.digits === '' ? null : Number(typed.digits);
    typing.current = null;
    if (event.key === 'a' || event.key === 'n') {
      typing.current = { what: event.key === 'a' ? 'attitude' : 'number', digits: '' };
    } else if (typed?.what === 'number' && event.key === 'Enter') {
      if (figure !== null && figure >= 1) plot.setArrowNumber(Math.min(99, figure));
    } else if (arrow !== undefined && typed?.what === 'attitude' && figure !== null) {
      const degrees = Math.min(45, figure);
      plot.setAttitude(
        arrow.right === 0
          ? { upDeg: arrow.up * degrees }
          : { outwardDeg: outwardFromRight(arrow.right * degrees, hand) },
      );
    } else if (arrow !== undefined) {
      const mm = event.shiftKey ? 10 : 1;
      plot.nudge(outwardFromRight(arrow.right * mm, hand), arrow.up * mm);
    } else if (!command(event.key, plot)) return;
    event.preventDefault();
  };
}

/** A label nearer the top edge than this would be cut. */
const HALF_LABEL_PX = 7;

const ARROWS: Readonly<Record<string, { readonly right: number; readonly up: number }>> = {
  ArrowLeft: { right: -1, up: 0 },
  ArrowRight: { right: 1, up: 0 },
  ArrowUp: { right: 0, up: 1 },
  ArrowDown: { right: 0, up: -1 },
};

/** Single-key commands of the focused plot; true when the key was one. */
function command(key: string, plot: Plot): boolean {
  switch (key) {
    case 'f':
      plot.setArrow('fletched');
      return true;
    case 'b':
      plot.setArrow('bare');
      return true;
    case 'h':
      plot.setArrow('broadhead');
      return true;
    case 't':
      plot.setArrow('targetPoint');
      return true;
    case 'c':
      plot.toggleBad();
      return true;
    case 'u':
      plot.undoLast();
      return true;
    case 'e':
      plot.nextEnd();
      return true;
    case ',':
      plot.step(-1);
      return true;
    case '.':
      plot.step(1);
      return true;
    case 'Enter':
      plot.place([{ outwardMm: plot.selected?.outwardMm ?? 0, upMm: plot.selected?.upMm ?? 0 }]);
      return true;
    default:
      return false;
  }
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

function Frame({ view, unit }: { readonly view: ButtView; readonly unit: string }) {
  const { width, height } = view;
  return (
    <g aria-hidden>
      <rect x={0} y={0} width={width} height={height} fill="transparent" />
      {view.ticksY
        .filter((tick) => tick.label !== null)
        .map((tick) => (
          <path key={tick.at} className="s-faint" d={`M0 ${tick.at}H${width}`} />
        ))}
      <path className="s-thin" d={`M0 0V${height}H${width}`} />
      <path
        className="s-dim"
        d={
          view.ticksX
            .map((tick) => `M${tick.at} ${height}v${tick.label === null ? 4 : 9}`)
            .join('') +
          view.ticksY.map((tick) => `M0 ${tick.at}h${tick.label === null ? -4 : -9}`).join('')
        }
      />
      {view.ticksX.map((tick, index) => {
        if (tick.label === null) return null;
        const label = index > view.ticksX.length - 6 ? `${tick.label} ${unit}` : tick.label;
        // The last one has the unit, and stays inside where its tick stands at the edge.
        const isCut = tick.at > width - LABEL_CHARACTER_PX * label.length;
        return (
          <text
            key={tick.at}
            className="t-note"
            x={isCut ? width : tick.at}
            y={height + 22}
            textAnchor={isCut ? 'end' : 'middle'}
          >
            {label}
          </text>
        );
      })}
      {view.ticksY.map(
        (tick) =>
          tick.label !== null &&
          tick.at > HALF_LABEL_PX && (
            <text key={tick.at} className="t-note" x={-13} y={tick.at + 4} textAnchor="end">
              {tick.label}
            </text>
          ),
      )}
    </g>
  );
}

/** Half a character of a label, about. */
const LABEL_CHARACTER_PX = 4;

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
