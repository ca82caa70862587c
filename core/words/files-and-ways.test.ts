import { describe, expect, it } from 'vitest';
import type { FigureStyle } from '../craft/show-reading.ts';
import type { ShotsIntoSession } from '../groups/shots-into-session.ts';
import { plannedBowWords, takenInWords } from './import-words.ts';
import {
  againQuestion,
  commaQuestion,
  elsewhereQuestion,
  elsewhereSays,
} from './shots-file-words.ts';
import { wayBackWords } from './way-back-words.ts';

const MM: FigureStyle = { lengthUnit: 'mm', division: 16, hand: 'right' };

describe('what taking a file in comes to', () => {
  const bow = { entries: 412, fresh: 412, isHere: false, freshPictures: 0, conflictCount: 0 };
  it('is new, known, or in conflict, with pictures', () => {
    expect(plannedBowWords(bow)).toBe('a bow that is not here yet: 412 entries');
    expect(plannedBowWords({ ...bow, entries: 1 })).toBe('a bow that is not here yet: 1 entry');
    expect(plannedBowWords({ ...bow, isHere: true, fresh: 0 })).toBe(
      'nothing new: its 412 entries are here already',
    );
    expect(plannedBowWords({ ...bow, isHere: true, fresh: 0, entries: 1 })).toBe(
      'nothing new: its 1 entry is here already',
    );
    expect(plannedBowWords({ ...bow, isHere: true, fresh: 1, freshPictures: 2 })).toBe(
      '1 new entry for a bow that is here, of 412 entries; 2 new pictures',
    );
    expect(plannedBowWords({ ...bow, conflictCount: 3 })).toContain(
      '3 entries with other content than here: it cannot be added',
    );
  });

  it('is said afterwards', () => {
    expect(takenInWords({ bows: 2, entries: 5, pictures: 1 })).toBe(
      'Taken in: 5 entries and 1 picture of 2 bows.',
    );
    expect(takenInWords({ bows: 1, entries: 1, pictures: 0 })).toBe('Taken in: 1 entry of 1 bow.');
    expect(takenInWords({ bows: 1, entries: 0, pictures: 0 })).toMatch(/^Nothing was new/);
    expect(takenInWords({ bows: 1, entries: 0, pictures: 1 })).toMatch(/^Taken in: 0 entries and/);
  });
});

describe('what is asked of a file of shots', () => {
  const shot = (line: number, distanceM: number) =>
    ({ line, distanceM }) as unknown as ShotsIntoSession['elsewhere'][number];
  const into = (facts: object) =>
    ({ here: [{}, {}, {}], already: 0, elsewhere: [], ...facts }) as unknown as ShotsIntoSession;

  it('is a comma under two columns', () => {
    const { asks, yes } = commaQuestion({ line: 3, rightMm: 10, upMm: 5 });
    expect(asks).toMatch(/^Line 3 reads as 10 mm right and 5 mm up\..*it means 10\.5 mm/);
    expect(yes).toBe('10 right and 5 up is meant');
  });

  it('is shots that are there already, all or some', () => {
    expect(againQuestion(into({ already: 3 }))).toEqual({
      asks: '3 shots in this file are in the session already, at the same places. Was the file loaded before?',
      yes: 'Take them a second time',
    });
    expect(againQuestion(into({ already: 1 }))).toEqual({
      asks: '1 of the 3 shots in this file is in the session already, at the same places. Was the file loaded before?',
      yes: 'Take all of them, those again too',
    });
  });

  it('is shots from another distance, each distance once', () => {
    const two = [shot(4, 30), shot(5, 30), shot(9, 25)];
    expect(elsewhereSays(two, 18)).toBe(
      '3 lines, the first of them line 4, were shot from 25 m, 30 m; this session is at 18 m.',
    );
    const one = elsewhereQuestion(into({ elsewhere: [shot(4, 30)] }), 18);
    expect(one.asks).toBe(
      'Line 4 was shot from 30 m; this session is at 18 m. Open a session at that distance for it.',
    );
    expect(one.yes).toBe('Take the 3 shots from 18 m only');
  });
});

describe('a step of the way back', () => {
  it('says what to turn, and that the string comes off once for all of it', () => {
    expect(
      wayBackWords({ kind: 'turn', changes: [{ control: 'twists', amount: -2 }] }, MM),
    ).toEqual({ title: '2 twists out', also: 'All of it in one unstringing. Use a stringer.' });
    expect(
      wayBackWords({ kind: 'turn', changes: [{ control: 'nockingPoint', amount: 1.5 }] }, MM).also,
    ).toBe('');
  });

  it('goes by readings where another part is on', () => {
    const step = { kind: 'byReading', reading: 'braceHeight', target: 219.1, control: 'twists' };
    const said = (amount: number | null) =>
      wayBackWords({ ...step, amount } as Parameters<typeof wayBackWords>[0], MM);
    expect(said(3)).toEqual({
      title: 'Brace height to 219.1 mm',
      also: 'About 3 twists in, then read it. What was counted then was counted on another part.',
    });
    expect(said(null).also).toMatch(/^By string twists:/);
    expect(said(0).also).toMatch(/^By string twists:/);
  });

  it('puts back, takes off, reads, and names what cannot return', () => {
    const fit = (described: string) => wayBackWords({ kind: 'fit', item: 'rest', described }, MM);
    expect(fit('the old one').title).toBe('Put back: rest, the old one');
    expect(fit('')).toEqual({ title: 'Take off: rest', also: 'There was none then.' });
    expect(wayBackWords({ kind: 'read', reading: 'tillerTop', target: 180 }, MM).title).toContain(
      '180.0 mm then',
    );
    expect(wayBackWords({ kind: 'cut', mm: 12 }, MM).title).toBe(
      'Cannot return: 12.0 mm were cut off the shaft',
    );
  });
});
