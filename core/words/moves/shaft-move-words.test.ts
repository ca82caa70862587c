import { describe, expect, it } from 'vitest';
import type { BareShaftBecause } from '../../advice/move-because.ts';
import { blameList } from '../../craft/blame-list.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import { setAsideWords, twoHeapsWords } from './shaft-move-words.ts';

const { state } = new BowLog({ hand: 'right' });
type SetAside = Extract<BareShaftBecause, { topic: 'bareShaftSetAside' }>;
type TwoHeaps = Extract<BareShaftBecause, { topic: 'bareShaftTwoHeaps' }>;
const apart = (outwardMm: number, upMm: number) =>
  setAsideWords(state, {
    topic: 'bareShaftSetAside',
    decision: {
      kind: 'setAside',
      shaft: { kind: 'oneApart', arrow: 'bare', arrowNumber: 3, shots: 6, outwardMm, upMm },
    },
  } as unknown as SetAside);

describe('the words of shafts that fall apart', () => {
  it('name the shaft and where it lands, both ways only where both are worth it', () => {
    expect(apart(121, 8)).toMatchObject({
      title: 'Set bare shaft 3 aside',
      expect: expect.stringMatching(/^It lands 12 cm left of the others:/) as string,
      why: expect.stringMatching(
        /^Bare shaft 3 fell 12 cm left of its fellows in 6 shots/,
      ) as string,
    });
    expect(apart(-80, 60).expect).toContain('8 cm right and 6 cm high of the others');
    // Four tenths of the larger part is just worth a word.
    expect(apart(100, -40).expect).toContain('10 cm left and 4 cm low');
    expect(apart(100, -39).expect).not.toContain('low');
  });

  it('say two heaps with what is left to look at', () => {
    const [first, second] = blameList('sighted');
    const words = twoHeapsWords(state, {
      topic: 'bareShaftTwoHeaps',
      decision: {
        kind: 'twoHeaps',
        heaps: { kind: 'twoHeaps', shots: 5, of: 12, outwardMm: 90, upMm: 0 },
      },
      items: [second!.id],
    } as unknown as TwoHeaps);
    expect(words.expect).toBe('5 of 12 bare shafts land 9 cm left of the rest');
    expect(words.reasons).toContain(second!.words);
    expect(words.reasons).not.toContain(first!.words);
    expect(words.reasons.at(-1)).toMatch(/^Number the shafts/);
  });
});
