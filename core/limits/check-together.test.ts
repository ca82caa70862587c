import { describe, expect, it } from 'vitest';
import type { Control } from '../craft/controls.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { change, refusalOf as code } from '../fixtures/proposals.ts';
import type { EntryBody } from '../log/entry.ts';
import { checkProposal } from './check-proposal.ts';

describe('a string put on', () => {
  const fitted = (twists: number | undefined, despite?: string): EntryBody => ({
    kind: 'itemFitted',
    item: 'string',
    described: 'new',
    touches: [],
    string: {
      stringId: 'new',
      material: 'lowStretch',
      shotsBefore: 0,
      ...(twists === undefined ? {} : { twists }),
    },
    ...(despite === undefined ? {} : { despite }),
  });
  it('holds 16 to 49 twists on a 66 in recurve; uncounted it passes, done already it is recorded', () => {
    for (const [twists, expected] of [
      [0, 'twistsOutside'],
      [2, 'twistsOutside'],
      [15, 'twistsOutside'],
      [16, null],
      [49, null],
      [50, 'twistsOutside'],
      [undefined, null],
    ] as const)
      expect(code(new BowLog(), fitted(twists))).toBe(expected);
    expect(checkProposal(new BowLog().state, [fitted(2)])).toEqual({
      code: 'twistsOutside',
      twists: 2,
      fewest: 16,
      most: 49,
      at: 0,
      nearest: null,
    });
    expect(code(new BowLog(), fitted(2, 'it was on already'))).toBeNull();
  });
});

describe('what goes together', () => {
  it('turns of one move are one move only while they stand together and name the same one', () => {
    const bow = new BowLog();
    const apart = [
      change('topBolt', 1.5, { moveId: 'a' }),
      change('bottomBolt', -1.5, { moveId: 'b' }),
      change('bottomBolt', 1.5, { moveId: 'b' }),
    ];
    // The second move is one: apart in its middle, together at its end.
    expect(checkProposal(bow.state, apart)).toBeNull();
    expect(checkProposal(bow.state, apart.slice(0, 2))).toMatchObject({ at: 1, nearest: -0.5 });
    const cutInTwo = [apart[0]!, apart[1]!, { kind: 'note', text: '' } as const, apart[2]!];
    expect(checkProposal(bow.state, cutInTwo)).toMatchObject({ code: 'boltsTooFarApart', at: 1 });
    const twoInOne = [
      change('topBolt', 1.5, { moveId: 'm' }),
      change('bottomBolt', -1.5, { moveId: 'm' }),
    ];
    expect(checkProposal(bow.state, twoInOne)).toMatchObject({ at: 1, nearest: null });
  });

  it('a fact among proposals moves where the next one starts from', () => {
    const bow = new BowLog();
    const done = change('topBolt', -3, { despite: 'was so' });
    expect(checkProposal(bow.state, [done, change('topBolt', -0.125)])).toMatchObject({ at: 1 });
    expect(checkProposal(bow.state, [done, change('topBolt', 1)])).toBeNull();
    expect(code(bow, change('topBolt', -3, { despite: '  ' }))).toBe('beyondBoltTravel');
    // Facts alone are not held to each other either.
    const both = [
      change('topBolt', 1.5, { moveId: 'm', despite: 'so' }),
      change('bottomBolt', -1.5, { moveId: 'm', despite: 'so' }),
    ];
    expect(checkProposal(bow.state, both)).toBeNull();
  });

  it('the nearest is one step where only one is left, none where none is', () => {
    const nearest = (control: Control, amount: number) =>
      checkProposal(new BowLog({ boltTurnsOutAtStart: 2.875 }).state, [change(control, amount)])
        ?.nearest;
    expect(nearest('topBolt', -0.5)).toBe(-0.125);
    expect(
      checkProposal(new BowLog({ boltTurnsOutAtStart: 3 }).state, [change('topBolt', -0.5)])
        ?.nearest,
    ).toBeNull();
  });

  it('bands of anything but brace are held to no limit of the brace', () => {
    expect(
      code(new BowLog(), {
        kind: 'targetSet',
        reading: 'nockingHeight',
        low: 3,
        high: 9,
        name: 'own',
        why: '',
      }),
    ).toBeNull();
    const band = (low: number, high: number, why: string): EntryBody => ({
      kind: 'targetSet',
      reading: 'braceHeight',
      low,
      high,
      name: 'own',
      why,
    });
    const table = () => new BowLog({ maker: {} });
    expect(code(table(), band(204, 228, ''))).toBeNull();
    expect(code(table(), band(203, 228, ''))).toBe('braceOutside');
    expect(checkProposal(table().state, [band(204, 229, '')])).toMatchObject({ braceMm: 229 });
    expect(checkProposal(table().state, [band(203, 229, '')])).toMatchObject({ braceMm: 203 });
    expect(code(table(), band(110, 228, 'no such brace'))).toBe('braceOutside');
    expect(code(table(), band(204, 270, 'no such brace'))).toBe('braceOutside');
    const low = () => new BowLog({ maker: { braceMinMm: 209 } });
    expect(code(low(), band(208, 220, 'quiet'))).toBe('braceOutside');
    expect(code(low(), band(209, 232, 'quiet'))).toBeNull();
    const high = () => new BowLog({ maker: { braceMaxMm: 223 } });
    expect(code(high(), band(209, 224, 'quiet'))).toBe('braceOutside');
    expect(code(high(), band(200, 223, 'quiet'))).toBeNull();
  });
});
