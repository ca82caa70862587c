import { Link } from 'react-router';
import type { RackBow } from '#contract/rack.ts';
import { BOW_KIND_LABEL, HAND_LABEL, PURPOSE_LABEL, SCHOOL_LABEL } from '#core/craft/bow-terms.ts';
import { startingBraceBand } from '#core/craft/starting-values.ts';
import { whenWords } from '../bench/lately.tsx';
import { BowFigure } from '../drawing/bow-figure.tsx';
import { bowSide, typicalSide } from '../drawing/bow-side.ts';
import { Fractions } from '../ui/fractions.tsx';

/** All bows on one scale: a 58 in bow is seen to be shorter than a 70. */
const PX_PER_IN = 4.3;
const PEG_WIDTH = 300;
const PEG_HEIGHT = 64;
const MOST_DUE = 3;

/** One bow on its pegs: drawn to scale, whose it is, how it stands, what comes next. */
export function RackRow({ bow }: { readonly bow: RackBow }) {
  return (
    <li className="border-b border-faint">
      <Link
        to={`/bench/${bow.bowId}`}
        data-bow={bow.name}
        className="grid grid-cols-1 items-center gap-x-7 gap-y-1 py-3 hover:bg-metal min-[720px]:grid-cols-[300px_1fr_1fr] min-[1100px]:grid-cols-[300px_1.1fr_1.25fr_1.3fr]"
      >
        <BowOnPegs bow={bow} />
        <span className="min-w-0">
          <span className="block truncate text-[24px] leading-tight font-[560] [font-stretch:90%]">
            {bow.name}
          </span>
          <span className="block text-ink-2">
            {[bow.owner, bow.described].filter((part) => part !== '').join(', ')}
          </span>
        </span>
        <span className="min-w-0">
          <span className="block">
            {bow.amoLengthIn} in {BOW_KIND_LABEL[bow.bowKind]}, {HAND_LABEL[bow.hand]}
          </span>
          <span className="block text-ink-2">
            {SCHOOL_LABEL[bow.school]}; {PURPOSE_LABEL[bow.purpose]}
          </span>
        </span>
        <Standing bow={bow} />
      </Link>
    </li>
  );
}

function Standing({ bow }: { readonly bow: RackBow }) {
  const { steps, due, nextMove } = bow;
  const shown = due.slice(0, MOST_DUE).map((one) => one.step.toLowerCase());
  const more = due.length - shown.length;
  return (
    <span
      className="min-w-0 min-[720px]:max-[1099px]:col-span-2 min-[720px]:max-[1099px]:col-start-2"
      data-testid="standing"
    >
      <span className={due.length > 0 ? 'block font-[640]' : 'block text-ink-2'}>
        {due.length > 0
          ? `Due: ${shown.join(', ')}${more > 0 ? ` and ${more} more` : ''}`
          : `${steps.hold} of ${steps.all} steps hold`}
      </span>
      <span className="block">
        {nextMove === null ? (
          'Done: go and practise'
        ) : (
          <span className={nextMove.stop ? 'font-[560] text-stop' : 'font-[560] text-accent'}>
            {nextMove.stop ? 'Stop: ' : 'Next: '}
            <Fractions text={nextMove.title} />
          </span>
        )}
        <span className="text-ink-2"> · {whenWords(bow.lastAt)}</span>
      </span>
    </span>
  );
}

/** The bow lying on pegs, string down; a right-hander's is the mirror of a left-hander's. */
function BowOnPegs({ bow }: { readonly bow: RackBow }) {
  const band = startingBraceBand(bow.bowKind, bow.amoLengthIn);
  const typical = typicalSide(bow, bow.braceMm ?? (band.low + band.high) / 2);
  const view = bowSide(
    {
      ...typical,
      tillerTopMm: bow.tillerTopMm ?? typical.tillerTopMm,
      tillerBottomMm: bow.tillerBottomMm ?? typical.tillerBottomMm,
    },
    { stringX: 0, middleY: 0, pxPerIn: PX_PER_IN },
  );
  const turn = bow.hand === 'left' ? -90 : 90;
  return (
    <svg
      viewBox={`0 0 ${PEG_WIDTH} ${PEG_HEIGHT}`}
      className="w-full max-w-[300px]"
      role="img"
      aria-label={`${bow.amoLengthIn} inch ${BOW_KIND_LABEL[bow.bowKind]}, drawn to scale`}
    >
      {view !== null && (
        <g transform={`translate(${PEG_WIDTH / 2} ${PEG_HEIGHT - 8}) rotate(${turn})`}>
          {bow.inParts ? (
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
