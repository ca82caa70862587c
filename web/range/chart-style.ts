/** Charts in the sheet's own ink and figures. */
export const CHART_TEXT = { fill: 'var(--ink-2)', fontSize: 12 } as const;
export const INK_LINE = { stroke: 'var(--ink)', strokeWidth: 2 } as const;
