import { describe, expect, it } from 'vitest';
import { fitBuild } from '../arrows/fit-build.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { checkProposal } from './check-proposal.ts';

/** 40 lb on the fingers begins at 600; an inch longer or 50 gr more in front at a step, a tenth of ln, less. */
function at40(): BowLog {
  const log = new BowLog({ school: 'barebow', maker: {}, amoDrawMm: 711 });
  log.read('drawWeight', 39 * N_PER_LBF, 39 * N_PER_LBF);
  return log;
}
const fitted = (log: BowLog, spine: number) => {
  const parts = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, spine, lengthMm: 760 } };
  return fitBuild(log.state, { buildId: 'b', revisionId: 'r', name: 'x', parts });
};

describe('a shaft too soft for the bow', () => {
  it('is refused where it is fitted, and a stiffer one is not', () => {
    const log = at40();
    expect(checkProposal(log.state, [fitted(log, 1000)])).toMatchObject({
      code: 'shaftTooSoft',
      spine: 1000,
    });
    for (const spine of [300, 500, 600])
      expect(checkProposal(log.state, [fitted(log, spine)])).toBeNull();
  });

  it('is a fact once somebody says how it came to be on the bow', () => {
    const log = at40();
    const despite = 'the maker’s own chart allows it';
    expect(checkProposal(log.state, [{ ...fitted(log, 1000), despite }])).toBeNull();
  });

  it('is not judged where nobody has weighed the bow', () => {
    const log = new BowLog({ maker: {}, amoDrawMm: 711 });
    expect(checkProposal(log.state, [fitted(log, 1000)])).toBeNull();
  });
});
