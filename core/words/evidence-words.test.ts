import { describe, expect, it } from 'vitest';
import type { EvidenceSource, FusedAxis } from '../bare-shaft/evidence.ts';
import { conflictWords, sourceWords, togetherWords } from './evidence-words.ts';

const says = (source: EvidenceSource, plusSide: number, count = 3) => ({ source, count, plusSide });
const fused = (facts: Partial<FusedAxis>) =>
  ({ plusSide: 0.5, conflict: null, ...facts }) as FusedAxis;

describe('what was seen, in words', () => {
  it('names the source, how often, the cause and how sure', () => {
    expect(sourceWords('outward', says('impact', 0.97))).toBe('impact stiff, 97 %');
    expect(sourceWords('outward', says('attitude', 0.16))).toBe('nock attitude (3) weak, 84 %');
    expect(sourceWords('up', says('paper', 0.9, 1))).toBe('paper (1) nocking point low, 90 %');
    expect(sourceWords('up', says('flight', 0.1))).toBe('flight seen (3) nocking point high, 90 %');
  });

  it('claims no side that is hardly surer than a coin', () => {
    expect(sourceWords('outward', says('paper', 0.69))).toBe('paper (3) neither way, 69 %');
    expect(sourceWords('outward', says('paper', 0.31))).toBe('paper (3) neither way, 69 %');
    expect(sourceWords('outward', says('paper', 0.7))).toBe('paper (3) stiff, 70 %');
    expect(togetherWords('up', fused({ plusSide: 0.75 }))).toBe(
      'with the impact nocking point low, 75 %',
    );
  });

  it('names a conflict with its usual causes, or as the normal thing it is', () => {
    expect(conflictWords('outward', fused({}))).toBeNull();
    const split = { says: [says('impact', 0.95), says('attitude', 0.05)] };
    const conflict = (normal: boolean) =>
      conflictWords('outward', fused({ ...split, conflict: { source: 'attitude', normal } }));
    expect(conflict(true)).toBe(
      'Impact says stiff, nock attitude says weak. Normal at this distance: a bare shaft swings slowly as it flies. Shoot nearer than 12 m to ask the nock.',
    );
    expect(conflict(false)).toBe(
      'Impact says stiff, nock attitude says weak. Usual causes: contact, a tail-light shaft, a soft butt, cant.',
    );
  });
});
