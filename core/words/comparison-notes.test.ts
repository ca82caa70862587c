import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { comparisonNotes } from './comparison-notes.ts';
import { changeQuestionWords } from './change-question-words.ts';

const at = [
  [0, 0],
  [3, 2],
] as const;
const notesOf = (log: BowLog) => comparisonNotes(log.state, log.state.sessions.at(-1)!);

describe('what a session cannot be compared for', () => {
  it('two things changed between two ends, named; one thing alone, or both bolts together, not', () => {
    const log = new BowLog().settle();
    const session = log.open(25);
    log.shots(session, 1, 'fletched', at);
    log.change('plungerPreload', 0.5);
    log.shots(session, 2, 'fletched', at);
    expect(notesOf(log)).toEqual([]);
    log.change('topBolt', 0.5, 'together');
    log.change('bottomBolt', 0.5, 'together');
    log.shots(session, 3, 'fletched', at);
    expect(notesOf(log)).toEqual([]);
    log.change('nockingPoint', 1);
    log.change('plungerPreload', -0.5);
    log.shots(session, 4, 'fletched', at);
    expect(notesOf(log)).toEqual([
      {
        kind: 'twoChanges',
        words:
          'nocking point and plunger preload were both changed before end 4: what either did cannot be told from the difference. To know, take one back and shoot again.',
      },
    ]);
  });
});

describe('arrows of another build', () => {
  const open = (log: BowLog, sessionId: string, arrowBuild?: string) => {
    log.add({
      kind: 'sessionOpened',
      sessionId,
      distanceM: 18,
      toleranceMm: 25,
      toleranceWhy: '',
      buttMm: 1220,
      ...(arrowBuild === undefined ? {} : { arrowBuild }),
    });
    log.shots(sessionId, 1, 'fletched', at);
  };

  it('are said where they differ from last time, and not where they are the same or nobody said', () => {
    const log = new BowLog().settle();
    open(log, 'first', 'aluminium');
    expect(notesOf(log)).toEqual([]);
    open(log, 'same', 'aluminium ');
    expect(notesOf(log)).toEqual([]);
    open(log, 'unsaid');
    expect(notesOf(log)).toEqual([]);
    // The one before did not say: the last that did counts.
    open(log, 'other', 'carbon');
    expect(notesOf(log)).toEqual([
      {
        kind: 'mixedBuilds',
        words:
          'Another build than last time (aluminium): what was learned with that one informs this less.',
      },
    ]);
  });

  it('are said where two are shot in one session', () => {
    const log = new BowLog().settle();
    open(log, 'one', 'carbon');
    log.add({ kind: 'endNoted', sessionId: 'one', endNumber: 2, arrowBuild: 'wood' });
    log.shots('one', 2, 'fletched', at);
    expect(notesOf(log)[0]?.words).toBe(
      'Two builds of arrow in one session: carbon, wood. They are not pooled: each is judged from where it was shot.',
    );
  });
});

describe('what is asked before a change', () => {
  const out = [{ control: 'topBolt', amount: -2 }] as const;
  it('each question, and the answer that lets it through', () => {
    expect(changeQuestionWords(['threadAndSeat'], out)).toEqual({
      asks: 'Top bolt 2 turns out: the maker’s travel is unknown. Is as much thread as the bolt is thick still in the riser, and does the limb sit firm by hand?',
      yes: 'Yes to both: log it',
    });
    expect(changeQuestionWords(['strandsHold'], [{ control: 'twists', amount: -4 }])).toEqual({
      asks: '4 twists out: nobody has counted the twists. Does no finger slip between the strands after it?',
      yes: 'They hold: log it',
    });
    expect(changeQuestionWords(['aLot'], out)).toEqual({
      asks: 'Top bolt 2 turns out: that is a lot in one go. Is it right?',
      yes: 'It is right: log it',
    });
    expect(changeQuestionWords(['aLot', 'strandsHold'], out).yes).toBe('They hold: log it');
  });
});
