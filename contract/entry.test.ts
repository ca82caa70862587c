import { describe, expect, it } from 'vitest';
import type { Entry } from '#core/log/entry.ts';
import { entrySchema } from './entry.ts';

const READING: Entry = {
  id: '0190b6e2-5f6c-7cc3-9d3e-3f5b7d0a1c2e',
  bowId: '0190b6e2-5f6c-7cc3-9d3e-3f5b7d0a1c2f',
  at: '2026-05-01T12:00:00.000Z',
  by: 'Maren',
  body: {
    kind: 'reading',
    reading: 'braceHeight',
    values: [219, 218.5, 219.5],
    typed: 'b 219 218.5 219.5',
    datum: 'throat',
    tool: 'club square',
    source: 'measured',
    confirmedUnlikely: false,
  },
};

describe('entrySchema', () => {
  it('reads back what it writes', () => {
    expect(entrySchema.parse(JSON.parse(JSON.stringify(READING)))).toEqual(READING);
  });
  it.each([
    ['a number that is none', { values: [Number.NaN] }],
    ['no replicate', { values: [] }],
    ['a reading nobody takes', { reading: 'mood' }],
    ['a field nobody knows', { colour: 'red' }],
  ])('refuses %s', (_name, change) => {
    const spoiled = { ...READING, body: { ...READING.body, ...change } };
    expect(entrySchema.safeParse(spoiled).success).toBe(false);
  });
  it('refuses a change of nothing', () => {
    const body = { kind: 'change', control: 'twists', amount: 0, because: '' };
    expect(entrySchema.safeParse({ ...READING, body }).success).toBe(false);
    expect(entrySchema.safeParse({ ...READING, body: { ...body, amount: 4 } }).success).toBe(true);
  });
  it('wants a string’s facts with a string, and only with a string', () => {
    const fitted = { kind: 'itemFitted', item: 'string', described: 'new', touches: ['nockFit'] };
    const string = { stringId: 's2', material: 'lowStretch', shotsBefore: 0 };
    const ok = (body: object) => entrySchema.safeParse({ ...READING, body }).success;
    expect(ok({ ...fitted, string })).toBe(true);
    expect(ok(fitted)).toBe(false);
    expect(ok({ ...fitted, item: 'rods', string })).toBe(false);
    expect(ok({ ...fitted, string, touches: ['nothingKnown'] })).toBe(false);
    expect(ok({ ...fitted, string: { ...string, twists: 400 } })).toBe(false);
  });
  it('refuses counts, skips and lists that say nothing', () => {
    const ok = (body: object) => entrySchema.safeParse({ ...READING, body }).success;
    expect(ok({ kind: 'positionCounted', control: 'twists', value: 24 })).toBe(true);
    expect(ok({ kind: 'positionCounted', control: 'plungerReach', value: 1 })).toBe(false);
    expect(ok({ kind: 'stepSkipped', step: 'proof', why: '' })).toBe(false);
    expect(ok({ kind: 'listTicked', list: 'tools', items: ['square'] })).toBe(true);
    expect(ok({ kind: 'factsSet', facts: { maker: { braceMinMm: 5 } } })).toBe(false);
  });
});
