import type { ComparedRow } from '#core/compare/compared.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { comparisonTable } from '#core/tables/comparison-table.ts';
import { readingsTable } from '#core/tables/readings-table.ts';
import { shotsTable } from '#core/tables/shots-table.ts';
import { nameOfFile, saveFile } from '../device/save-file.ts';

export function saveReadings(state: BowState): void {
  save(state, 'readings', readingsTable(state));
}

export function saveShots(state: BowState): void {
  save(state, 'shots', shotsTable(state));
}

export function saveComparison(
  state: BowState,
  rows: readonly ComparedRow[],
  sides: Parameters<typeof comparisonTable>[2],
): void {
  save(state, 'comparison', comparisonTable(rows, state.bow, sides));
}

function save({ bow }: BowState, what: string, text: string): void {
  // A spreadsheet takes it for the Western code page unless it begins with this mark.
  saveFile(`${nameOfFile(bow.name)}-${what}.csv`, 'text/csv', `\uFEFF${text}`);
}
