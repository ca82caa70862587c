import { newestOf } from '#core/arrows/workshop-builds.ts';
import type { ArrowSheet } from './arrow-sheets.tsx';
import type { Workshop } from './use-workshop.ts';

/** Stands for an arrow that is not kept yet. */
export const NEW_ARROW = 'new';

/** Which of the workshop’s arrows lies on the bench. */
export function BuildChoice({
  workshop,
  chosen,
  onChoose,
  onSheet,
}: {
  readonly workshop: Workshop;
  readonly chosen: string;
  readonly onChoose: (buildId: string) => void;
  readonly onSheet: (sheet: ArrowSheet) => void;
}) {
  const { builds, shotWith, loading, error } = workshop;
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      <label className="min-w-60 max-w-full">
        <span className="label">Arrow</span>
        <select
          className="field font-[600]"
          value={chosen}
          onChange={(event) => onChoose(event.target.value)}
        >
          {builds.map((build) => {
            const bows = shotWith(build.buildId);
            return (
              <option key={build.buildId} value={build.buildId}>
                {newestOf(build).name}
                {bows.length > 0 && `, on ${bows.join(', ')}`}
              </option>
            );
          })}
          <option value={NEW_ARROW}>A new arrow</option>
        </select>
      </label>
      {chosen !== NEW_ARROW && (
        <button type="button" className="link-btn" onClick={() => onChoose(NEW_ARROW)}>
          A new arrow
        </button>
      )}
      <button type="button" className="link-btn" onClick={() => onSheet('buy')}>
        Which shaft to buy
      </button>
      <button type="button" className="link-btn" onClick={() => onSheet('set')}>
        A matched set
      </button>
      <button type="button" className="link-btn" onClick={() => onSheet('numbers')}>
        Numbered shafts
      </button>
      <button type="button" className="link-btn" onClick={() => onSheet('parts')}>
        Parts
      </button>
      {loading && <p className="text-note text-ink-2">Fetching the other bows’ arrows…</p>}
      {error !== null && (
        <p className="text-note text-stop" role="status">
          The other bows’ arrows are not here: {error.message} This bow’s own are.
        </p>
      )}
    </div>
  );
}
