import { z } from 'zod';
import { request } from './http.ts';

const keptSchema = z.object({ pictureId: z.string() });

/**
 * Stores a picture under an id of our making; sent twice it is stored once.
 *
 * @throws RefusedByServer, ServerAway
 */
export async function keepPicture(bowId: string, pictureId: string, picture: Blob): Promise<void> {
  await request(`/api/bows/${bowId}/pictures/${pictureId}`, keptSchema, {
    method: 'PUT',
    headers: { 'Content-Type': picture.type },
    body: picture,
  });
}
