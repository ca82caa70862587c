import fc from 'fast-check';
import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { boltsOutNow } from './bolts.ts';
import { refusalOf } from './refusals.ts';

const change = (control: 'topBolt' | 'bottomBolt' | 'twists', amount: number) =>
  ({ kind: 'change', control, amount, because: '' }) as const;

it('refuses a bolt beyond the maker’s travel, and says so', () => {
  const { state } = new BowLog();
  expect(refusalOf(state, [change('topBolt', 2)])).toMatchObject({ code: 'beyondBoltTravel' });
  expect(refusalOf(state, [change('topBolt', -2)])?.says).toMatch(/maker allows 3 turns out/);
  expect(refusalOf(state, [change('topBolt', 1.5)])).toBeNull();
});

it('calls its own travel a guess when the maker’s is unknown', () => {
  const { state } = new BowLog({ maker: {} });
  expect(refusalOf(state, [change('topBolt', -2)])?.says).toMatch(/unknown/);
});

it('keeps the bolts within two turns of each other', () => {
  const { state } = new BowLog();
  expect(refusalOf(state, [change('topBolt', 1.25), change('bottomBolt', -1)])).toMatchObject({
    code: 'boltsTooFarApart',
  });
});

it('refuses twists below what holds strands together and above what a string takes', () => {
  const { state } = new BowLog();
  expect(refusalOf(state, [change('twists', -9)])).toMatchObject({ code: 'twistsOutside' });
  expect(refusalOf(state, [change('twists', 26)])).toMatchObject({ code: 'twistsOutside' });
  expect(refusalOf(state, [change('twists', 6)])).toBeNull();
});

it('never lets any run of accepted turns leave the travel', () => {
  const eighths = fc.integer({ min: -12, max: 12 }).map((count) => count / 8);
  const turn = fc.tuple(fc.constantFrom('topBolt' as const, 'bottomBolt' as const), eighths);
  fc.assert(
    fc.property(fc.array(turn, { maxLength: 25 }), (turns) => {
      const log = new BowLog();
      for (const [control, amount] of turns) {
        if (amount !== 0 && refusalOf(log.state, [change(control, amount)]) === null) {
          log.change(control, amount);
        }
      }
      const { top, bottom } = boltsOutNow(log.state);
      for (const out of [top, bottom]) {
        expect(out).toBeGreaterThanOrEqual(-1e-9);
        expect(out).toBeLessThanOrEqual(3 + 1e-9);
      }
      expect(Math.abs(top - bottom)).toBeLessThanOrEqual(2 + 1e-9);
    }),
  );
});
