import { useMemo } from 'react';
import { TriangleAlert } from 'lucide-react';
import { shaftsNotTheBuild } from '#core/arrows/numbered-shafts.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { shaftApartWords } from '#core/words/arrows/arrow-words.ts';

/** Before an end, not after it: numbered arrows that are not the build they go by. */
export function ShaftsApart({ state }: { readonly state: BowState }) {
  const apart = useMemo(() => shaftsNotTheBuild(state), [state]);
  if (apart.length === 0) return null;
  return (
    <div
      className="mb-2 flex gap-2 border-l-4 border-stop pl-3 text-stop"
      role="note"
      data-testid="shafts-apart"
    >
      <TriangleAlert size={18} strokeWidth={1.6} aria-hidden className="mt-0.5 shrink-0" />
      <p>
        {apart.map((shaft) => `Shaft ${shaft.arrowNumber}: ${shaftApartWords(shaft)}`).join(' ')}{' '}
        Look at it before it is shot with the others.
      </p>
    </div>
  );
}
