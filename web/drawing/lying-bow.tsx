import { BOW_KIND_LABEL, type BowKind, type Hand } from '#core/craft/bow-terms.ts';
import { startingBraceBand } from '#core/priors/starting-values.ts';
import { BowFigure } from './bow-figure.tsx';
import { bowSide, typicalSide } from './bow-side.ts';

/** All bows on one scale: a 58 in bow is seen to be shorter than a 70. */
const PX_PER_IN = 4.3;
const WIDTH = 300;
const HEIGHT = 64;

/** Readings a bow is drawn from; what is not known is drawn typical. */
export interface DrawnReadings {
  readonly braceMm: number | null;
  readonly tillerTopMm: number | null;
  readonly tillerBottomMm: number | null;
}

/** The bow lying down, string below; a right-hander's is the mirror of a left-hander's. */
export function LyingBow({
  bow,
  readings,
  inParts = false,
}: {
  readonly bow: { readonly bowKind: BowKind; readonly amoLengthIn: number; readonly hand: Hand };
  readonly readings: DrawnReadings;
  readonly inParts?: boolean;
}) {
  const band = startingBraceBand(bow.bowKind, bow.amoLengthIn);
  const typical = typicalSide(bow, readings.braceMm ?? (band.low + band.high) / 2);
  const view = bowSide(
    {
      ...typical,
      tillerTopMm: readings.tillerTopMm ?? typical.tillerTopMm,
      tillerBottomMm: readings.tillerBottomMm ?? typical.tillerBottomMm,
    },
    { stringX: 0, middleY: 0, pxPerIn: PX_PER_IN },
  );
  const turn = bow.hand === 'left' ? -90 : 90;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-75 @max-tablet:max-w-full"
      role="img"
      aria-label={`${bow.amoLengthIn} inch ${BOW_KIND_LABEL[bow.bowKind]}, drawn to scale`}
    >
      {view !== null && (
        <g transform={`translate(${WIDTH / 2} ${HEIGHT - 8}) rotate(${turn})`}>
          {inParts ? (
            <BowInParts limbs={view.limbs} riser={view.riser} />
          ) : (
            <BowFigure view={view} withArrow={false} />
          )}
        </g>
      )}
    </svg>
  );
}

/** Not put together yet: outlines only, no string. */
function BowInParts({
  limbs,
  riser,
}: {
  readonly limbs: readonly string[];
  readonly riser: string;
}) {
  return (
    <g>
      {limbs.map((path, index) => (
        <path
          key={index}
          className="s-thin dash"
          d={path}
          transform={`translate(0 ${index === 0 ? -8 : 8})`}
        />
      ))}
      <path className="s-thin" d={riser} />
    </g>
  );
}
