import type { ReactNode } from 'react';

/** The row that ends a sheet: always in sight, however long the sheet is. */
export function SheetActions({ children }: { readonly children: ReactNode }) {
  return (
    <div className="sheet-actions col-span-full flex flex-wrap items-center gap-x-3 gap-y-1">
      {children}
    </div>
  );
}
