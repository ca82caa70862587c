import { describe, expect, it } from 'vitest';
import { ENTRY_KINDS } from '#core/log/kinds/entry-kinds.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';

/** A crawl is said in a form, on the entry line, over the wire and in a file: the same ones can be. */
describe.each([0, 30, 80, 81, -1])('a crawl of %d mm', (crawlMm) => {
  const [low, high] = FACT_RANGES.crawlMm;
  const can = crawlMm >= low && crawlMm <= high;
  const log = new BowLog({ hook: 'stringWalk', school: 'barebow' });
  it(`is ${can ? 'taken' : 'refused'} at every door`, () => {
    const made = { ...log.log[0]!.body, crawlMm };
    expect(ENTRY_KINDS.bowMade.schema.safeParse(made).success).toBe(can);
    const set = { kind: 'factsSet', facts: { crawlMm } };
    expect(ENTRY_KINDS.factsSet.schema.safeParse(set).success).toBe(can);
    expect(readEntryLine(`cr ${crawlMm}`, log.state).kind === 'ready').toBe(can);
  });
});
