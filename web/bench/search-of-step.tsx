import { lazy, Suspense } from 'react';
import type { BowState } from '#core/log/bow-state.ts';

// The curve of a search comes with its charts.
const StepSearch = lazy(() =>
  import('../quiet/step-search.tsx').then((module) => ({ default: module.StepSearch })),
);

/** The search for the quiet height, as its step shows it. */
export function SearchOfStep({ state }: { readonly state: BowState }) {
  return (
    <Suspense fallback={<p className="text-ink-2">Drawing the curve…</p>}>
      <StepSearch state={state} />
    </Suspense>
  );
}
