import type { ReadingKind } from '#core/craft/readings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Gauge } from '../drawing/gauge.tsx';
import type { GaugeInput } from '../drawing/gauge-view.ts';
import { Fractions } from '../ui/fractions.tsx';
import { readingView, tillerView } from './reading-view.ts';

/** The readings of a sight as rows, for a phone: figure, words, gauge; tap to enter. */
export function ReadingRows({
  state,
  kinds,
  onReading,
}: {
  readonly state: BowState;
  readonly kinds: readonly ReadingKind[];
  readonly onReading: (kind: ReadingKind) => void;
}) {
  const tiller = tillerView(state);
  return (
    <section aria-label="Readings" className="mt-5 border-t border-ink">
      {kinds.map((kind) => {
        const view = readingView(state, kind);
        return (
          <button
            key={kind}
            type="button"
            data-reading={kind}
            className="grid w-full grid-cols-[1fr_auto] items-center gap-x-3 border-b border-faint py-2 text-left"
            onClick={() => onReading(kind)}
          >
            <span className="min-w-0">
              <span className="block">
                <Fractions text={view.label} />
              </span>
              <span
                className={`block text-note ${view.words === null ? 'text-ink-2' : 'font-[640]'}`}
              >
                <Fractions text={view.words ?? view.other} />
              </span>
              {view.expected !== null && (
                <span className="block text-note">
                  <Fractions text={view.expected} />
                </span>
              )}
            </span>
            <span className="frac-large text-figure font-[520] whitespace-nowrap [font-stretch:88%]">
              {view.figure === null ? (
                <span className="text-lead text-ink-2">not yet</span>
              ) : (
                <Fractions text={view.figure} />
              )}{' '}
              <span className="text-plain text-ink-2">{view.figure === null ? '' : view.unit}</span>
            </span>
            <RowGauge gauge={kind === 'tillerBottom' ? null : view.gauge} />
            {kind === 'tillerBottom' && tiller !== null && (
              <span className="col-span-2 mt-1 flex items-center justify-between text-row">
                <span className="first-letter:uppercase">{tiller.label}</span>
                <b className="text-sub font-[560]">
                  <Fractions text={tiller.figure} />
                </b>
              </span>
            )}
            {kind === 'tillerBottom' && <RowGauge gauge={tiller?.gauge ?? null} />}
          </button>
        );
      })}
    </section>
  );
}

function RowGauge({ gauge }: { readonly gauge: GaugeInput | null }) {
  if (gauge === null) return null;
  return (
    <svg viewBox="0 0 340 52" className="col-span-2 mt-1 w-full">
      <Gauge gauge={gauge} x={16} y={24} width={308} />
    </svg>
  );
}
