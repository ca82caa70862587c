import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import { ClubServer } from '../fixtures/club-server.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

describe('pictures', () => {
  const bytes = new Uint8Array([137, 80, 78, 71, 1, 2, 3]);
  const put = (id: string, body: BodyInit, type = 'image/png', bowId = club.heronId) =>
    fetch(`${club.base}/api/bows/${bowId}/pictures/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': type },
      body,
    });

  it('are stored once under their id and come back as they went', async () => {
    const id = newId();
    expect((await put(id, bytes)).status).toBe(201);
    expect((await put(id, bytes)).status).toBe(200);
    expect((await put(id, new Uint8Array([1]))).status).toBe(409);
    const back = await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(bytes);
  });

  it('are refused with the reason when they are none, too large, or of no bow', async () => {
    const refusals = [
      [await put(newId(), 'hello', 'text/plain'), 415],
      [await put(newId(), '<svg/>', 'image/svg+xml'), 415],
      [await put(newId(), new Uint8Array(0)), 400],
      [await put(newId(), new Uint8Array(3_100_000)), 413],
      [await put(newId(), bytes, 'image/png', newId()), 404],
      [await put('nonsense', bytes), 404],
      [await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${newId()}`), 404],
    ] as const;
    for (const [response, status] of refusals) {
      expect(response.status).toBe(status);
      expect(problemSchema.parse(await response.json()).status).toBe(status);
    }
  });
});
