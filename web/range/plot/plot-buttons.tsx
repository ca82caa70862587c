import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Undo2, ZoomIn, ZoomOut } from 'lucide-react';
import { outwardFromRight } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { ARROW_SHORT, PROOF_POINTS } from '#core/craft/range-terms.ts';
import { DropdownMenu } from 'radix-ui';
import { ArrowMark, BareMark, FletchedMark } from '../../drawing/shot-marks.tsx';
import type { Plot } from './use-plot.ts';

const CELL =
  'grid min-h-16 flex-1 place-items-center content-center gap-1 border-t-4 border-transparent text-row aria-pressed:border-ink aria-pressed:font-[680] @tablet:min-h-11 @tablet:flex-none @tablet:grid-flow-col @tablet:gap-2 @tablet:border-t-0 @tablet:border-b-2 @tablet:px-3';

/** Everything the plot's keys do, for a thumb. */
export function PlotButtons({
  plot,
  onZoom,
}: {
  readonly plot: Plot;
  readonly onZoom: (way: -1 | 1) => void;
}) {
  return (
    <div
      role="toolbar"
      aria-label="Plotting"
      className="flex items-stretch border-y border-ink @tablet:flex-wrap @max-tablet:divide-x @max-tablet:divide-faint @tablet:border-t-0"
    >
      <button
        type="button"
        className={CELL}
        aria-pressed={plot.arrow === 'fletched'}
        onClick={() => plot.setArrow('fletched')}
      >
        <svg width={26} height={24} viewBox="-13 -12 26 24" aria-hidden>
          <FletchedMark x={0} y={2} />
        </svg>
        Fletched
      </button>
      {plot.session?.sessionKind === 'proof' ? (
        PROOF_POINTS.map((point) => (
          <button
            key={point}
            type="button"
            className={CELL}
            aria-pressed={plot.arrow === point}
            onClick={() => plot.setArrow(point)}
          >
            <svg width={26} height={24} viewBox="-13 -12 26 24" aria-hidden>
              <ArrowMark arrow={point} x={0} y={1} size={7} />
            </svg>
            {point === 'targetPoint' ? 'Target' : ARROW_SHORT[point]}
          </button>
        ))
      ) : (
        <>
          <button
            type="button"
            className={CELL}
            aria-pressed={plot.arrow === 'bare'}
            onClick={() => plot.setArrow('bare')}
          >
            <svg width={26} height={24} viewBox="-13 -12 26 24" aria-hidden>
              <BareMark x={0} y={0} />
            </svg>
            Bare
          </button>
          <PointsMenu plot={plot} />
        </>
      )}
      <button
        type="button"
        className={CELL}
        aria-pressed={plot.selected?.calledBad === true}
        disabled={plot.selected === null}
        onClick={plot.toggleBad}
      >
        <svg width={26} height={24} viewBox="-13 -12 26 24" aria-hidden>
          <FletchedMark x={0} y={2} bad size={7} />
        </svg>
        Called bad
      </button>
      <button type="button" className={CELL} onClick={plot.undoLast}>
        <Undo2 size={22} strokeWidth={1.6} aria-hidden />
        Undo
      </button>
      <span className="ml-auto hidden shrink-0 @tablet:flex">
        <button
          type="button"
          className="grid size-11 place-items-center"
          aria-label="Closer"
          onClick={() => onZoom(-1)}
        >
          <ZoomIn size={20} strokeWidth={1.6} aria-hidden />
        </button>
        <button
          type="button"
          className="grid size-11 place-items-center"
          aria-label="Wider"
          onClick={() => onZoom(1)}
        >
          <ZoomOut size={20} strokeWidth={1.6} aria-hidden />
        </button>
      </span>
    </div>
  );
}

/** Points for use are shot for proof, seldom: they share one place. */
function PointsMenu({ plot }: { readonly plot: Plot }) {
  const inHand = PROOF_POINTS.find((arrow) => arrow === plot.arrow);
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={CELL} aria-pressed={inHand !== undefined}>
        <svg width={26} height={24} viewBox="-13 -12 26 24" aria-hidden>
          <ArrowMark arrow={inHand ?? 'broadhead'} x={0} y={1} size={7} />
        </svg>
        {inHand === undefined ? 'Points' : ARROW_SHORT[inHand]}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="sheet-panel z-50 py-2" align="start">
          {PROOF_POINTS.map((arrow) => (
            <DropdownMenu.Item
              key={arrow}
              className="flex min-h-11 items-center gap-3 px-4 data-[highlighted]:bg-ink data-[highlighted]:text-sheet"
              onSelect={() => plot.setArrow(arrow)}
            >
              {ARROW_SHORT[arrow]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
/** Which numbered shaft the shot in hand was. */
function NumberField({ plot }: { readonly plot: Plot }) {
  const { selected } = plot;
  return (
    <label className="flex items-center gap-2 text-note">
      <span className="text-ink-2">Shaft no.</span>
      <input
        key={selected?.shotId ?? 'none'}
        className="field w-14! text-center"
        inputMode="numeric"
        maxLength={2}
        disabled={selected === null}
        defaultValue={selected?.arrowNumber ?? ''}
        onChange={(event) => {
          const number = Number(event.target.value);
          if (Number.isInteger(number) && number >= 1) plot.setArrowNumber(number);
        }}
      />
    </label>
  );
}

/** Nudging and nock attitude of the shot in hand, by thumb. */
export function NudgePad({
  plot,
  hand,
  onZoom,
}: {
  readonly plot: Plot;
  readonly hand: Hand;
  readonly onZoom: (way: -1 | 1) => void;
}) {
  const nudge = (right: number, up: number) => plot.nudge(outwardFromRight(right, hand), up);
  const arrows = [
    { name: 'left', icon: ArrowLeft, right: -1, up: 0 },
    { name: 'right', icon: ArrowRight, right: 1, up: 0 },
    { name: 'up', icon: ArrowUp, right: 0, up: 1 },
    { name: 'down', icon: ArrowDown, right: 0, up: -1 },
  ] as const;
  const attitude = plot.selected?.attitude;
  return (
    <div className="border-b border-faint">
      <div className="flex items-center">
        {arrows.map(({ name, icon: Icon, right, up }) => (
          <button
            key={name}
            type="button"
            className="grid size-14 place-items-center"
            aria-label={`Nudge ${name} 1 mm`}
            disabled={plot.selected === null}
            onClick={(event) =>
              nudge(right * (event.shiftKey ? 10 : 1), up * (event.shiftKey ? 10 : 1))
            }
          >
            <Icon size={24} strokeWidth={1.6} aria-hidden />
          </button>
        ))}
        <span className="ml-3">
          <NumberField plot={plot} />
        </span>
        <span className="ml-auto flex @tablet:hidden">
          <button
            type="button"
            className="grid size-14 place-items-center"
            aria-label="Closer"
            onClick={() => onZoom(-1)}
          >
            <ZoomIn size={22} strokeWidth={1.6} aria-hidden />
          </button>
          <button
            type="button"
            className="grid size-14 place-items-center"
            aria-label="Wider"
            onClick={() => onZoom(1)}
          >
            <ZoomOut size={22} strokeWidth={1.6} aria-hidden />
          </button>
        </span>
      </div>
      {plot.selected?.arrow === 'bare' && (
        <div
          className="flex flex-wrap items-center gap-x-1 pb-1 text-note"
          role="group"
          aria-label="Where the nock points"
        >
          <span className="text-ink-2">Nock points</span>
          {arrows.map(({ name, icon: Icon, right, up }) => (
            <button
              key={name}
              type="button"
              className="grid size-11 place-items-center"
              aria-label={`Nock 1 degree ${name}`}
              onClick={() =>
                plot.setAttitude({
                  outwardDeg: (attitude?.outwardDeg ?? 0) + outwardFromRight(right, hand),
                  upDeg: (attitude?.upDeg ?? 0) + up,
                })
              }
            >
              <Icon size={18} strokeWidth={1.6} aria-hidden />
            </button>
          ))}
          <span>1° a tap</span>
        </div>
      )}
    </div>
  );
}
