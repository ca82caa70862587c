import Papa from 'papaparse';

export type Cell = string | number | null;

/**
 * A table as comma-separated text with a header (RFC 4180). What would be a formula to a spreadsheet
 * is written so that it is none: names and notes are anybody's.
 *
 * @param fields names of the columns; a unit is part of the name
 */
export function tableText(fields: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return Papa.unparse(
    { fields: [...fields], data: rows.map((row) => row.map((cell) => cell ?? '')) },
    { newline: '\r\n', escapeFormulae: true },
  );
}

/** A figure to so many decimals, without the zeros behind; never −0. */
export function rounded(value: number, decimals: number): number {
  return Number(value.toFixed(decimals)) + 0;
}
