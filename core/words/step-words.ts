import type { StepBecause, StepProgress, StepStatus } from '../order/step-states.ts';
import { sinceUpsetWords } from './since-words.ts';

/** How a step stands, as shown beside its knot: `stale, 4 twists since`. */
export function stepWords({ because }: Pick<StepStatus, 'because'>): string {
  switch (because.kind) {
    case 'cleared':
      return because.shots === null ? 'holds' : `holds, ${because.shots} shots`;
    case 'notBegun':
      return 'to do';
    case 'begun':
      return progressWords(because.progress);
    case 'skipped':
      return `skipped: ${because.why}`;
    case 'stringCheck':
      return `stale, ${because.shotsOnString} shots on this string`;
    case 'beyond':
      return BEYOND_WORDS[because.where];
    case 'upset':
      return `${UPSET_LEAD[because.axes]}, ${sinceUpsetWords(because.by)} since`;
    case 'upsetBegun':
      return `stale, ${progressWords(because.progress)}`;
    case 'oneMoreEnd':
      return 'inside, one more end';
    case 'bareShaftOut':
      return `${because.axis} is out`;
    case 'undecided':
      return 'undecided';
  }
}

type Beyond = Extract<StepBecause, { kind: 'beyond' }>['where'];
const BEYOND_WORDS: Readonly<Record<Beyond, string>> = {
  limits: 'outside the limits',
  above: 'above band',
  below: 'below band',
};

type UpsetAxes = Extract<StepBecause, { kind: 'upset' }>['axes'];
const UPSET_LEAD: Readonly<Record<UpsetAxes, string>> = {
  all: 'stale',
  vertical: 'vertical stale',
  lateral: 'lateral stale',
};

/** `1 of 3 readings`, `20 of 50 shots`. */
function progressWords(progress: StepProgress): string {
  switch (progress.of) {
    case 'lookedAt':
      return 'looked at, to measure';
    case 'measured':
      return 'measured, to look at';
    case 'shots':
    case 'readings':
    case 'distances':
      return `${progress.have} of ${progress.needed} ${progress.of}`;
  }
}
