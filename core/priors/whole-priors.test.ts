import { describe, expect, it } from 'vitest';
import { CONTROLS } from '../craft/controls.ts';
import { READING_KINDS } from '../craft/readings.ts';
import { BARE_SHAFT_AXES, bareShaftGain, fixedGains } from './prior-gains.ts';

/** What the plane of brace, tiller and weight learns, and what only the bow itself can show. */
const LEARNED_ELSEWHERE = ['twists', 'topBolt', 'bottomBolt', 'topSideScrews', 'bottomSideScrews'];

describe('the rules of thumb', () => {
  it.each(CONTROLS)('say of %s what it moves', (control) => {
    const moves =
      LEARNED_ELSEWHERE.includes(control) ||
      READING_KINDS.some((reading) => fixedGains(reading).has(control)) ||
      BARE_SHAFT_AXES.some((axis) => bareShaftGain(axis, control, 150).sd > 0);
    expect(moves).toBe(true);
  });
});
