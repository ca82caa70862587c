/* global registerProcessor, AudioWorkletProcessor */
/* Hands every block of the microphone's samples to the page, as they come. */
registerProcessor(
  'capture',
  class extends AudioWorkletProcessor {
    process([input]) {
      const [channel] = input;
      if (channel !== undefined) this.port.postMessage(channel.slice());
      return true;
    }
  },
);
