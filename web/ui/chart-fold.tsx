import type { ReactNode } from 'react';
import { useNarrow } from './use-narrow.ts';

/** A chart beside the plot; on a phone it is folded away, so that the butt stays in reach. */
export function ChartFold({
  title,
  children,
}: {
  readonly title: string;
  readonly children: ReactNode;
}) {
  if (!useNarrow()) return children;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 underline underline-offset-4">
        {title}
      </summary>
      {children}
    </details>
  );
}
