import { describe, expect, it } from 'vitest';
import type { EntryBody } from '../log/entry.ts';
import { heardElsewhere } from './heard-elsewhere.ts';

const opened = (searchId: string, practiceSeed?: number): EntryBody => ({
  kind: 'braceSearchOpened',
  searchId,
  purpose: 'quiet',
  lowMm: 205,
  highMm: 225,
  beginsAt: 'low',
  silencers: 'none',
  distanceM: 10,
  keepsSounds: false,
  ...(practiceSeed === undefined ? {} : { practiceSeed }),
});
const shot = (searchId: string, source: 'microphone' | 'file' | 'standIn'): EntryBody => ({
  kind: 'shotHeard',
  searchId,
  source,
  levelDb: -40,
  centroidHz: 600,
  octavesDb: [-60, -50, -45, -44, -46, -50, -60],
  roomDb: -80,
});

describe('a shot put down to another bow', () => {
  it('is a microphone’s in a practice, or the stand-in’s in a search of the bow', () => {
    expect(heardElsewhere([], [opened('a', 5), shot('a', 'standIn')])).toBeNull();
    expect(
      heardElsewhere([], [opened('a'), shot('a', 'file'), shot('a', 'microphone')]),
    ).toBeNull();
    expect(heardElsewhere([], [opened('a', 5), shot('a', 'microphone')])).toBe(1);
    expect(heardElsewhere([], [opened('a'), shot('a', 'file'), shot('a', 'standIn')])).toBe(2);
  });

  it('is judged by the search it names, wherever that was opened', () => {
    expect(
      heardElsewhere([], [opened('a', 5), opened('b'), shot('b', 'file'), shot('a', 'standIn')]),
    ).toBeNull();
    expect(heardElsewhere([], [shot('unknown', 'file')])).toBeNull();
  });
});
