import { describe, expect, it } from 'vitest';
import { foldLog } from '#core/log/fold.ts';
import { demoClub } from '#demo/demo-club.ts';
import { NOW_MS } from '../fixtures/club-server.ts';
import { rackSummaryOnce } from './rack-summary.ts';

const HOUR_MS = 3_600_000;
const heron = () => {
  const state = foldLog(demoClub(NOW_MS)[0]!.map((entry, at) => ({ ...entry, seq: at + 1 })));
  if (state === null) throw new Error('the log did not open');
  return state;
};

describe('what the rack shows of a bow', () => {
  it('is worked out once for as long as nothing is logged, and anew an hour later', () => {
    const state = heron();
    const first = rackSummaryOnce(state, NOW_MS);
    expect(first.name).toBe('Heron');
    expect(rackSummaryOnce(state, NOW_MS + HOUR_MS - 1)).toBe(first);
    const later = rackSummaryOnce(state, NOW_MS + HOUR_MS);
    expect(later).not.toBe(first);
    expect(later).toEqual(first);
    expect(rackSummaryOnce(heron(), NOW_MS)).not.toBe(first);
  });
});
