import type { RecordingFault } from '#core/brace-search/shot-refusal.ts';
import type { SoundingBow } from '#core/simulate/bow-sound.ts';
import type { FoundShot } from '#core/sound/find-shots.ts';
import type { Recording } from '#core/sound/wav-samples.ts';

/** The shots of a recording, or why it gives none. */
export type HeardRecording =
  | { readonly ok: true; readonly shots: readonly FoundShot[] }
  | { readonly ok: false; readonly fault: RecordingFault };

export type SoundJobs = {
  /** A WAV file, read piece by piece. */
  readonly readFile: { readonly order: Blob; readonly answer: HeardRecording };
  readonly findShots: { readonly order: Recording; readonly answer: HeardRecording };
  /** One shot of a bow that is not there. */
  readonly standIn: {
    readonly order: {
      readonly bow: SoundingBow;
      readonly braceHeightMm: number;
      readonly seed: number;
      readonly silencers: boolean;
    };
    readonly answer: HeardRecording;
  };
};
