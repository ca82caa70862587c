import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { workshopResponseSchema } from '#contract/workshop.ts';
import { arrowFactsOf } from '#core/arrows/fit-build.ts';
import { PLAIN_BUILD } from '#core/fixtures/plain-build.ts';
import { ClubServer } from '../fixtures/club-server.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

const workshop = async () =>
  workshopResponseSchema.parse(await (await fetch(`${club.base}/api/workshop`)).json());

describe('the workshop’s builds', () => {
  const buildId = newId();
  const LONG = { ...PLAIN_BUILD, shaft: { ...PLAIN_BUILD.shaft, lengthMm: 790 } };

  it('kept at one bow may be put on another; both are said, and a cut is a revision', async () => {
    const before = await workshop();
    const kept = club.entry({ kind: 'buildKept', buildId, name: 'long ones', parts: LONG });
    expect((await club.post([kept])).status).toBe(201);
    const { bows } = await club.rack();
    const curlew = bows.find(({ name }) => name === 'Curlew')!.bowId;
    const fitted = club.entry(
      {
        kind: 'itemFitted',
        item: 'shaft',
        described: 'long ones',
        touches: [],
        arrow: arrowFactsOf({ buildId, revisionId: kept.id, name: 'long ones', parts: LONG }),
      },
      curlew,
    );
    const cut = club.entry({ kind: 'change', control: 'shaftCut', amount: 3, because: '' }, curlew);
    expect(await club.post([fitted, cut], curlew)).toMatchObject({ status: 201 });
    const after = await workshop();
    expect(after.builds).toHaveLength(before.builds.length + 1);
    const build = after.builds.find((one) => one.buildId === buildId)!;
    expect(build.revisions.map(({ revisionId }) => revisionId)).toEqual([kept.id, cut.id]);
    expect(build.revisions[1]).toMatchObject({ name: 'long ones', how: 'changed' });
    expect(after.fitted).toContainEqual({
      bowId: curlew,
      bowName: 'Curlew',
      buildId,
      revisionId: cut.id,
    });
  });

  it('that cannot be are refused at their place, and nothing is stored', async () => {
    const before = (await workshop()).builds.length;
    const heavy = { ...LONG, point: { ...LONG.point, massG: 324 } };
    const answer = await club.post([
      club.entry({ kind: 'buildKept', buildId: newId(), name: 'x', parts: heavy }),
    ]);
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toContain('entries.0.body.parts.point.massG');
    const unlike = club.entry({
      kind: 'itemFitted',
      item: 'shaft',
      described: 'x',
      touches: [],
      arrow: {
        ...arrowFactsOf({ buildId, revisionId: newId(), name: 'x', parts: LONG }),
        lengthMm: 700,
      },
    });
    expect((await club.post([unlike])).status).toBe(400);
    expect((await workshop()).builds).toHaveLength(before);
  });
});
