import { readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import { expect, it } from 'vitest';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { readRangeLine } from '#core/entry-line/read-range-line.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { ODD_BUTT_LINES, ODD_LINES } from './fixtures/odd-lines.ts';

/**
 * What the entry line answered to every code with every slip behind it, on four bows. A change that
 * means to answer something else writes them anew (`KEEN_LIMB_GOLDEN=write`) and says what differs.
 */
const PATH = new URL('fixtures/golden/entry-lines.json.gz', import.meta.url).pathname;

const measured = () => {
  const log = new BowLog({ hand: 'left', lengthUnit: 'mm' }).settle();
  log.add({
    kind: 'itemFitted',
    item: 'shaft',
    described: 'test shafts',
    touches: [],
    arrow: { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 8 },
  });
  return log.state;
};
const BOWS: Readonly<Record<string, () => BowState>> = {
  unread: () => new BowLog().state,
  settled: () => new BowLog().settle().state,
  measured,
  shelf: () => new BowLog({ school: 'shelfHunting', hand: 'left', maker: {} }).settle().state,
};

function answers(state: BowState): Readonly<Record<string, unknown>> {
  const butt = (unit: 'cm' | 'in', hand: 'left' | 'right') => ({ unit, hand, buttMm: 800 });
  return {
    ...Object.fromEntries(ODD_LINES.map((line) => [line, readEntryLine(line, state)])),
    ...Object.fromEntries(
      ODD_BUTT_LINES.flatMap((line) => [
        [`cm, right: ${line}`, readRangeLine(line, state, butt('cm', 'right'))],
        [`in, left: ${line}`, readRangeLine(line, state, butt('in', 'left'))],
      ]),
    ),
  };
}
const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

it('answers every odd line as it did', () => {
  const now = asJson(
    Object.fromEntries(Object.entries(BOWS).map(([name, make]) => [name, answers(make())])),
  ) as Readonly<Record<string, Readonly<Record<string, unknown>>>>;
  if (process.env['KEEN_LIMB_GOLDEN'] === 'write')
    writeFileSync(PATH, gzipSync(JSON.stringify(now), { level: 9 }));
  const kept = JSON.parse(gunzipSync(readFileSync(PATH)).toString()) as typeof now;
  expect(Object.keys(kept['settled']!).length).toBeGreaterThan(1000);
  for (const [name, said] of Object.entries(kept))
    for (const [line, answer] of Object.entries(said))
      expect(now[name]![line], `${name}: ${line}`).toEqual(answer);
});
