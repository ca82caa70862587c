import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { lineWords, searchedWords } from '../words/story-words.ts';
import { readingCurve, thinned } from './reading-curve.ts';
import { reversalsOf } from './reversals.ts';
import { findLines, type StoryWish } from './story-filter.ts';
import { storyLines } from './story-lines.ts';

const ANYTHING: StoryWish = { topic: null, by: null, step: null, control: null, text: '' };

function story() {
  const log = new BowLog();
  log.read('braceHeight', 219);
  log.change('topBolt', 0.25, 'one move');
  log.change('bottomBolt', 0.25, 'one move');
  log.add({
    kind: 'sessionOpened',
    sessionId: 's',
    distanceM: 18,
    toleranceMm: 25,
    toleranceWhy: '',
    buttMm: 1200,
  });
  for (const n of [1, 2, 3])
    log.add({
      kind: 'shotPlaced',
      sessionId: 's',
      shotId: `shot ${n}`,
      endNumber: 1,
      arrow: 'bare',
      outwardMm: 40,
      upMm: 0,
      calledBad: false,
    });
  log.add({ kind: 'note', text: 'The new string has crept about 2 mm. Über den Winter.' });
  return log;
}

const said = (log: BowLog, wish: Partial<StoryWish>) => {
  const { bow } = log.state;
  return findLines(storyLines(log.log), { ...ANYTHING, ...wish }, (line) =>
    searchedWords(line, bow),
  ).map((line) => lineWords(line, bow));
};

describe('lines of the story', () => {
  it('tell a move of two bolts and a session with its shots as one each', () => {
    const log = story();
    expect(said(log, {}).slice(1)).toEqual([
      'Brace height 8 5/8 in',
      'Both bolts 1/4 turn in',
      'Bare shaft at 18 m, 3 shots',
      'The new string has crept about 2 mm. Über den Winter.',
    ]);
  });

  it('tell a search with what was heard in it as one, its turns and readings by themselves', () => {
    const log = new BowLog();
    log.add({
      kind: 'braceSearchOpened',
      searchId: 'q',
      purpose: 'quiet',
      lowMm: 210,
      highMm: 222,
      beginsAt: 'here',
      silencers: 'none',
      distanceM: 10,
      keepsSounds: false,
    });
    const heard = () =>
      log.add({
        kind: 'shotHeard',
        searchId: 'q',
        source: 'microphone',
        levelDb: -40,
        centroidHz: 600,
        octavesDb: [0, 0, 0, 0, 0, 0, 0],
        roomDb: -80,
      });
    heard();
    log.change('twists', 3);
    heard();
    const words = 'Search for the quiet brace height, 2 shots recorded, ';
    expect(said(log, {}).slice(1)).toEqual([`${words}open`, '3 twists in']);
    log.add({ kind: 'braceSearchClosed', searchId: 'q', settledMm: 219.075 });
    expect(said(log, { step: 'braceSearch' })[0]).toBe(`${words}brace search settled at 8 5/8 in`);
  });

  it('say what of them was taken back', () => {
    const log = story();
    const shots = log.log.filter(({ body }) => body.kind === 'shotPlaced');
    log.add({ kind: 'undone', entryId: shots[0]!.id });
    const opened = log.log.find(({ body }) => body.kind === 'sessionOpened')!;
    const standsOf = () => storyLines(log.log).find(({ first }) => first.id === opened.id)?.stands;
    expect(standsOf()).toBe('partly');
    log.add({ kind: 'undone', entryId: opened.id });
    expect(standsOf()).toBe('no');
  });

  it('are found by what, who, step, control and words in any order', () => {
    const log = story();
    expect(said(log, { topic: 'session' })).toEqual(['Bare shaft at 18 m, 3 shots']);
    expect(said(log, { control: 'bottomBolt' })).toEqual(['Both bolts 1/4 turn in']);
    expect(said(log, { step: 'roughBrace' })).toEqual([
      'Brace height 8 5/8 in',
      'Both bolts 1/4 turn in',
    ]);
    expect(said(log, { text: 'crept STRING' })).toHaveLength(1);
    expect(said(log, { text: 'uber' })).toHaveLength(1);
    expect(said(log, { text: 'crept bolts' })).toEqual([]);
    expect(said(log, { by: 'somebody else' })).toEqual([]);
  });
});

describe('what was taken back and put back', () => {
  it('is told in order, however often', () => {
    const log = story();
    const note = log.log.at(-1)!.id;
    const first = log.add({ kind: 'undone', entryId: note, why: 'another bow' });
    const second = log.add({ kind: 'undone', entryId: first });
    log.add({ kind: 'undone', entryId: second });
    const { of, standing } = reversalsOf(log.log);
    expect(of.get(note)?.map(({ to }) => to)).toEqual(['takenBack', 'putBack', 'takenBack']);
    expect(of.get(note)?.[0]?.why).toBe('another bow');
    expect(standing.get(note)).toEqual([first]);
  });
});

describe('the curve of a reading', () => {
  it('goes by the shots the bow had had, over strings, with what moves it marked', () => {
    const log = new BowLog();
    log.read('braceHeight', 219, 219.2);
    log.add({ kind: 'shotsFired', count: 30, note: '' });
    log.read('braceHeight', 217.5);
    log.change('twists', 2);
    log.change('nockingPoint', 1);
    log.fitString('other', 20);
    log.add({ kind: 'shotsFired', count: 12, note: '' });
    log.read('braceHeight', 221);
    const curve = readingCurve(log.state, 'braceHeight');
    expect(curve.points.map(({ shots, value, stretch }) => [shots, value, stretch])).toEqual([
      [0, 219.1, 0],
      [30, 217.5, 0],
      [42, 221, 2],
    ]);
    expect(curve.marks.map((mark) => [mark.kind, mark.shots])).toEqual([
      ['change', 30],
      ['string', 30],
    ]);
    expect(curve.points.every(({ plusMinus }) => plusMinus > 0.5 && plusMinus < 3)).toBe(true);
  });

  it('keeps its ends and its extremes when it is thinned', () => {
    const points = Array.from({ length: 10_000 }, (_, at) => ({
      entryId: `${at}`,
      at: `${at}`,
      shots: at,
      value: at === 4321 ? 99 : at === 7654 ? -99 : Math.sin(at / 500),
      plusMinus: 1,
      stretch: 0,
    }));
    const kept = thinned(points, 400);
    expect(kept.length).toBeLessThanOrEqual(440);
    expect(kept[0]).toBe(points[0]);
    expect(kept.at(-1)).toBe(points.at(-1));
    expect(kept).toContain(points[4321]);
    expect(kept).toContain(points[7654]);
    expect(thinned(points.slice(0, 400), 400)).toHaveLength(400);
  });
});
