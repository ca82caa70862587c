import { describe, expect, it } from 'vitest';
import { stepWords } from '../words/step-words.ts';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { withVerdict } from '../fixtures/tuned-bow.ts';
import { ITEM_TOUCHES } from '../craft/fit-out.ts';
import type { StepId } from '../craft/steps.ts';
import { stepStates } from './step-states.ts';

function wordsOf(log: BowLog, id: StepId): string | undefined {
  const found = stepStates(log.state).find((status) => status.step.id === id);
  return found === undefined ? undefined : stepWords(found);
}

describe('the band that judges a step', () => {
  it('a reading moved into its band is read again before it holds; one moved within it need not', () => {
    const log = bowFor('right');
    log.read('nockingHeight', 12);
    expect(wordsOf(log, 'nockingPoint')).toBe('above band');
    log.change('nockingPoint', -7);
    const status = stepStates(log.state).find(({ step }) => step.id === 'nockingPoint');
    expect(status).toMatchObject({ state: 'stale', missing: ['nockingHeight'] });
    expect(wordsOf(log, 'nockingPoint')).toBe('stale, nocking point 7 mm since');
    log.read('nockingHeight', 5);
    expect(wordsOf(log, 'nockingPoint')).toBe('holds');
    log.change('nockingPoint', 0.5);
    expect(wordsOf(log, 'nockingPoint')).toBe('holds');
  });

  it('a starting value judges no more once the shaft on the bow was shot bare', () => {
    const log = withVerdict();
    log.read('nockingHeight', 8.5);
    log.read('centreShotAtPoint', 6);
    expect([wordsOf(log, 'nockingPoint'), wordsOf(log, 'centreShot')]).toEqual(['holds', 'holds']);
    const before = bowFor('right');
    before.read('nockingHeight', 8.5);
    expect(wordsOf(before, 'nockingPoint')).toBe('above band');
    // Another shaft begins anew, and a band of the tuner's own always counts.
    log.add({
      kind: 'itemFitted',
      item: 'shaft',
      described: 'thicker',
      touches: ITEM_TOUCHES.shaft,
    });
    log.read('nockingHeight', 8.5);
    expect(wordsOf(log, 'nockingPoint')).toBe('above band');
    const own = withVerdict();
    own.add({
      kind: 'targetSet',
      reading: 'nockingHeight',
      low: 4,
      high: 5,
      name: 'my own',
      why: '',
    });
    own.read('nockingHeight', 8.5);
    expect(wordsOf(own, 'nockingPoint')).toBe('above band');
  });
});
