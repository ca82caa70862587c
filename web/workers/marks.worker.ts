import { marksFigures } from '#core/sight-marks/marks-figures.ts';
import { serveJobs } from './protocol.ts';
import type { MarksJobs } from './marks-jobs.ts';

serveJobs<MarksJobs>(globalThis, { figures: marksFigures });
