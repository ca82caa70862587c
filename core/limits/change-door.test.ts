import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { Control } from '../craft/controls.ts';
import { changeDoor, type ControlChange } from './change-door.ts';
import { changeQuestionWords } from '../words/change-question-words.ts';
import { refusalWords } from '../words/limit-words.ts';

const turn = (control: Control, amount: number): ControlChange => ({ control, amount });
const door = (facts: object, ...changes: ControlChange[]) =>
  changeDoor(new BowLog(facts).state, changes);
const GUESSED = { maker: {} };

describe('the door of a change', () => {
  it('asks for thread and seat when a bolt goes out on a guess, and only then', () => {
    expect(door(GUESSED, turn('topBolt', -0.5))).toEqual({
      kind: 'ask',
      questions: ['threadAndSeat'],
    });
    expect(door(GUESSED, turn('bottomBolt', -0.5))).toEqual({
      kind: 'ask',
      questions: ['threadAndSeat'],
    });
    expect(door(GUESSED, turn('topBolt', 0.5))).toEqual({ kind: 'open' });
    expect(door({}, turn('topBolt', -0.5))).toEqual({ kind: 'open' });
    expect(door(GUESSED, turn('twists', -2))).toEqual({ kind: 'open' });
    expect(door(GUESSED, turn('topBolt', 0.5), turn('bottomBolt', -0.5))).toMatchObject({
      questions: ['threadAndSeat'],
    });
  });

  it('asks whether the strands hold when twists nobody counted go out', () => {
    const uncounted = { twistsAtStart: undefined };
    expect(door(uncounted, turn('twists', -2))).toEqual({
      kind: 'ask',
      questions: ['strandsHold'],
    });
    expect(door(uncounted, turn('twists', 2))).toEqual({ kind: 'open' });
    expect(door({}, turn('twists', -2))).toEqual({ kind: 'open' });
    expect(door(uncounted, turn('plungerReach', -0.5))).toEqual({ kind: 'open' });
  });

  it.each([
    ['twists', 12],
    ['nockingPoint', 6],
    ['plungerReach', 2],
    ['plungerPreload', 2],
    ['sidePlate', 3],
    ['restHeight', 5],
    ['topSideScrews', 1],
    ['pointMass', 4],
  ] as const)('asks about more than %s %f in one go, either way', (control, most) => {
    const arrow = { described: '', lengthMm: 800, diameterMm: 6, pointMassG: 12 };
    const way = control === 'twists' ? 1 : -1;
    expect(door({ arrow }, turn(control, most * way))).toEqual({ kind: 'open' });
    expect(door({ arrow }, turn(control, (most + 0.125) * way))).toEqual({
      kind: 'ask',
      questions: ['aLot'],
    });
  });

  it('refuses first: what a limit forbids is not asked about', () => {
    expect(door(GUESSED, turn('topBolt', -2))).toMatchObject({
      kind: 'refused',
      refusal: { code: 'beyondBoltTravel' },
    });
  });

  it('asks in the workshop’s words, and says yes in them', () => {
    const asked = [turn('topBolt', -0.5)];
    expect(changeQuestionWords(['threadAndSeat'], asked)).toEqual({
      asks: 'Top bolt 1/2 turn out: the maker’s travel is unknown. Is as much thread as the bolt is thick still in the riser, and does the limb sit firm by hand?',
      yes: 'Yes to both: log it',
    });
    expect(changeQuestionWords(['strandsHold'], [turn('twists', -2)])).toMatchObject({
      asks: expect.stringContaining(
        'no finger slips between the strands'.replace('slips', 'slip'),
      ) as string,
      yes: 'They hold: log it',
    });
    expect(changeQuestionWords(['aLot'], [turn('twists', 14)])).toMatchObject({
      asks: expect.stringContaining('a lot in one go') as string,
      yes: 'It is right: log it',
    });
  });
});

describe('a refusal in words', () => {
  const words = (facts: object, control: Control, amount: number) => {
    const log = new BowLog(facts).settle();
    const found = changeDoor(log.state, [turn(control, amount)]);
    if (found.kind !== 'refused') throw new Error(found.kind);
    const { says, remedy } = refusalWords(
      found.refusal,
      [{ kind: 'change', control, amount, because: '' }],
      log.state,
    );
    return `${says} ${remedy}`;
  };
  const arrow = { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 6.48 };
  it.each<readonly [object, Control, number, RegExp]>([
    [
      {},
      'topBolt',
      -2,
      /3 1\/2 turns out; the maker allows 3 turns out.*Top bolt 1 1\/2 turns out/,
    ],
    [{}, 'topBolt', 2, /past the stop/],
    [GUESSED, 'bottomBolt', -2, /3 turns out is allowed while the maker’s travel is unknown.*mt/],
    [{ boltTurnsOutAtStart: undefined }, 'topBolt', 1, /Nobody has counted.*bo\./],
    [{}, 'twists', -9, /15 twists in this string; 16 to 49 is safe.*Strands would separate/],
    [{ twistsAtStart: 48 }, 'twists', 2, /shorter string/],
    [{}, 'twists', 12, /outside the maker’s range: 8 1\/4 to 8 3\/4 in.*never left/],
    [{ maker: {} }, 'twists', 24, /limits used while the maker’s are unknown.*mb.*because/],
    [{}, 'shaftCut', 6, /the shaft has not been measured.*fit-out/],
    [{ arrow }, 'shaftCut', 30, /737 mm that are safe.*23 mm can go.*into the hand/],
    [{ arrow }, 'shaftCut', -3, /No saw/],
    [{}, 'nockingPoint', -5, /above square/],
    [{}, 'topSideScrews', 2.5, /top pocket’s side screws.*2 turns.*technician/],
    [{ arrow }, 'pointMass', -5, /there are points from 30 gr to 400 gr/],
    [{ arrow: { ...arrow, massG: 14 } }, 'pointMass', -2, /nothing under \d+ gr.*dry shot/],
  ])('%j %s %f', (facts, control, amount, says) => {
    expect(words(facts, control, amount)).toMatch(says);
  });
});
