import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import { priorWeightN } from '../gains/prior-weight.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { targetFor } from './targets.ts';

const LB = N_PER_LBF;

it('a mark of 34 lb at 26 in is 38 lb at 28, ten per cent either way until it is weighed', () => {
  const bow = new BowLog({
    maker: { markedWeightN: 34 * LB, markedDrawMm: 26 * 25.4 },
    amoDrawMm: 28 * 25.4,
  });
  const { low, high } = targetFor(bow.state, 'drawWeight')!;
  expect(low / LB).toBeCloseTo(0.9 * 38, 6);
  expect(high / LB).toBeCloseTo(1.1 * 38, 6);
  expect(presentWeightN(bow.state)! / LB).toBeCloseTo(39, 6);
  expect(targetFor(new BowLog({ maker: {} }).state, 'drawWeight')).toBeNull();
});

it('what a bow draws now is the last weighing, a pound more on the fingers; rules of thumb keep the first', () => {
  const bow = new BowLog();
  bow.read('drawWeight', 34 * LB);
  bow.read('drawWeight', 40 * LB);
  expect(presentWeightN(bow.state)! / LB).toBeCloseTo(41, 6);
  expect(priorWeightN(bow.state) / LB).toBeCloseTo(34, 6);
  expect(presentWeightN(new BowLog({ maker: {} }).state)).toBeNull();
  expect(priorWeightN(new BowLog({ maker: {} }).state) / LB).toBeCloseTo(40, 6);
});

it('a rest raised lowers the nocking height by as much, and is held to square like the locator', () => {
  const bow = new BowLog();
  bow.read('nockingHeight', 2);
  expect(checkChanges(bow.state, [{ control: 'restHeight', amount: 2 }])).toBeNull();
  expect(checkChanges(bow.state, [{ control: 'restHeight', amount: 2.5 }])?.code).toBe(
    'locatorOutside',
  );
  expect(checkChanges(bow.state, [{ control: 'restHeight', amount: -2.5 }])).toBeNull();
});
