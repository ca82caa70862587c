import { describe, expect, it } from 'vitest';
import { MarksLog } from '../fixtures/marks-log.ts';
import type { BowState } from '../log/bow-state.ts';
import { stepStates } from '../order/step-states.ts';
import { speakMove } from '../words/moves/speak-move.ts';
import { stepWords } from '../words/step-words.ts';
import { openMarksMove } from './marks-move.ts';
import { nextMove } from './next-move.ts';

const near = { distanceM: 18, set: 4.2, ups: [10, -10, 0] };
const far = { distanceM: 40, set: 6, ups: [30, 50] };

function stepOf(state: BowState) {
  const status = stepStates(state).find(({ step }) => step.id === 'sightMarks')!;
  return { ...status, says: stepWords(status) };
}

describe('the step of sight marks', () => {
  it('holds from two distances on, and says how far it has come before', () => {
    const log = new MarksLog();
    expect(stepOf(log.state)).toMatchObject({ state: 'toDo', says: 'to do' });
    log.beginMarks('a').markEnd('a', 1, near);
    expect(stepOf(log.state)).toMatchObject({
      state: 'toDo',
      begun: true,
      says: '1 of 2 distances',
    });
    // A step to the side of the same distance is no second one.
    log.markEnd('a', 2, { ...near, distanceM: 18.4 });
    expect(stepOf(log.state).state).toBe('toDo');
    log.markEnd('a', 3, far);
    expect(stepOf(log.state)).toMatchObject({ state: 'holds', says: 'holds' });
  });

  it('is stale after a change of the tune, and one distance shot puts it right', () => {
    const log = new MarksLog().beginMarks('a').markEnd('a', 1, near).markEnd('a', 2, far);
    log.change('nockingPoint', 1);
    expect(stepOf(log.state)).toMatchObject({
      state: 'stale',
      clearedAt: expect.any(String) as unknown,
    });
    expect(stepOf(log.state).upsetBy).toMatchObject([{ control: 'nockingPoint' }]);
    log.beginMarks('b').markEnd('b', 1, near);
    expect(stepOf(log.state).state).toBe('holds');
  });

  it('takes the tuner’s word, whatever was shot', () => {
    const log = new MarksLog().beginMarks('a').markEnd('a', 1, near).markEnd('a', 2, far);
    log.change('twists', 2);
    log.add({ kind: 'stepConfirmed', step: 'sightMarks', note: 'as they were' });
    expect(stepOf(log.state)).toMatchObject({ state: 'holds', upsetBy: [] });
    log.change('twists', -2);
    expect(stepOf(log.state).state).toBe('stale');
    // What was shot before the word says nothing newer than it.
    expect(stepOf(log.state).upsetBy).toHaveLength(1);
  });

  it('is not cleared by an end of which nobody said what was set', () => {
    const log = new MarksLog().beginMarks('a').markEnd('a', 1, near);
    log.markEnd('a', 2, { ...far, set: null });
    expect(stepOf(log.state).state).toBe('toDo');
  });
});

describe('the next move of marks', () => {
  const said = (state: BowState) => speakMove(state, openMarksMove(state, stepOf(state)));

  it('leads to a session of theirs, and says what is still to be shot', () => {
    const log = new MarksLog();
    expect(openMarksMove(log.state, stepOf(log.state)).action).toEqual({
      kind: 'openSession',
      sessionKind: 'marks',
    });
    expect(said(log.state)).toMatchObject({
      title: 'Shoot for sight marks',
      expect: expect.stringMatching(
        /^Two distances, six arrows and what the sight read/,
      ) as unknown,
    });
    log.beginMarks('a').markEnd('a', 1, near).markEnd('a', 2, far).change('nockingPoint', 1);
    expect(said(log.state)).toMatchObject({
      title: 'Shoot one distance again for sight marks',
      why: expect.stringContaining('nocking point') as unknown,
    });
  });

  it('names what the archer aims with', () => {
    const expected = (facts: ConstructorParameters<typeof MarksLog>[0]) =>
      said(new MarksLog(facts).state).expect;
    expect(expected({ school: 'barebow', hook: 'stringWalk' })).toMatch(/six arrows and the crawl/);
    expect(expected({ school: 'barebow', hook: 'split' })).toMatch(
      /six arrows and where the point was laid/,
    );
    expect(said(new MarksLog({ school: 'barebow', hook: 'stringWalk' }).state).title).toBe(
      'Shoot for crawls',
    );
    expect(said(new MarksLog({ school: 'shelfTarget', hook: 'split' }).state).title).toBe(
      'Shoot for point-on and gaps',
    );
  });

  it('asks for ends while its session is open, and for nothing once all of them hold', () => {
    const log = new MarksLog().settle();
    log.add({ kind: 'itemFitted', item: 'nock', described: 'clicks', touches: [] });
    log.beginMarks('a').markEnd('a', 1, near);
    const now = () => nextMove(log.state, Date.parse(log.state.lastAt));
    expect(now()?.because).toMatchObject({ topic: 'marks', standing: { distances: 1 } });
    log.markEnd('a', 2, far);
    expect(now()?.because.topic).not.toBe('marks');
  });
});
