import { describe, expect, it } from 'vitest';
import { bowFor } from '#core/fixtures/bow-log.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { lastEntered } from './last-entered.ts';

const { bow } = bowFor('right').state;
const heard: EntryBody = {
  kind: 'shotHeard',
  searchId: 's',
  source: 'microphone',
  levelDb: -3,
  centroidHz: 500,
  octavesDb: [0, 0, 0, 0, 0, 0, 0],
  roomDb: -40,
};
const noted: EntryBody = { kind: 'note', text: 'wind' };

describe('what was entered last', () => {
  it('is said once with its count where it is the same thing several times', () => {
    expect(lastEntered(['a', 'b', 'c'], [heard, heard, heard], bow)?.words).toBe(
      'Shot recorded (3 times)',
    );
  });

  it('keeps its order where the things differ', () => {
    const words = lastEntered(['a', 'b', 'c'], [heard, noted, heard], bow)?.words ?? '';
    expect(words).toMatch(/^Shot recorded \(2 times\), .*wind/);
  });

  it('is nothing after something was taken back', () => {
    expect(lastEntered(['a'], [{ kind: 'undone', entryId: 'x' }], bow)).toBeNull();
  });
});
