import { describe, expect, it } from 'vitest';
import { seededUniform } from '#core/numeric/random.ts';
import { advisedRun, drawTruth, SETTINGS, sweepRun, trueGroup } from './tuning-sim.ts';

const BOWS = 150;

describe('fine tuning over 150 simulated bows', () => {
  it('saves at least 30 % of the shots of an exhaustive sweep at an equal final group', () => {
    const advised = { shots: 0, loss: 0 };
    const sweep = { shots: 0, loss: 0 };
    let held = 0;
    let figures = 0;
    for (let bow = 0; bow < BOWS; bow += 1) {
      const truth = drawTruth(seededUniform(7000 + bow));
      const least = Math.min(...SETTINGS.map((setting) => trueGroup(truth, setting)));
      const run = advisedRun(truth, 9000 + bow);
      const all = sweepRun(truth, 9000 + bow);
      advised.shots += run.shots / BOWS;
      sweep.shots += all.shots / BOWS;
      advised.loss += (trueGroup(truth, run.chosen) / least - 1) / BOWS;
      sweep.loss += (trueGroup(truth, all.chosen) / least - 1) / BOWS;
      for (const { setting, lowMm, highMm } of run.fit.settings) {
        figures += 1;
        const level = trueGroup(truth, setting);
        if (level >= lowMm && level <= highMm) held += 1;
      }
    }
    console.log(
      `fine tuning: ${advised.shots.toFixed(0)} shots against ${sweep.shots.toFixed(0)} of the sweep; group above the best ${(100 * advised.loss).toFixed(1)} % against ${(100 * sweep.loss).toFixed(1)} %; 90 % intervals hold ${((100 * held) / figures).toFixed(1)} %`,
    );
    expect(advised.shots).toBeLessThanOrEqual(0.7 * sweep.shots);
    expect(advised.loss).toBeLessThanOrEqual(sweep.loss + 0.01);
    expect(held / figures).toBeGreaterThanOrEqual(0.87);
    expect(held / figures).toBeLessThanOrEqual(0.95);
  });
});
