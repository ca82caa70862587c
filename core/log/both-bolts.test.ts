import { describe, expect, it } from 'vitest';
import { upsets } from '../craft/upsets.ts';
import { bareShaftBow, type BowLog } from '../fixtures/bow-log.ts';

const lateralUpset = (log: BowLog) =>
  log.state.upsets.some((one) => upsets(one, 'bareShaftLateral') && one.kind === 'change');

describe('both bolts turned', () => {
  it('are one move on one line or on two: draw weight changes, and with it the lateral bare shaft', () => {
    const oneLine = bareShaftBow(0, 0);
    oneLine.change('topBolt', 0.5, 'move');
    oneLine.change('bottomBolt', 0.5, 'move');
    const twoLines = bareShaftBow(0, 0);
    twoLines.change('topBolt', 0.5);
    twoLines.change('bottomBolt', 0.5);
    expect(lateralUpset(oneLine)).toBe(true);
    expect(lateralUpset(twoLines)).toBe(true);
    const turned = twoLines.state.changes.map(({ moveControls }) => moveControls);
    expect(turned).toEqual([
      ['topBolt', 'bottomBolt'],
      ['bottomBolt', 'topBolt'],
    ]);
  });

  it('are two when something was read between, and one alone upsets less', () => {
    const alone = bareShaftBow(0, 0);
    alone.change('topBolt', 0.5);
    expect(lateralUpset(alone)).toBe(false);
    alone.read('tillerTop', 178);
    alone.change('bottomBolt', 0.5);
    expect(lateralUpset(alone)).toBe(false);
  });
});
