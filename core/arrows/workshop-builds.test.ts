import { describe, expect, it } from 'vitest';
import type { BuildRevision } from '../log/builds.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { isSameBuild, joinBuilds, newestOf, revisionNumber } from './workshop-builds.ts';

function revision(revisionId: string, hour: number, name = 'ones'): BuildRevision {
  const at = `2026-03-01T${String(hour).padStart(2, '0')}:00:00Z`;
  return { revisionId, at, by: 'test', name, parts: PLAIN_BUILD, how: 'kept' };
}

describe('the builds of the workshop', () => {
  it('are those of all bows, each once, with its revisions in the order they were made', () => {
    const joined = joinBuilds([
      [{ buildId: 'a', revisions: [revision('1', 9), revision('3', 12)] }],
      [
        { buildId: 'a', revisions: [revision('2', 10, ''), revision('3', 12)] },
        { buildId: 'b', revisions: [revision('4', 8)] },
      ],
    ]);
    expect(joined.map(({ buildId }) => buildId)).toEqual(['a', 'b']);
    expect(joined[0]?.revisions.map(({ revisionId }) => revisionId)).toEqual(['1', '2', '3']);
    // Changed at a bow that never heard its name.
    expect(joined[0]?.revisions.map(({ name }) => name)).toEqual(['ones', 'ones', 'ones']);
    expect(newestOf(joined[0]!).revisionId).toBe('3');
    expect(revisionNumber(joined[0]!, '2')).toBe(2);
    expect(revisionNumber(joined[0]!, 'x')).toBeNull();
  });

  it('are the same whoever wrote their parts, and in whatever order', () => {
    const { shaft, ...rest } = PLAIN_BUILD;
    expect(isSameBuild(PLAIN_BUILD, { ...rest, shaft: { ...shaft } })).toBe(true);
    expect(isSameBuild(PLAIN_BUILD, { ...rest, shaft: { ...shaft, spine: 601 } })).toBe(false);
  });
});
