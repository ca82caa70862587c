import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { logQuerySchema, logResponseSchema, ownLogResponseSchema } from './entry.ts';
import {
  badFileSchema,
  importProgressSchema,
  importStandingSchema,
  takenSchema,
  takeRequestSchema,
} from './file-import.ts';
import { problemSchema } from './problem.ts';
import { rackResponseSchema } from './rack.ts';
import { setAsideResponseSchema } from './set-aside.ts';
import { weighedLotSchema } from './weighed-lot.ts';
import {
  ABOUT_NOW,
  aboutFileSchema,
  endingOf,
  fileMember,
  pictureMemberName,
} from './workshop-file.ts';

const ID = '0190f7a0-0000-7000-8000-000000000001';
const OTHER = '0190f7a0-0000-7000-8000-000000000002';
const passes = (schema: z.ZodType, value: unknown) => schema.safeParse(value).success;

describe('a log as it is answered', () => {
  const entry = { seq: 1, body: {}, whatever: true };
  it('has entries, its own server’s unchecked but for their frame', () => {
    const own = { entries: [entry], count: 1, setAside: 0 };
    expect(passes(ownLogResponseSchema, own)).toBe(true);
    expect(ownLogResponseSchema.parse({ entries: [], count: 0 }).setAside).toBe(0);
    for (const entries of [
      null,
      'entries',
      [null],
      ['x'],
      [{ seq: 1 }],
      [{ body: {} }],
      [entry, 3],
    ])
      expect(passes(ownLogResponseSchema, { ...own, entries })).toBe(false);
    expect(passes(ownLogResponseSchema, { ...own, count: 3, setAside: 2 })).toBe(true);
    expect(passes(ownLogResponseSchema, { ...own, count: -1 })).toBe(false);
    expect(passes(ownLogResponseSchema, { ...own, setAside: 0.5 })).toBe(false);
    // Anybody else's is checked whole.
    expect(passes(logResponseSchema, own)).toBe(false);
    expect(passes(logResponseSchema, { entries: [], count: 0, setAside: 0 })).toBe(true);
    expect(passes(logResponseSchema, { entries: [], count: 0 })).toBe(false);
    expect(passes(logResponseSchema, { entries: [], count: -1, setAside: 0 })).toBe(false);
  });

  it('is asked for from an entry on', () => {
    expect(logQuerySchema.parse({ after: '12' })).toEqual({ after: 12 });
    expect(logQuerySchema.parse({})).toEqual({});
    for (const after of ['-1', '1.5', 'x']) expect(passes(logQuerySchema, { after })).toBe(false);
  });
});

describe('a file that is taken in', () => {
  it('stands somewhere, with how far it is', () => {
    const at = (progress: unknown) =>
      passes(importStandingSchema, { kind: 'taking', importId: ID, progress });
    expect(at({ share: 0.5, entries: 10 })).toBe(true);
    expect(at({ share: 1, entries: 0 })).toBe(true);
    for (const wrong of [
      { share: 1.1, entries: 1 },
      { share: -0.1, entries: 1 },
      { share: 0.5, entries: -1 },
    ])
      expect(passes(importProgressSchema, wrong)).toBe(false);
    const bad = { place: 'about.json', says: 'x', remedy: 'y' };
    expect(passes(badFileSchema, bad)).toBe(true);
    expect(passes(importStandingSchema, { kind: 'bad', importId: ID, bad })).toBe(true);
    expect(passes(importStandingSchema, { kind: 'bad', importId: 'no id', bad })).toBe(false);
    expect(passes(importStandingSchema, { kind: 'gone', importId: ID })).toBe(false);
  });

  it('is taken bow by bow; another bow has a name', () => {
    const take = (...bows: readonly object[]) => passes(takeRequestSchema, { bows });
    expect(take({ bowId: ID, how: 'add' }, { bowId: OTHER, how: 'leave' })).toBe(true);
    expect(take({ bowId: ID, how: 'another', name: 'Heron again' })).toBe(true);
    expect(take()).toBe(false);
    expect(take({ bowId: ID, how: 'another', name: '' })).toBe(false);
    expect(take({ bowId: ID, how: 'another' })).toBe(false);
    expect(take({ bowId: ID, how: 'add', name: 'x' })).toBe(false);
    expect(take({ bowId: 'x', how: 'add' })).toBe(false);
  });

  it('is taken as each bow is said to be, and nothing else is said of it', () => {
    for (const how of [{ how: 'add' }, { how: 'leave' }, { how: 'another', name: 'Heron again' }]) {
      const bow = { bowId: ID, ...how };
      expect(passes(takeRequestSchema, { bows: [bow] }), how.how).toBe(true);
      expect(passes(takeRequestSchema, { bows: [{ ...bow, over: true }] }), how.how).toBe(false);
      expect(passes(takeRequestSchema, { bows: [how] }), how.how).toBe(false);
    }
  });

  it('came to so many bows, entries and pictures, none or more of each', () => {
    const taken = { bows: 2, entries: 800, pictures: 3 };
    expect(passes(takenSchema, taken)).toBe(true);
    expect(passes(takenSchema, { ...taken, more: 1 })).toBe(false);
    for (const what of ['bows', 'entries', 'pictures']) {
      expect(passes(takenSchema, { ...taken, [what]: 0 }), what).toBe(true);
      expect(passes(takenSchema, { ...taken, [what]: -1 }), what).toBe(false);
    }
  });

  it('has members by their names, and nothing else belongs in it', () => {
    expect(fileMember('about.json')).toEqual({ kind: 'about' });
    expect(fileMember(`bows/${ID}.jsonl`)).toEqual({ kind: 'bow', bowId: ID });
    const name = pictureMemberName(ID, OTHER, 'audio/wav');
    expect(name).toBe(`pictures/${ID}/${OTHER}.wav`);
    expect(fileMember(name)).toEqual({
      kind: 'picture',
      bowId: ID,
      pictureId: OTHER,
      type: 'audio/wav',
    });
    expect(endingOf('image/jpeg')).toBe('jpeg');
    for (const wrong of [
      '../about.json',
      'bows/x.jsonl',
      `bows/${ID}.json`,
      `x/bows/${ID}.jsonl`,
      `bows/${ID}.jsonl.exe`,
      `pictures/${ID}/${OTHER}.exe`,
      `pictures/${ID}.jpeg`,
    ])
      expect(fileMember(wrong)).toBeNull();
    expect(passes(aboutFileSchema, ABOUT_NOW)).toBe(true);
    expect(passes(aboutFileSchema, { ...ABOUT_NOW, format: 'other' })).toBe(false);
    expect(passes(aboutFileSchema, { ...ABOUT_NOW, version: 0 })).toBe(false);
  });
});

describe('other answers', () => {
  it('a refusal says its code, and where it lies', () => {
    const problem = { type: 'about:blank', title: 't', status: 422, code: 'c', detail: 'd' };
    expect(passes(problemSchema, problem)).toBe(true);
    expect(passes(problemSchema, { ...problem, issues: [{ path: 'a', message: 'm' }] })).toBe(true);
    expect(passes(problemSchema, { ...problem, status: '422' })).toBe(false);
    expect(passes(problemSchema, { ...problem, code: undefined })).toBe(false);
  });

  it('the rack and what is set aside are exactly what they say', () => {
    expect(passes(rackResponseSchema, { bows: [], unreadable: [], strays: 0 })).toBe(true);
    expect(passes(rackResponseSchema, { bows: [{}], unreadable: [], strays: 0 })).toBe(false);
    expect(passes(rackResponseSchema, { bows: [], unreadable: [], strays: -1 })).toBe(false);
    const row = { seq: 3, why: 'changed', row: '{}' };
    expect(passes(setAsideResponseSchema, { entries: [row] })).toBe(true);
    expect(passes(setAsideResponseSchema, { entries: [{ ...row, why: 'lost' }] })).toBe(false);
  });

  it('a lot has shafts with names of their own, and no more is wanted than there is', () => {
    const shaft = (name: string, massG = 20) => ({ shaft: name, massG, spine: 500, runOutMm: 0.1 });
    const lot = {
      shafts: [shaft('1'), shaft('2'), shaft('3')],
      count: 2,
      distanceM: 18,
      speedMps: 55,
    };
    expect(passes(weighedLotSchema, lot)).toBe(true);
    expect(passes(weighedLotSchema, { ...lot, count: 4 })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, count: 1 })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, shafts: [shaft('1'), shaft(' 1 ')] })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, shafts: [shaft('1')], count: 2 })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, shafts: [shaft('1', 1), shaft('2')] })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, distanceM: 4 })).toBe(false);
    expect(passes(weighedLotSchema, { ...lot, speedMps: 121 })).toBe(false);
  });
});
