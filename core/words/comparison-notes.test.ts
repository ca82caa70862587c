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
