import { describe, expect, it } from 'vitest';
import { braceStanding } from '../brace-search/brace-decision.ts';
import type { HeightTried } from '../brace-search/noise-curve.ts';
import type { SearchStanding } from '../brace-search/search-next.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import {
  alikeWords,
  creepWords,
  howSureWords,
  oneMoreWords,
  settledWords,
  stillWords,
  stringOffWords,
} from './brace-search-words.ts';
import { braceSearchMoveWords, openSearchWords } from './moves/brace-search-move-words.ts';
import { stepStates } from '../order/step-states.ts';
import type { MoveBecause } from '../advice/move-because.ts';

const MM = { lengthUnit: 'mm', division: 16 } as const;
const RANGE = { lowMm: 210, highMm: 222 };
const sounded = (heightMm: number, db: number): HeightTried => ({
  heightMm,
  levelsDb: [db - 0.2, db, db + 0.2],
  heard: null,
});
const judgedOf = (...tried: readonly HeightTried[]) =>
  braceStanding(tried, RANGE, { twistMm: 0.8, touchedMm: null });
const standing = (facts: object): SearchStanding =>
  ({
    judged: null,
    visits: [],
    creepMm: null,
    stringOffs: 3,
    bestTwoStringOffs: 0,
    ...facts,
  }) as unknown as SearchStanding;
const SHOT = { shots: [{}, {}] };

describe('how sure a search is', () => {
  it('says nothing before there is anything to compare', () => {
    expect(howSureWords(standing({}))).toMatch(/^Nothing is known yet/);
    expect(howSureWords(standing({ judged: judgedOf(sounded(214, 1)) }))).toMatch(/^One height/);
    expect(oneMoreWords(standing({}))).toBeNull();
    expect(oneMoreWords(standing({ judged: judgedOf(sounded(214, 1)) }))).toBeNull();
  });

  it('is 9 times in 10, by the microphone or by ear alone', () => {
    const judged = judgedOf(sounded(212, 3), sounded(216, 0), sounded(220, 3));
    expect(howSureWords(standing({ judged, visits: [SHOT] }))).toMatch(
      /^9 times in 10 no height is more than \d+\.\d dB quieter than the best of these\.$/,
    );
    expect(howSureWords(standing({ judged, visits: [{ shots: [] }] }))).toMatch(
      /^By ear alone: 9 times in 10/,
    );
  });

  it('tells what one more height would bring, or that nobody would hear it', () => {
    const judged = judgedOf(sounded(212, 3), sounded(216, 0), sounded(220, 3));
    const worth = (worthDb: number) =>
      oneMoreWords(
        standing({
          judged: { ...judged, next: { kind: 'try', twists: 2, worthDb, heightMm: 214 } },
        }),
      );
    expect(worth(0.74)).toBe('One more height is expected to bring 0.7 dB.');
    expect(worth(0.01)).toBe('One more height is expected to bring 0.1 dB.');
    const settled = { kind: 'settle', heightMm: 216, flat: false };
    const after = (regretDb: number) =>
      oneMoreWords(standing({ judged: { ...judged, next: settled, regretDb } }));
    expect(after(0.24)).toBe(
      'One more height would bring at most 0.2 dB, less than anybody hears.',
    );
    expect(after(0.02)).toBe('One more height would bring next to nothing.');
  });

  it('names the heights that cannot be told apart, or two valleys', () => {
    const judged = judgedOf(sounded(212, 3), sounded(216, 0), sounded(218, 0.1));
    const alike = (at: readonly number[], twoValleysMm: readonly number[] | null = null) =>
      alikeWords(standing({ judged: { ...judged, alike: at, twoValleysMm } }), MM);
    expect(alike([1])).toBeNull();
    expect(alike([1, 2])).toBe('From 216.0 mm to 218.0 mm they cannot be told apart.');
    expect(alike([1, 2], [213, 220])).toBe(
      'Two places are equally quiet, with a louder one between: 213.0 mm and 220.0 mm.',
    );
    expect(alikeWords(standing({}), MM)).toBeNull();
  });

  it('counts what is still to come, string-offs and creep', () => {
    expect(stillWords(0, 3, 'reading')).toBe('3 readings');
    expect(stillWords(2, 3, 'reading')).toBe('1 reading');
    expect(stillWords(5, 3, 'shot')).toBe('1 shot');
    expect(stringOffWords(standing({ stringOffs: 1 }))).toBe('1 string-off');
    expect(stringOffWords(standing({ bestTwoStringOffs: 2 }))).toBe(
      '3 string-offs, and 2 for the side-by-side',
    );
    expect(creepWords(standing({}))).toBeNull();
    expect(creepWords(standing({ creepMm: 1.24 }))).toContain('falls about 1.2 mm');
  });

  it('says in one line what it came to', () => {
    const judged = { ...judgedOf(sounded(212, 3), sounded(216, 0), sounded(220, 3)), alike: [1] };
    const said = (purpose: 'quiet' | 'lowestClear') =>
      settledWords({ purpose }, standing({ judged, visits: [SHOT] }), MM);
    expect(said('quiet')).toMatch(/^Of 3 heights the quiet one\. 9 times in 10/);
    expect(said('lowestClear')).toMatch(
      /^Of 3 heights the lowest that is quiet and clears the arm/,
    );
  });
});

describe('the next move of a search', () => {
  const { state } = new BowLog({ lengthUnit: 'mm' });
  type Because = Extract<MoveBecause, { topic: 'braceSearch' }>;
  const said = (next: object, facts: object = {}, practiceSeed?: number) =>
    braceSearchMoveWords(state, {
      topic: 'braceSearch',
      search: { practiceSeed },
      standing: standing({ next, here: { heightMm: 216 }, ...facts }),
    } as unknown as Because);

  it('is what is done with string, tool and ear', () => {
    expect(said({ kind: 'readBrace', have: 1, want: 3 })).toMatchObject({
      title: 'Read the brace: 2 readings',
      thenCheck: 'Type b and the readings with spaces between.',
      doneLabel: 'Enter it',
    });
    expect(said({ kind: 'shoot', have: 0, want: 3 })).toMatchObject({
      title: 'Shoot 3 shots and listen',
      expect: 'At 216.0 mm',
    });
    expect(said({ kind: 'shoot', have: 0, want: 3 }, { here: null }).expect).toBeNull();
    const twist = { kind: 'twist', twists: 4, for: 'look', heightMm: 219, worthDb: 0.62 };
    expect(said(twist)).toMatchObject({
      title: '4 twists in',
      expect: 'Expect brace about 219.0 mm',
      why: 'There it may be quieter, or it is not known yet how it is there. It is expected to bring 0.6 dB.',
    });
    expect(said({ ...twist, twists: -2, for: 'return', worthDb: null })).toMatchObject({
      title: '2 twists out',
      why: 'Back to the height it settles on.',
    });
  });

  it('is the end of it, flat or not', () => {
    const judged = judgedOf(sounded(212, 3), sounded(216, 0), sounded(220, 3));
    const settle = (flat: boolean) =>
      said({ kind: 'settle', heightMm: 216, flat }, { judged, visits: [SHOT] });
    expect(settle(false).title).toBe('Settle on 216.0 mm');
    expect(settle(false).why).toMatch(/^9 times in 10/);
    expect(settle(true).why).toBe(
      'These 3 cannot be told apart: take the lowest that clears your arm.',
    );
    expect(said({ kind: 'seeSilencers' }).title).toBe('Silencers back on, and shoot once');
    expect(said({ kind: 'armAlways' }).title).toContain('touches the arm');
    expect(said({ kind: 'over' }).title).toBe('The search is over');
  });

  it('gives its reasons, and of a practice nothing of this bow', () => {
    const { reasons } = said({ kind: 'over' }, { creepMm: 1 });
    expect(reasons.some((one) => one.includes('1 twist ='))).toBe(true);
    expect(reasons.some((one) => one.includes('still creeps'))).toBe(true);
    expect(reasons.at(-1)).toBe('So far 3 string-offs.');
    const practice = said({ kind: 'over' }, {}, 7).reasons;
    expect(practice.some((one) => one.includes('1 twist ='))).toBe(false);
  });

  it('opens the search from its step', () => {
    const status = stepStates(state).find(({ step }) => step.id === 'braceSearch')!;
    expect(openSearchWords({ topic: 'openBraceSearch', status })).toMatchObject({
      title: 'Look for the quiet brace height',
      doneLabel: 'Open the search',
    });
  });
});
