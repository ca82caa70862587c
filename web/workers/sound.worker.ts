import { recordShot } from '#core/simulate/bow-sound.ts';
import { serveJobs } from './protocol.ts';
import { heardIn, readRecording } from './read-recording.ts';
import type { SoundJobs } from './sound-jobs.ts';

serveJobs<SoundJobs>(globalThis, {
  readFile: readRecording,
  findShots: heardIn,
  standIn: ({ bow, braceHeightMm, seed, silencers }) =>
    heardIn(recordShot(bow, braceHeightMm, { seed, silencers })),
});
