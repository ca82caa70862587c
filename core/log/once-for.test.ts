import { describe, expect, it } from 'vitest';
import { onceFor, onceForPair } from './once-for.ts';

describe('what is worked out once', () => {
  it('is worked out again for another thing, though it looks the same', () => {
    let worked = 0;
    const lengthOf = onceFor((words: readonly string[]) => {
      worked += 1;
      return words.length;
    });
    const words = ['brace', 'tiller'];
    expect([lengthOf(words), lengthOf(words), worked]).toEqual([2, 2, 1]);
    expect([lengthOf(['brace', 'tiller']), worked]).toEqual([2, 2]);
  });

  it('is remembered when there is nothing to remember', () => {
    let worked = 0;
    const nothing = onceFor((_of: object): string | undefined => {
      worked += 1;
      return undefined;
    });
    const thing = {};
    expect([nothing(thing), nothing(thing), worked]).toEqual([undefined, undefined, 1]);
  });

  it('of two things hangs on both, and on their order', () => {
    const asked: string[] = [];
    const joined = onceForPair((one: { name: string }, other: { name: string }) => {
      asked.push(one.name + other.name);
      return one.name + other.name;
    });
    const [a, b] = [{ name: 'a' }, { name: 'b' }];
    expect([joined(a, b), joined(b, a), joined(a, a), joined(a, b)]).toEqual([
      'ab',
      'ba',
      'aa',
      'ab',
    ]);
    expect(asked).toEqual(['ab', 'ba', 'aa']);
  });
});
