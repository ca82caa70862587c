import { describe, expect, it } from 'vitest';
import type { MoveBecause } from '../../advice/move-because.ts';
import { chooseShaftWords, measureForShaftWords } from './choose-shaft-words.ts';

type Answer = Extract<MoveBecause, { topic: 'chooseShaft' }>['answer'];
const said = (answer: unknown) =>
  chooseShaftWords({ topic: 'chooseShaft', answer: answer as Answer });
const offer = (spine: number) => ({ spine, grainsPerPound: 9.04, chance: 0.83 });

describe('the words of choosing a shaft', () => {
  it('say what has to be measured first', () => {
    expect(measureForShaftWords({ topic: 'measureForShaft', missing: 'weight' })).toMatchObject({
      title: 'Weigh it on the fingers',
      why: expect.stringContaining('before the weight on the fingers (w) is measured') as string,
      reasons: [expect.stringContaining('let down') as string],
    });
    expect(measureForShaftWords({ topic: 'measureForShaft', missing: 'draw' })).toMatchObject({
      title: 'Measure the longest draw',
      why: expect.stringContaining('before the longest draw (dl) is measured') as string,
      reasons: [expect.stringContaining('long arrow') as string],
    });
  });

  it('name the one recommended, what else to try, and what could break', () => {
    const words = said({
      kind: 'offers',
      offers: [offer(400), offer(450)],
      recommended: 450,
      testSet: [400, 450, 500],
      refused: [700, 800],
    });
    expect(words.title).toBe('Choose a shaft: spine 450, left long');
    expect(words.expect).toContain('About 9.0 grains a pound');
    expect(words.reasons).toHaveLength(3);
    expect(words.reasons[1]).toBe('One each of 400, 450, 500 before a dozen is bought.');
    expect(words.reasons[2]).toBe('Not 700, 800: so soft that they can break.');
    const alone = said({
      kind: 'offers',
      offers: [offer(450)],
      recommended: 450,
      testSet: [450],
      refused: [],
    });
    expect(alone.reasons).toHaveLength(1);
  });

  it('say where no shaft can be named', () => {
    expect(said({ kind: 'outsideTable', pounds: 82.4 })).toMatchObject({
      expect: '82 lb on the fingers is outside the starting table',
      doneLabel: 'To the arrows',
    });
    expect(
      said({ kind: 'offers', offers: [], recommended: null, testSet: [], refused: [] }).expect,
    ).toBe('None of the usual shafts could be tuned to it as it is');
  });
});
