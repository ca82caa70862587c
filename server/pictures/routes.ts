import express, { Router } from 'express';
import { z } from 'zod';
import { MOST_PICTURE_BYTES, KEPT_TYPES } from '#contract/picture.ts';
import { endingOf } from '#contract/workshop-file.ts';
import type { EntryQueries } from '../bows/entry-queries.ts';
import { onlyMethods, RefusedRequest } from '../http/problem.ts';
import { MOST_PIXELS, pictureFault } from './check-picture.ts';
import type { PictureQueries } from './picture-queries.ts';

const FAULT_WORDS = {
  notThatKind:
    'This is not the kind of picture it says it is. Save it as JPEG and choose it again.',
  tooManyPixels: `This picture has more than ${MOST_PIXELS / 1e6} million pixels. Make it smaller and choose it again.`,
  broken: 'This picture is cut off or damaged. Take or save it again.',
  notASound: 'This is no sound of a shot: a WAV of three seconds at most.',
} as const;

const pathSchema = z.object({ bowId: z.uuid(), pictureId: z.uuid() });

/** Pictures of a bow's butts: put once under an id of the client's making, read back, never changed. */
export function pictureRoutes(pictures: PictureQueries, entries: EntryQueries): Router {
  const router = Router();
  router
    .route('/bows/:bowId/pictures/:pictureId')
    .get((request, response) => {
      const { bowId, pictureId } = idsOf(request.params);
      const found = pictures.of(pictureId);
      if (found?.bowId !== bowId)
        throw new RefusedRequest(404, 'unknownPicture', 'No picture of this bow has this id.');
      response
        .set('Cache-Control', 'private, max-age=31536000, immutable')
        .set('Content-Disposition', `inline; filename="${pictureId}.${endingOf(found.type)}"`)
        // Opened by itself it is a picture and nothing else, whatever it may hold.
        .set('Content-Security-Policy', "sandbox; default-src 'none'")
        .type(found.type)
        .send(found.bytes);
    })
    .put(
      express.raw({ type: [...KEPT_TYPES], limit: MOST_PICTURE_BYTES }),
      async (request, response) => {
        const { bowId, pictureId } = idsOf(request.params);
        const type = KEPT_TYPES.find((one) => request.is(one) === one);
        if (type === undefined)
          throw new RefusedRequest(415, 'notAPicture', `Send one of ${KEPT_TYPES.join(', ')}.`);
        const bytes: unknown = request.body;
        if (!Buffer.isBuffer(bytes) || bytes.length === 0)
          throw new RefusedRequest(400, 'emptyPicture', 'There is nothing in this picture.');
        if (entries.logOf(bowId).length === 0)
          throw new RefusedRequest(404, 'unknownBow', 'No bow has this id.');
        const fault = await pictureFault(bytes, type);
        if (fault !== null) throw new RefusedRequest(422, fault, FAULT_WORDS[fault]);
        const kept = pictures.keep({ id: pictureId, bowId, type, bytes });
        if (kept === 'taken')
          throw new RefusedRequest(409, 'idTaken', 'Another picture is stored under this id.');
        if (kept === 'full')
          throw new RefusedRequest(
            422,
            'noRoomForPictures',
            'There is no more room for pictures in this record. What was read off this one is kept; the picture itself is not.',
          );
        response.status(kept === 'stored' ? 201 : 200).json({ pictureId });
      },
    )
    .all(onlyMethods('GET', 'PUT'));
  return router;
}

function idsOf(params: unknown): { readonly bowId: string; readonly pictureId: string } {
  const parsed = pathSchema.safeParse(params);
  if (!parsed.success)
    throw new RefusedRequest(404, 'unknownPicture', 'No picture of this bow has this id.');
  return parsed.data;
}
