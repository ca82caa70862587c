import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import { z } from 'zod';
import {
  type Dropped,
  type ImportStanding,
  takeRequestSchema,
  type TakenIn,
} from '#contract/file-import.ts';
import type { EntryQueries } from '../bows/entry-queries.ts';
import { onlyMethods, readRequest, RefusedRequest } from '../http/problem.ts';
import type { PictureQueries } from '../pictures/picture-queries.ts';
import { BadFile } from './bad-file.ts';
import type { ImportJobs } from './import-jobs.ts';
import { type NotTaken, TakesNothing } from './take-staged.ts';
import { writeWorkshopFile } from './write-workshop-file.ts';

const querySchema = z.object({ bow: z.uuid().optional() });

/** The workshop or one bow as a file, out; and a file in: sent, read, looked at, taken or dropped. */
export function fileRoutes(
  entries: EntryQueries,
  pictures: PictureQueries,
  jobs: ImportJobs,
): Router {
  const router = Router();
  router
    .route('/workshop-file')
    .get(async (request, response) => {
      const { bow } = readRequest(querySchema, request.query);
      if (bow !== undefined && entries.logOf(bow).length === 0)
        throw new RefusedRequest(404, 'unknownBow', 'No bow has this id.');
      const bowIds =
        bow === undefined ? entries.bowIds().filter((id) => entries.logOf(id).length > 0) : [bow];
      response
        .type('application/zip')
        .set('Content-Disposition', 'attachment; filename="keen-limb.zip"');
      await pipeline(writeWorkshopFile(bowIds, entries, pictures), response);
    })
    .all(onlyMethods('GET'));

  router
    .route('/workshop-file/imports')
    .post(async (request, response) => {
      if (request.is('application/zip') === false)
        throw new RefusedRequest(415, 'notAFile', 'Send application/zip.');
      try {
        response.status(202).json((await jobs.receive(request)) satisfies ImportStanding);
      } catch (error) {
        if (error instanceof BadFile) throw new RefusedRequest(422, 'badFile', error.message);
        throw error;
      }
    })
    .all(onlyMethods('POST'));

  router
    .route('/workshop-file/imports/:importId')
    .get((request, response) => {
      const standing = jobs.standingOf(request.params.importId);
      if (standing === null) throw gone();
      response.json(standing satisfies ImportStanding);
    })
    .post(async (request, response) => {
      const { bows } = readRequest(takeRequestSchema, request.body);
      try {
        const taken = await jobs.take(request.params.importId, bows);
        if (taken === null) throw gone();
        response.status(201).json(taken satisfies TakenIn);
      } catch (error) {
        if (error instanceof TakesNothing) throw refusalOf(error.why);
        throw error;
      }
    })
    .delete((request, response) => {
      if (!jobs.drop(request.params.importId)) throw gone();
      response.json({ dropped: true } satisfies Dropped);
    })
    .all(onlyMethods('GET', 'POST', 'DELETE'));
  return router;
}

function gone(): RefusedRequest {
  return new RefusedRequest(
    404,
    'unknownImport',
    'This file is not here any more: it was taken, dropped, or the server was started anew. Choose it again.',
  );
}

function refusalOf(why: NotTaken): RefusedRequest {
  switch (why.kind) {
    case 'conflict':
      return new RefusedRequest(
        422,
        'conflict',
        'A bow that was to be added conflicts with what is here. Nothing was changed. Leave it out, or take it as another bow.',
      );
    case 'changed':
      return new RefusedRequest(
        409,
        'recordChanged',
        'The record has changed since the file was looked at. Nothing was taken. Choose the file again.',
      );
    case 'noRoomForPictures':
      return new RefusedRequest(
        422,
        'noRoomForPictures',
        'There is no room in this record for the file’s pictures. Nothing was taken. Leave a bow with many pictures out.',
      );
    case 'cancelled':
      return new RefusedRequest(409, 'cancelled', 'Cancelled: nothing was taken.');
  }
}
