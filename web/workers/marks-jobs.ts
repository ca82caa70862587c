import type { MarksFigures, MarksQuestion } from '#core/sight-marks/marks-figures.ts';

export type MarksJobs = {
  readonly figures: { readonly order: MarksQuestion; readonly answer: MarksFigures };
};
