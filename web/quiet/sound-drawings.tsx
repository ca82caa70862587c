import type { HeightShown } from '#core/brace-search/curve-shown.ts';
import type { BowFacts } from '#core/log/entry.ts';
import { showLength, showNumber } from '#core/quantity/show.ts';
import { OCTAVES_HZ } from '#core/sound/spectrum.ts';
import type { Recording } from '#core/sound/wav-samples.ts';
import { waveOutline } from './wave-outline.ts';

const WIDTH = 420;
const HEIGHT = 110;
const FLOOR_DB = -60;
const DASHES = ['', '5 4'] as const;

/** Octaves of one or two heights over one another: the second dashed. */
export function OctaveDrawing({
  heights,
  style,
}: {
  readonly heights: readonly HeightShown[];
  readonly style: Pick<BowFacts, 'lengthUnit' | 'division'>;
}) {
  const drawn = heights.filter(({ octavesDb }) => octavesDb !== null);
  const step = WIDTH / OCTAVES_HZ.length;
  const y = (db: number) => (Math.max(FLOOR_DB, Math.min(0, db)) / FLOOR_DB) * (HEIGHT - 8) + 4;
  const words = drawn.map(
    (height) =>
      `${showLength(height.heightMm, style)}: ${OCTAVES_HZ.map((hz, at) => `${hz} Hz ${showNumber(height.octavesDb?.[at] ?? FLOOR_DB, 0)} dB`).join(', ')}`,
  );
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 18}`}
        className="w-full max-w-xl"
        role="img"
        aria-label={`Octaves. ${words.join('. ')}`}
      >
        <line x1={0} y1={HEIGHT} x2={WIDTH} y2={HEIGHT} className="s-hair" />
        {drawn.map(({ octavesDb, visit }, which) => (
          <polyline
            key={visit.from}
            className="s-out"
            fill="none"
            strokeDasharray={DASHES[which]}
            points={(octavesDb ?? [])
              .flatMap((db, at) => [
                `${at * step + 4},${y(db).toFixed(1)}`,
                `${(at + 1) * step - 4},${y(db).toFixed(1)}`,
              ])
              .join(' ')}
          />
        ))}
        {OCTAVES_HZ.map((hz, at) => (
          <text
            key={hz}
            x={(at + 0.5) * step}
            y={HEIGHT + 14}
            textAnchor="middle"
            style={{ fontSize: 12, fill: 'var(--ink-2)' }}
          >
            {hz < 1000 ? hz : `${hz / 1000}k`}
          </text>
        ))}
      </svg>
      <figcaption className="text-note text-ink-2">
        Octaves in Hz; the top is the loudest of all, the bottom 60 dB under it.
      </figcaption>
    </figure>
  );
}

/** The wave of one or two sounds by one scale; nothing where none was kept. */
export function WaveDrawing({ sounds }: { readonly sounds: readonly (Recording | null)[] }) {
  const there = sounds.map((sound) => (sound === null ? null : waveOutline(sound, WIDTH / 2)));
  const most = Math.max(1e-6, ...there.flatMap((outline) => outline ?? []));
  if (there.every((outline) => outline === null)) return null;
  const middle = HEIGHT / 2;
  return (
    <figure className="mt-1">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full max-w-xl"
        role="img"
        aria-label="Wave of a shot at each height"
      >
        <line x1={0} y1={middle} x2={WIDTH} y2={middle} className="s-hair" />
        {there.map((outline, which) =>
          outline === null ? null : (
            <polyline
              key={which}
              className={which === 0 ? 's-thin' : 's-out'}
              fill="none"
              strokeDasharray={DASHES[which]}
              points={outline
                .map(
                  (value, at) =>
                    `${at * 2},${(which === 0 ? middle - (value / most) * (middle - 2) : middle + (value / most) * (middle - 2)).toFixed(1)}`,
                )
                .join(' ')}
            />
          ),
        )}
      </svg>
      <figcaption className="text-note text-ink-2">
        About a second: one above the line, the other mirrored below it.
      </figcaption>
    </figure>
  );
}
