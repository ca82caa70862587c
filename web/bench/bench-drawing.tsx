import { throatBraceMm } from '#core/craft/brace-reference.ts';
import { useMemo } from 'react';
import { presentReading } from '#core/gains/present-reading.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Move } from '#core/advice/move.ts';
import { targetFor } from '#core/setup/targets.ts';
import { useEased } from '../drawing/use-eased.ts';
import { bowSide, type BowSideView, typicalSide } from '../drawing/bow-side.ts';
import { BowFigure } from '../drawing/bow-figure.tsx';
import { Gauge } from '../drawing/gauge.tsx';
import { NockDetail } from './nock-detail.tsx';
import { DrawnReading, Leader } from './drawn-reading.tsx';
import { readingView, tillerView } from './reading-view.ts';
import { SHEET, sheetX, threadPath } from './sheet.ts';

/** The side sight: the bow to scale from its own numbers, readings on its dimensions. */
export function BenchDrawing({
  state,
  move,
  onReading,
}: {
  readonly state: BowState;
  readonly move: Move | null;
  readonly onReading: (kind: ReadingKind) => void;
}) {
  const { bow } = state;
  const target = targetFor(state, 'braceHeight');
  const typical = typicalSide(
    bow,
    target === null ? 200 : throatBraceMm(bow, (target.low + target.high) / 2),
  );
  const valueOf = (kind: ReadingKind, otherwise: number) =>
    presentReading(state, kind)?.value ?? otherwise;
  const read = presentReading(state, 'braceHeight')?.value;
  // Riser and limbs are drawn from the throat, whatever the brace is read to.
  const braceMm = useEased(read === undefined ? typical.braceMm : throatBraceMm(bow, read));
  const tillerShift = braceMm - typical.braceMm;
  const tillerTopMm = useEased(valueOf('tillerTop', typical.tillerTopMm + tillerShift));
  const tillerBottomMm = useEased(valueOf('tillerBottom', typical.tillerBottomMm + tillerShift));
  const nockingMm = valueOf('nockingHeight', typical.nockingMm);
  const pxPerIn = SHEET.halfHeightPx / (bow.amoLengthIn * 0.472);
  // The riser stays where it is; the string comes and goes with the brace height.
  const slackPx = ((typical.braceMm - braceMm) / 25.4) * pxPerIn;
  const stringX = sheetX(SHEET.stringX + slackPx, bow.hand);
  const view = useMemo(
    () =>
      bowSide(
        {
          bowKind: bow.bowKind,
          amoLengthIn: bow.amoLengthIn,
          hand: bow.hand,
          braceMm,
          tillerTopMm,
          tillerBottomMm,
          nockingMm,
          arrowLengthMm: bow.arrow?.lengthMm ?? typical.arrowLengthMm,
        },
        { stringX, middleY: SHEET.middleY, pxPerIn },
      ),
    [bow, braceMm, tillerTopMm, tillerBottomMm, nockingMm, stringX, pxPerIn, typical.arrowLengthMm],
  );
  const beyondPx = ((braceMm - throatBraceMm(bow, braceMm)) / 25.4) * pxPerIn;
  const brace = readingView(state, 'braceHeight');
  const top = readingView(state, 'tillerTop');
  const bottom = readingView(state, 'tillerBottom');
  const weight = readingView(state, 'drawWeight');
  const nocking = readingView(state, 'nockingHeight');
  const tiller = tillerView(state);
  const block = (from: number, width: number) =>
    bow.hand === 'left' ? from : SHEET.width - from - width;
  const wide = block(356, 232);
  const narrow = block(8, 150);

  return (
    <svg
      viewBox={`0 0 ${SHEET.width} ${SHEET.height}`}
      className="h-full max-h-full w-full"
      preserveAspectRatio="xMidYMin"
      role="group"
      aria-label={`Side sight of ${bow.name}, drawn to scale, ${bow.hand}-handed`}
      data-brace-mm={braceMm.toFixed(1)}
    >
      {move !== null && (
        <path className="s-accent" d={threadPath(move.place, bow.hand)} data-testid="thread" />
      )}
      <ScaleBar x={narrow} y={62} pxPerIn={pxPerIn} inches={bow.lengthUnit === 'in'} />
      {view === null ? (
        <text x={stringX} y={SHEET.middleY} textAnchor="middle">
          These readings cannot belong to one bow: check brace and tiller.
        </text>
      ) : (
        <>
          <BowFigure view={view} />
          <Leaders view={view} stringX={stringX} beyondPx={beyondPx} hand={bow.hand} />
          <circle className="s-thin" cx={view.nock[0]} cy={view.nock[1]} r={13} />
          <text
            x={view.nock[0] + (bow.hand === 'left' ? -24 : 24)}
            y={view.nock[1] + 24}
            textAnchor="middle"
            className="t-strong"
          >
            A
          </text>
          {move?.place === 'string' && <TwistSign x={stringX} y={589} />}
        </>
      )}
      <DrawnReading view={top} x={wide} y={124} width={232} onReading={onReading} />
      <DrawnReading view={brace} x={wide} y={361} width={232} onReading={onReading} />
      {brace.gauge !== null && <Gauge gauge={brace.gauge} x={wide + 10} y={446} width={212} />}
      <DrawnReading
        view={bottom}
        x={wide}
        y={490}
        width={232}
        onReading={onReading}
        right={tiller ?? undefined}
      />
      {tiller?.gauge != null && <Gauge gauge={tiller.gauge} x={wide + 10} y={586} width={212} />}
      <DrawnReading view={weight} x={narrow} y={236} width={150} onReading={onReading} stacked />
      {weight.gauge !== null && <Gauge gauge={weight.gauge} x={narrow + 8} y={362} width={130} />}
      <NockDetail x={block(18, 104)} y={405} nockingMm={nockingMm} hand={bow.hand} />
      <DrawnReading view={nocking} x={narrow} y={532} width={150} onReading={onReading} stacked />
      {nocking.gauge !== null && <Gauge gauge={nocking.gauge} x={narrow + 8} y={628} width={130} />}
    </svg>
  );
}

/** From each dimension of the bow to the reading that stands on it. */
function Leaders({
  view,
  stringX,
  beyondPx,
  hand,
}: {
  readonly view: BowSideView;
  readonly stringX: number;
  /** How far past the throat brace is read, px. */
  readonly beyondPx: number;
  readonly hand: Hand;
}) {
  const [from, end] = [sheetX(356, hand), sheetX(588, hand)];
  const [throatX, throatY] = view.throat;
  const reference = [throatX + beyondPx * Math.sign(throatX - stringX), throatY] as const;
  const rows = [
    [view.topRoot, 174],
    [reference, 411],
    [view.bottomRoot, 540],
  ] as const;
  return rows.map(([dimension, y]) => (
    <Leader
      key={y}
      from={[stringX, dimension[1]]}
      dimension={dimension}
      under={[from, y]}
      end={end}
    />
  ));
}

function ScaleBar({
  x,
  y,
  pxPerIn,
  inches,
}: {
  readonly x: number;
  readonly y: number;
  readonly pxPerIn: number;
  readonly inches: boolean;
}) {
  const unitPx = inches ? pxPerIn : pxPerIn / 2.54;
  const count = inches ? 12 : 30;
  const step = inches ? 1 : 5;
  const marks = Array.from({ length: count / step + 1 }, (_, index) => index * step);
  return (
    <g aria-hidden>
      <path
        className="s-dim"
        d={marks
          .map((mark) => `M${x + mark * unitPx} ${y}v${-(mark % (3 * step) === 0 ? 7 : 4)}`)
          .join('')}
      />
      <path className="s-thin" d={`M${x} ${y}h${count * unitPx}`} />
      <text className="t-note" x={x} y={y + 15}>
        0
      </text>
      <text className="t-note" x={x + count * unitPx} y={y + 15} textAnchor="end">
        {inches ? '12 in' : '30 cm'}
      </text>
    </g>
  );
}

function TwistSign({ x, y }: { readonly x: number; readonly y: number }) {
  return (
    <path
      className="s-accent-out"
      d={`M${x + 6} ${y - 4}A12 5.500 0 1 0 ${x + 7} ${y + 4}M${x + 1} ${y + 7}l6.500 -3 -2 -6.500`}
      style={{ strokeWidth: 'var(--w-bold)' }}
      aria-hidden
    />
  );
}
