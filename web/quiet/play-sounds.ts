import { readWavHeader } from '#core/sound/wav-header.ts';
import { type Recording, wavSamples } from '#core/sound/wav-samples.ts';

/** Between the two, s. */
const PAUSE_S = 0.5;
/** Both are made louder alike, so that the louder of them nearly fills the scale. */
const FULL = 0.9;

/** A kept second of sound; null where it is none that can be read. */
export async function fetchSound(
  bowId: string,
  soundId: string,
  signal: AbortSignal,
): Promise<Recording | null> {
  const answer = await fetch(`/api/bows/${bowId}/pictures/${soundId}`, { signal });
  if (!answer.ok) return null;
  const bytes = new Uint8Array(await answer.arrayBuffer());
  const read = readWavHeader(bytes, bytes.length);
  if (!read.ok) return null;
  const { dataAt, dataBytes, rateHz } = read.header;
  return {
    samples: wavSamples(bytes.subarray(dataAt, dataAt + dataBytes), read.header),
    rateHz,
  };
}

/** Plays sounds one after the other, all by the same gain: how loud they are beside one another is heard. */
export async function playOneAfterOther(sounds: readonly Recording[]): Promise<void> {
  const context = new AudioContext();
  await context.resume();
  const loudest = Math.max(
    1e-6,
    ...sounds.map(({ samples }) => samples.reduce((most, v) => Math.max(most, Math.abs(v)), 0)),
  );
  const gain = new GainNode(context, { gain: FULL / loudest });
  gain.connect(context.destination);
  let at = context.currentTime + 0.1;
  let last: AudioBufferSourceNode | null = null;
  for (const { samples, rateHz } of sounds) {
    const buffer = context.createBuffer(1, samples.length, rateHz);
    buffer.copyToChannel(new Float32Array(samples), 0);
    last = new AudioBufferSourceNode(context, { buffer });
    last.connect(gain);
    last.start(at);
    at += samples.length / rateHz + PAUSE_S;
  }
  last?.addEventListener('ended', () => {
    void context.close();
  });
}
