import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { compareSheets, differences } from '../compare/compare-sheets.ts';
import { figureSheet } from '../compare/figure-sheet.ts';
import { cardOf, cardSheet } from './card-data.ts';
import { byteLength, MOST_CARD_BYTES, readCard, writeCard } from './card-text.ts';

function tuned() {
  const log = new BowLog({ name: 'Heron', hand: 'left' });
  log.read('braceHeight', 219.1, 219.1, 219.1);
  log.read('tillerTop', 179.4);
  log.read('tillerBottom', 174.6);
  log.read('nockingHeight', 4.8);
  log.add({ kind: 'landingSet', outwardMm: -30, upMm: -40, why: 'groups at their best' });
  return log.state;
}

describe('the text of a card', () => {
  it('is fields between semicolons, each figure by its short name', () => {
    expect(writeCard(cardOf(tuned(), 'indoor, March', '2026-11-28'))).toBe(
      'KEENLIMB1;Heron;indoor, March;2026-11-28;t66lst;b219.1;tt179.4;tb174.6;n4.8;tw24;top1.5;bot1.5;lo-30;lu-40;.',
    );
  });

  it('reads back as what was written', () => {
    const card = cardOf(tuned(), 'indoor, March', '2026-11-28');
    const read = readCard(writeCard(card));
    expect(read.kind === 'read' ? read.card : read).toEqual({
      ...card,
      landing: { outwardMm: -30, upMm: -40 },
    });
  });

  it('fits its code whatever the bow is called', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'binary', maxLength: 80 }),
        fc.string({ unit: 'grapheme', maxLength: 80 }),
        (bowName, stateName) => {
          fc.pre(bowName.replaceAll(/[;\s]+/g, ' ').trim() !== '');
          const log = new BowLog({ name: bowName });
          for (const [kind, value] of [
            ['braceHeight', 219.1],
            ['tillerTop', 179.4],
            ['tillerBottom', 174.6],
            ['drawWeight', 150.3],
            ['nockingHeight', 14.8],
            ['centreShotAtPoint', -3.1],
            ['centreShotAtPlunger', -1.1],
            ['limbLineTop', -10.2],
            ['limbLineBottom', -10.2],
            ['limbLineRod', -10.2],
            ['drawLength', 711.2],
            ['restHeight', -10.4],
          ] as const)
            log.read(kind, value);
          log.add({ kind: 'landingSet', outwardMm: -130.5, upMm: -140.5, why: '' });
          const text = writeCard(cardOf(log.state, stateName, '2026-11-28'));
          expect(byteLength(text)).toBe(Buffer.byteLength(text));
          expect(byteLength(text)).toBeLessThanOrEqual(MOST_CARD_BYTES);
          expect(readCard(text).kind).toBe('read');
        },
      ),
    );
  });

  it.each([
    ['', 'notACard'],
    ['https://club.example/1', 'notACard'],
    ['KEENLIMB2;Heron;;2026-11-28;t66lst;.', 'otherVersion'],
    ['KEENLIMB1;Heron;;2026-11-28;t66lst;b219.1;tt17', 'cutOff'],
    ['KEENLIMB1;Heron;;2026-11-28;x66lst;.', 'damaged'],
    ['KEENLIMB1;Heron;;2026-11-28;t66lst;b2l9.1;.', 'damaged'],
    ['KEENLIMB1;Heron;;2026-11-28;t66lst;b219.1;b219.2;.', 'damaged'],
    ['KEENLIMB1;Heron;;2026-11-28;t66lst;zz1;.', 'damaged'],
  ])('refuses %j', (text, why) => {
    expect(readCard(text)).toMatchObject({ kind: 'refused', why });
  });

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string().map((more) => `KEENLIMB1;Heron;;2026-11-28;t66lst;${more};.`),
        ),
        (text) => {
          expect(['read', 'refused']).toContain(readCard(text).kind);
        },
      ),
    );
  });
});

describe('a card beside its bow', () => {
  it('shows no difference, and misses nothing it does not carry', () => {
    const state = tuned();
    const card = cardOf(state, '', '2026-11-28');
    expect(differences(compareSheets(figureSheet(state), cardSheet(card)))).toEqual([]);
  });

  it('shows none either for figures the card could not hold whole', () => {
    const log = new BowLog();
    log.read('braceHeight', 219.14);
    log.add({ kind: 'landingSet', outwardMm: -30.04, upMm: 12.349, why: '' });
    const { state } = log;
    const read = readCard(writeCard(cardOf(state, '', '2026-11-28')));
    expect(read.kind).toBe('read');
    if (read.kind === 'read')
      expect(differences(compareSheets(figureSheet(state), cardSheet(read.card)))).toEqual([]);
  });

  it('shows the brace that crept, worst first', () => {
    const state = tuned();
    const card = cardOf(state, '', '2026-11-28');
    const crept = {
      ...card,
      readings: new Map([...card.readings, ['braceHeight', 216.7] as const]),
    };
    const [first, ...rest] = differences(compareSheets(figureSheet(state), cardSheet(crept)));
    expect(rest).toEqual([]);
    expect(first?.what).toEqual({ kind: 'reading', reading: 'braceHeight' });
    expect(first?.finding).toMatchObject({ kind: 'differs' });
  });
});
