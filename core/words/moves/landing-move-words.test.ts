import { describe, expect, it } from 'vitest';
import type { MoveBecause } from '../../advice/move-because.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import { landingMoveWords } from './landing-move-words.ts';

type Due = Extract<MoveBecause, { topic: 'landing' }>['due'];
const inches = new BowLog({ hand: 'right', lengthUnit: 'in' }).state;
const metric = new BowLog({ hand: 'left', lengthUnit: 'mm' }).state;
const said = (due: object, state = metric) =>
  landingMoveWords(state, { topic: 'landing', due: due as Due });

describe('the words of a landing', () => {
  it('say what to shoot, and that nothing is turned for it', () => {
    expect(said({ kind: 'open' })).toMatchObject({
      title: 'Shoot bare shafts to record where they land',
      expect: expect.stringMatching(/^\d+ fletched and \d+ bare, mixed, \d ends$/) as string,
      thenCheck: 'Nothing is turned for what they show: it becomes the target.',
      doneLabel: 'To the range',
    });
    const [first, last] = [said({ kind: 'shoot', ends: 0 }), said({ kind: 'shoot', ends: 1 })];
    expect(first.title).toBe('Shoot an end for the landing');
    expect(last.title).toBe('Shoot one more end for the landing');
    expect(last.doneLabel).toBe('Start the next end');
    expect(last.why).toContain('Groups are at their best now');
  });

  it('say where they land by the hand and in the bow’s unit', () => {
    const due = { kind: 'set', outwardMm: 30, upMm: -51, plusMinusMm: { outward: 10, up: 12 } };
    // Outward is to the right of a left-hander.
    expect(said(due)).toMatchObject({
      title: 'Record where bare shafts land',
      expect: '3.0 ± 1.0 cm right, 5.1 ± 1.2 cm low of the fletched at 18 m',
      doneLabel: 'Make it the target',
    });
    expect(said({ ...due, upMm: 0 }, inches).expect).toMatch(/in left, 0\.0 ± 0\.5 in high of/);
  });
});
