import { describe, expect, it } from 'vitest';
import { readEntryLine } from '../entry-line/read-entry-line.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { PLAIN_BUILD } from '../fixtures/plain-build.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { arrowFigures } from './arrow-figures.ts';
import { fitBuild } from './fit-build.ts';
import { numberedShafts, shaftsNotTheBuild } from './numbered-shafts.ts';

function withBuild(): BowLog {
  const log = new BowLog().settle();
  log.add(
    fitBuild(log.state, {
      buildId: 'build',
      revisionId: 'one',
      name: 'plain',
      parts: PLAIN_BUILD,
    }),
  );
  return log;
}
const BUILT_GR = arrowFigures(PLAIN_BUILD).massG / G_PER_GR;
const weigh = (log: BowLog, text: string) => {
  const read = readEntryLine(text, log.state);
  if (read.kind !== 'ready') throw new Error(JSON.stringify(read));
  for (const body of read.bodies) log.add(body);
};

describe('numbered shafts', () => {
  it('remember what they weigh, by the line', () => {
    const log = withBuild();
    weigh(log, `sw 3 ${Math.round(BUILT_GR)}`);
    weigh(log, `sw 12 ${((BUILT_GR + 2) * G_PER_GR).toFixed(2)} g`);
    expect(numberedShafts(log.state).map(({ arrowNumber }) => arrowNumber)).toEqual([3, 12]);
    expect(shaftsNotTheBuild(log.state)).toEqual([]);
  });

  it('one that is 30 gr off its build is asked about, and pointed at before the next end', () => {
    const log = withBuild();
    const text = `sw 3 ${Math.round(BUILT_GR + 30)}`;
    const read = readEntryLine(text, log.state);
    expect(read).toMatchObject({ kind: 'question' });
    if (read.kind !== 'question') return;
    expect(read.asks).toContain('another point');
    for (const body of read.choices[0]!.bodies) log.add(body);
    const [apart] = shaftsNotTheBuild(log.state);
    expect(apart?.arrowNumber).toBe(3);
    expect(apart!.apartG! / G_PER_GR).toBeCloseTo(30, 0);
    // Put right and weighed again, nothing is said of it any more.
    weigh(log, `sw 3 ${Math.round(BUILT_GR)}`);
    expect(shaftsNotTheBuild(log.state)).toEqual([]);
  });

  it.each([
    'sw',
    'sw 3',
    'sw 0 380',
    'sw 2.5 380',
    'sw 3 5000',
    'sw -3 380',
    'sw 3 380 381',
    'sw 3 28 in',
  ])('“%s” is refused, with what is wanted', (text) => {
    expect(readEntryLine(text, withBuild().state).kind).not.toBe('ready');
  });

  it('remember where they land from their fellows, whatever the aim of an end', () => {
    const log = withBuild();
    const normal = standardNormal(seededUniform(8));
    const session = log.open();
    for (let end = 1; end <= 8; end += 1) {
      const aim = 60 * normal();
      for (let arrowNumber = 1; arrowNumber <= 4; arrowNumber += 1)
        log.add({
          kind: 'shotPlaced',
          shotId: `${end}-${arrowNumber}`,
          sessionId: session,
          endNumber: end,
          arrow: 'fletched',
          arrowNumber,
          calledBad: false,
          outwardMm: aim + 10 * normal() + (arrowNumber === 2 ? 60 : 0),
          upMm: 10 * normal(),
        });
    }
    const second = numberedShafts(log.state).find(({ arrowNumber }) => arrowNumber === 2)!;
    expect(second.shots).toBe(8);
    const { outwardMm, upMm, plusMinusMm } = second.lands!;
    expect(Math.abs(outwardMm - 60)).toBeLessThan(2 * plusMinusMm);
    expect(Math.abs(upMm)).toBeLessThan(2 * plusMinusMm);
    // An end's aim is ± 60: it is not in it.
    expect(plusMinusMm).toBeLessThan(12);
    // With other shafts on the bow they are others.
    log.add({ kind: 'itemFitted', item: 'shaft', described: 'new', touches: [] });
    expect(numberedShafts(log.state)).toEqual([]);
  });
});
