import { describe, expect, it } from 'vitest';
import { compareSheets, differences } from '#core/compare/compare-sheets.ts';
import type { ComparedRow } from '#core/compare/compared.ts';
import { figureSheet } from '#core/compare/figure-sheet.ts';
import { foldLog } from '#core/log/fold.ts';
import { egret, heron } from './heron.ts';

const NOW_MS = Date.UTC(2026, 4, 1, 12);
const sheet = (log: ReturnType<typeof heron>) =>
  figureSheet(foldLog(log.map((entry, at) => ({ ...entry, seq: at + 1 })))!);
const [first, backUp] = [sheet(heron(NOW_MS)), sheet(egret(NOW_MS))];
const named = (rows: readonly ComparedRow[], reading: string) =>
  rows.find(({ what }) => what.kind === 'reading' && what.reading === reading)?.finding;

describe('the back-up against the first bow', () => {
  it('differs as their logs say, worst first, in what one reading scatters', () => {
    const rows = differences(compareSheets(first, backUp));
    // Bottom tiller 6 7/8 in against 7 1/16, weight 33.8 lb against 34.25.
    expect(named(rows, 'tillerBottom')).toMatchObject({ kind: 'differs' });
    const bottom = named(rows, 'tillerBottom');
    if (bottom?.kind !== 'differs') throw new Error('the bottom tiller does not differ');
    expect(bottom.by).toBeCloseTo((3 / 16) * 25.4, 1);
    const spreads = rows.flatMap(({ finding }) =>
      finding.kind === 'differs' && finding.spreads !== null ? [Math.abs(finding.spreads)] : [],
    );
    expect(spreads.length).toBeGreaterThan(1);
    expect(spreads).toEqual(spreads.toSorted((one, other) => other - one));
    expect(bottom.spreads).toBeGreaterThan(4);
    // Half a millimetre of brace is nothing to be seen.
    expect(named(rows, 'braceHeight')).toBeUndefined();
  });

  it('a brace read to the plunger is converted where the offset is known, and refused where not', () => {
    const offset = 21.5;
    const toPlunger = (throatToPlungerMm: number | null) => {
      const figures = new Map(backUp.figures);
      const brace = figures.get('reading braceHeight')!;
      figures.set('reading braceHeight', { ...brace, value: (brace.value ?? 0) + offset + 10 });
      return { ...backUp, figures, braceReference: 'plunger' as const, throatToPlungerMm };
    };
    const plain = compareSheets(first, backUp);
    const throatOf = (rows: readonly ComparedRow[]) => named(rows, 'braceHeight');
    const converted = throatOf(compareSheets(first, toPlunger(offset)));
    if (converted?.kind !== 'differs') throw new Error('ten millimetres are not seen');
    const bow = (rows: typeof plain) =>
      rows.find(({ what }) => what.kind === 'reading' && what.reading === 'braceHeight');
    const apart = (bow(plain)?.b?.value ?? 0) - (bow(plain)?.a?.value ?? 0);
    expect(converted.by).toBeCloseTo(apart + 10, 9);
    expect(throatOf(compareSheets(first, toPlunger(null)))).toEqual({
      kind: 'cannot',
      why: 'otherDatum',
    });
    // The offset may as well be known of the other bow, whichever side it stands on.
    const known = { ...first, throatToPlungerMm: offset };
    expect(throatOf(compareSheets(known, toPlunger(null)))).toMatchObject({ kind: 'differs' });
    expect(throatOf(compareSheets(toPlunger(null), known))).toMatchObject({ kind: 'differs' });
  });
});
