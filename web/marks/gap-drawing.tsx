import type { MarksFigures } from '#core/sight-marks/marks-figures.ts';
import { distanceWords } from '#core/words/marks/distance-words.ts';
import type { Marks } from './use-marks.ts';

const BUTT_MM = 1220;
/** About the chest and back of an animal target, across and up, mm. */
const BLOCK_MM = { wide: 700, high: 400 } as const;
const BEYOND_MM = 260;
const LEAST_APART_MM = 55;

/** Where it lands with the point laid on the middle, to scale against a butt and a block as large as an animal. */
export function GapDrawing({
  marks: { unit },
  figures,
}: {
  readonly marks: Marks;
  readonly figures: MarksFigures;
}) {
  const half = BUTT_MM / 2;
  const hits = figures.rows
    .flatMap(({ distanceM, set }) =>
      set === null ? [] : [{ distanceM, upMm: -set.middle, halfMm: (set.high - set.low) / 2 }],
    )
    .filter(({ upMm }) => Math.abs(upMm) <= half + BEYOND_MM);
  const labels = apart(hits);
  return (
    <figure aria-label="Drop and rise to scale" data-testid="gap-drawing">
      <svg
        viewBox={`${-half - 60} ${-half - BEYOND_MM} ${BUTT_MM + 420} ${BUTT_MM + 2 * BEYOND_MM}`}
        className="max-h-[30rem] w-full"
        role="img"
        aria-label={hits
          .map(
            ({ distanceM, upMm }) =>
              `${distanceWords(distanceM, unit)}: ${Math.abs(Math.round(upMm / 10))} cm ${upMm >= 0 ? 'high' : 'low'}`,
          )
          .join(', ')}
      >
        <rect
          x={-half}
          y={-half}
          width={BUTT_MM}
          height={BUTT_MM}
          fill="none"
          stroke="var(--ink-2)"
          strokeWidth={4}
        />
        <rect
          x={-BLOCK_MM.wide / 2}
          y={-BLOCK_MM.high / 2}
          width={BLOCK_MM.wide}
          height={BLOCK_MM.high}
          rx={120}
          fill="var(--metal)"
          fillOpacity={0.4}
          stroke="var(--ink-2)"
          strokeWidth={3}
        />
        <path d="M -40 0 H 40 M 0 -40 V 40" stroke="var(--accent)" strokeWidth={6} />
        {hits.map(({ distanceM, upMm, halfMm }, at) => (
          <g key={distanceM}>
            <line
              x1={0}
              x2={0}
              y1={-upMm - halfMm}
              y2={-upMm + halfMm}
              stroke="var(--ink)"
              strokeWidth={10}
            />
            <line x1={-60} x2={60} y1={-upMm} y2={-upMm} stroke="var(--ink)" strokeWidth={5} />
            <line
              x1={60}
              x2={half + 30}
              y1={-upMm}
              y2={labels[at]}
              stroke="var(--ink-2)"
              strokeWidth={2}
            />
            <text
              x={half + 45}
              y={(labels[at] ?? 0) + 16}
              fill="var(--ink)"
              style={{ fontSize: 52 }}
            >
              {distanceWords(distanceM, unit)}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="text-note text-ink-2">
        Where it lands with the point on the cross: a butt of 122 cm, and a block as large as the
        chest of a deer. Thick strokes: where, 9 times in 10.
      </figcaption>
    </figure>
  );
}

/** Heights of the labels, moved apart where hits lie close. */
function apart(hits: readonly { readonly upMm: number }[]): readonly number[] {
  const places = new Array<number>(hits.length).fill(0);
  let last = Number.NEGATIVE_INFINITY;
  const downward = [...hits.entries()].toSorted(([, one], [, other]) => other.upMm - one.upMm);
  for (const [at, { upMm }] of downward) {
    last = Math.max(-upMm, last + LEAST_APART_MM);
    places[at] = last;
  }
  return places;
}
