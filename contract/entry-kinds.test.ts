import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { ENTRY_KINDS, entryReferences, entryWords } from '#core/log/kinds/entry-kinds.ts';
import { entrySchema } from './entry.ts';
import { anyBody, uuid } from './fixtures/any-log.ts';

/** Enough to hold every kind; always the same ones. */
const BODIES = fc.sample(anyBody, { numRuns: 3000, seed: 20_260_101 });
const KINDS = Object.keys(ENTRY_KINDS).filter((kind) => kind !== 'bowMade');

describe('the kinds of entry', () => {
  it.each(KINDS)('%s is among what the generator of logs makes', (kind) => {
    expect(BODIES.some((body) => body.kind === kind)).toBe(true);
  });

  it('each stand under their own name', () => {
    for (const [name, { kind }] of Object.entries(ENTRY_KINDS)) expect(kind).toBe(name);
  });

  it('pass the contract, and say something in a few words', () => {
    const { bow } = new BowLog().state;
    for (const body of BODIES) {
      const entry = {
        id: uuid(1, 1),
        bowId: uuid(0, 1),
        at: '2026-01-05T09:00:00Z',
        by: 'T',
        body,
      };
      expect(entrySchema.safeParse(entry).success, JSON.stringify(body)).toBe(true);
      const words = entryWords(body, bow);
      expect(words).toMatch(/\S$/);
      expect(words).not.toMatch(/undefined|null|NaN|\[object/);
    }
  });

  it('name what they make and what they need', () => {
    const named = (kind: string) => {
      const body = BODIES.find((one) => one.kind === kind);
      return body === undefined
        ? []
        : entryReferences(body).map(({ what, role }) => `${role} ${what}`);
    };
    expect(named('shotPlaced')).toEqual(['uses session', 'makes shot']);
    expect(named('shotAmended')).toEqual(['uses shot']);
    expect(named('sessionOpened')[0]).toBe('makes session');
    expect(named('experimentOpened')).toEqual(['makes experiment']);
    expect(named('experimentClosed')).toEqual(['uses experiment']);
    expect(named('endNoted')).toEqual(['uses session']);
    expect(named('note')).toEqual([]);
  });
});
