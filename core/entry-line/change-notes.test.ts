import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { secondControlNote, staleNote } from './change-notes.ts';

const AT = [
  [0, 0],
  [3, 2],
] as const;

describe('what holds now and will have to be checked again', () => {
  it('is named with the change, and only what it touches', () => {
    const { state } = new BowLog().settle();
    expect(staleNote(state, 'plungerReach')).toEqual([
      'Turns stale: centre shot, walk-back, sight marks.',
    ]);
    expect(staleNote(state, 'plungerPreload')).toEqual(['Turns stale: fine tuning.']);
  });

  it('is nothing where nothing held', () => {
    expect(staleNote(new BowLog().state, 'twists')).toEqual([]);
  });
});

describe('a second control before anything was shot', () => {
  it('is said, with the first one’s name', () => {
    const log = new BowLog().settle();
    log.shots(log.open(), 1, 'fletched', AT);
    expect(secondControlNote(log.state, 'nockingPoint')).toEqual([]);
    log.change('plungerPreload', 0.5);
    expect(secondControlNote(log.state, 'nockingPoint')[0]).toMatch(
      /^Second control since the last shots, after plunger preload:/,
    );
    // More of the same is no second one.
    expect(secondControlNote(log.state, 'plungerPreload')).toEqual([]);
  });

  it('is none before the first shot, nor once it was shot between them', () => {
    const log = new BowLog().settle();
    log.change('plungerPreload', 0.5);
    expect(secondControlNote(log.state, 'nockingPoint')).toEqual([]);
    log.shots(log.open(), 1, 'fletched', AT);
    expect(secondControlNote(log.state, 'nockingPoint')).toEqual([]);
  });

  it('takes both bolts for one', () => {
    const log = new BowLog().settle();
    log.shots(log.open(), 1, 'fletched', AT);
    log.change('topBolt', 0.5);
    expect(secondControlNote(log.state, 'bottomBolt')).toEqual([]);
    expect(secondControlNote(log.state, 'twists')[0]).toContain('after top bolt');
  });
});
