import { useCallback, useEffect, useRef, useState } from 'react';
import type { Recording } from '#core/sound/wav-samples.ts';

/** Why nothing can be recorded; words are made where they are shown. */
export type MicrophoneFault = 'refused' | 'absent' | 'unsupported' | 'failed';

export interface Microphone {
  readonly recording: boolean;
  readonly fault: MicrophoneFault | null;
  /** The loudest of the last tenth of a second, 0 to 1. */
  readonly level: number;
  readonly start: () => void;
  /** What was recorded since it was started; null: nothing. */
  readonly stop: () => Promise<Recording | null>;
}

/** As the bow sounds: a browser would make it even, and level differences are the point. */
const AS_IT_SOUNDS: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
};
/** A take longer than this is stopped: nobody shoots one height so long, s. */
const LONGEST_TAKE_S = 120;

interface Taking {
  readonly stream: MediaStream;
  readonly context: AudioContext;
  readonly blocks: Float32Array[];
}

/** The microphone of this device, as plain samples. */
export function useMicrophone(): Microphone {
  const taking = useRef<Taking | null>(null);
  const [recording, setRecording] = useState(false);
  const [fault, setFault] = useState<MicrophoneFault | null>(null);
  const [level, setLevel] = useState(0);
  const end = useCallback(async (): Promise<Recording | null> => {
    const { current } = taking;
    taking.current = null;
    setRecording(false);
    setLevel(0);
    if (current === null) return null;
    for (const track of current.stream.getTracks()) track.stop();
    const rateHz = current.context.sampleRate;
    await current.context.close();
    return joined(current.blocks, rateHz);
  }, []);
  useEffect(
    () => () => {
      void end();
    },
    [end],
  );
  const start = useCallback(() => {
    setFault(null);
    const begin = async () => {
      const opened = await openMicrophone();
      if (!('stream' in opened)) {
        setFault(opened.fault);
        return;
      }
      const { stream } = opened;
      const context = new AudioContext();
      await context.audioWorklet.addModule('/capture.js');
      const blocks: Float32Array[] = [];
      const node = new AudioWorkletNode(context, 'capture', { numberOfOutputs: 0 });
      let count = 0;
      let loudest = 0;
      node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
        if (count > LONGEST_TAKE_S * context.sampleRate) return;
        blocks.push(data);
        count += data.length;
        for (const value of data) loudest = Math.max(loudest, Math.abs(value));
        if (blocks.length % METER_BLOCKS !== 0) return;
        setLevel(loudest);
        loudest = 0;
      };
      context.createMediaStreamSource(stream).connect(node);
      taking.current = { stream, context, blocks };
      setRecording(true);
    };
    begin().catch(() => setFault('failed'));
  }, []);
  return { recording, fault, level, start, stop: end };
}
/** Blocks of 128 samples: the meter moves about eight times a second. */
const METER_BLOCKS = 48;

async function openMicrophone(): Promise<
  { readonly stream: MediaStream } | { readonly fault: MicrophoneFault }
> {
  // Outside a secure page, and in old browsers, there is none of it.
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (devices?.getUserMedia === undefined || !('AudioWorkletNode' in globalThis))
    return { fault: 'unsupported' };
  try {
    return { stream: await devices.getUserMedia({ audio: AS_IT_SOUNDS, video: false }) };
  } catch (error) {
    const name = error instanceof DOMException ? error.name : '';
    if (name === 'NotAllowedError' || name === 'SecurityError') return { fault: 'refused' };
    return { fault: name === 'NotFoundError' ? 'absent' : 'failed' };
  }
}

function joined(blocks: readonly Float32Array[], rateHz: number): Recording | null {
  const total = blocks.reduce((sum, { length }) => sum + length, 0);
  if (total === 0) return null;
  const samples = new Float32Array(total);
  let at = 0;
  for (const block of blocks) {
    samples.set(block, at);
    at += block.length;
  }
  return { samples, rateHz };
}
