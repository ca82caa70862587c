import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { problemSchema } from '#contract/problem.ts';
import sharp from 'sharp';
import { writeWav } from '#core/sound/wav-samples.ts';
import { openDb } from '../db/open.ts';
import { ClubServer } from '../fixtures/club-server.ts';
import { pictureQueries } from './picture-queries.ts';

const club = new ClubServer();
beforeAll(() => club.start());
afterAll(() => club.stop());

describe('pictures', () => {
  let bytes: Uint8Array<ArrayBuffer>;
  let jpeg: Uint8Array<ArrayBuffer>;
  beforeAll(async () => {
    const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const;
    const butt = sharp({
      create: { width: 60, height: 40, channels: 3, background: '#c84', noise },
    });
    bytes = new Uint8Array(await butt.png().toBuffer());
    jpeg = new Uint8Array(await butt.jpeg().toBuffer());
  });
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
    expect((await put(id, jpeg, 'image/jpeg')).status).toBe(409);
    const back = await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('image/png');
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(bytes);
  });

  it('are served as pictures and nothing else', async () => {
    const id = newId();
    expect((await put(id, jpeg, 'image/jpeg')).status).toBe(201);
    const { headers } = await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${id}`);
    expect(headers.get('content-disposition')).toBe(`inline; filename="${id}.jpeg"`);
    expect(headers.get('content-security-policy')).toContain('sandbox');
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });

  it('are decoded first: cut off, turned, of another kind or too large, none is stored', async () => {
    const cut = jpeg.slice(0, Math.floor(jpeg.length * 0.9));
    const turned = bytes.slice();
    turned.fill(7, 400, 440);
    const huge = new Uint8Array(
      await sharp({ create: { width: 9000, height: 9000, channels: 3, background: '#000' } })
        .png()
        .toBuffer(),
    );
    const refusals = [
      [jpeg, 'image/png', 'notThatKind'],
      [new TextEncoder().encode('<svg onload="x()"/>'), 'image/png', 'notThatKind'],
      [cut, 'image/jpeg', 'broken'],
      [turned, 'image/png', 'broken'],
      [huge, 'image/png', 'tooManyPixels'],
    ] as const;
    for (const [body, type, code] of refusals) {
      const id = newId();
      const answer = await put(id, body, type);
      expect(problemSchema.parse(await answer.json())).toMatchObject({ status: 422, code });
      expect((await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${id}`)).status).toBe(
        404,
      );
    }
  });

  it('a second of sound is kept beside them, and nothing longer or otherwise', async () => {
    const second = writeWav({ samples: new Float32Array(48_000).fill(0.1), rateHz: 48_000 });
    const id = newId();
    expect((await put(id, second, 'audio/wav')).status).toBe(201);
    const back = await fetch(`${club.base}/api/bows/${club.heronId}/pictures/${id}`);
    expect(back.headers.get('content-type')).toBe('audio/wav');
    expect(back.headers.get('content-disposition')).toBe(`inline; filename="${id}.wav"`);
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(second);
    const long = writeWav({ samples: new Float32Array(4 * 48_000), rateHz: 48_000 });
    for (const body of [long, second.slice(0, 3000), bytes]) {
      const answer = await put(newId(), body, 'audio/wav');
      expect(problemSchema.parse(await answer.json())).toMatchObject({
        status: 422,
        code: 'notASound',
      });
    }
  });

  it('have a room of their own, and none is half stored when it is full', () => {
    const db = openDb(':memory:');
    const pictures = pictureQueries(db, { mostBytes: 250 });
    const picture = () => ({
      id: newId(),
      bowId: newId(),
      type: 'image/png' as const,
      bytes: Buffer.alloc(100, 1),
    });
    const first = picture();
    expect(pictures.keep(first)).toBe('stored');
    expect(pictures.keep(picture())).toBe('stored');
    const third = picture();
    expect(pictures.keep(third)).toBe('full');
    expect(pictures.of(third.id)).toBeNull();
    expect(pictures.keep(first)).toBe('known');
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
