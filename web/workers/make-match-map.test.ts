import { describe, expect, it } from 'vitest';
import { gridAround } from '#core/arrows/match-map.ts';
import { matchModel, matchOf } from '#core/arrows/match-model.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { makeMatchMap } from './make-match-map.ts';

const model = matchModel(new BowLog().settle().state)!;
const grid = gridAround(PLAIN_BUILD, 15, 12);
const order = { model, build: PLAIN_BUILD, grid };

describe('the map of matches', () => {
  it('is 15 by 12 cells, each the match of that length and point', async () => {
    const told: number[] = [];
    const { cells, lengthsMm, pointsG } = await makeMatchMap(order, {
      progress: (share) => told.push(share),
      isCalledOff: () => false,
      handOver: () => undefined,
    });
    expect(cells.flat()).toHaveLength(180);
    expect(told).toHaveLength(15);
    expect(told.at(-1)).toBe(1);
    const one = matchOf(model, {
      ...PLAIN_BUILD,
      shaft: { ...PLAIN_BUILD.shaft, lengthMm: lengthsMm[9]! },
      point: { ...PLAIN_BUILD.point, massG: pointsG[4]! },
    });
    expect(cells[9]?.[4]).toEqual(one);
  });

  it('stops between two columns once it is called off', async () => {
    let columns = 0;
    const { cells } = await makeMatchMap(order, {
      progress: () => {
        columns += 1;
      },
      isCalledOff: () => columns >= 2,
      handOver: () => undefined,
    });
    expect(cells).toHaveLength(2);
  });

  it('lets the page or another order in between its columns', async () => {
    const heard: string[] = [];
    setTimeout(() => heard.push('another order'), 0);
    await makeMatchMap(order, {
      progress: (share) => heard.push(String(share)),
      isCalledOff: () => false,
      handOver: () => undefined,
    });
    expect(heard.indexOf('another order')).toBeLessThan(heard.length - 1);
  });
});
