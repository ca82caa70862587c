/** How the samples of a WAV file lie in it. */
export interface WavHeader {
  readonly coding: 'integer' | 'float';
  readonly bits: 16 | 24 | 32;
  readonly channels: number;
  readonly rateHz: number;
  /** Where the samples begin, bytes from the start of the file. */
  readonly dataAt: number;
  readonly dataBytes: number;
}

/** What is wrong with a file that was given as a recording. */
export type WavFault =
  | 'empty'
  | 'notWav'
  /** It ends before it has said how its samples lie. */
  | 'cutHeader'
  /** It says it holds more than it does. */
  | 'cutData'
  /** Compressed, or with bits or a rate that no recorder of ours has. */
  | 'unknownCoding'
  | 'tooLong';

export type ReadWavHeader =
  | { readonly ok: true; readonly header: WavHeader }
  | { readonly ok: false; readonly fault: WavFault };

/** As much of a file as its header may take: tags of a recorder come before the samples. */
export const HEADER_BYTES = 65_536;
/** A search is shot in shorter takes; longer ones are cut before they are given, s. */
const LONGEST_S = 300;

const CODED_INTEGER = 1;
const CODED_FLOAT = 3;
const CODED_EXTENSIBLE = 0xfffe;
const BITS = [16, 24, 32] as const;
const RATES_HZ = [8_000, 192_000] as const;

/**
 * Reads the header of a RIFF WAVE file: PCM of 16, 24 or 32 bits or float of 32, any number of
 * channels (Microsoft's Multimedia Programming Interface 1.0, with the extensible form).
 *
 * @param start the first bytes of the file, all of it or `HEADER_BYTES`
 * @param fileBytes how long the whole file is
 */
export function readWavHeader(start: Uint8Array, fileBytes: number): ReadWavHeader {
  if (fileBytes === 0) return refused('empty');
  if (start.length < 12) return refused(isRiffSoFar(start) ? 'cutHeader' : 'notWav');
  if (textAt(start, 0) !== 'RIFF' || textAt(start, 8) !== 'WAVE') return refused('notWav');
  const view = new DataView(start.buffer, start.byteOffset, start.byteLength);
  let format: Omit<WavHeader, 'dataAt' | 'dataBytes'> | null = null;
  // Each chunk is a name, a length and as many bytes, made even.
  for (let at = 12; at + 8 <= start.length; ) {
    const name = textAt(start, at);
    const length = view.getUint32(at + 4, true);
    if (name === 'fmt ') {
      if (at + 8 + 16 > start.length) return refused('cutHeader');
      format = formatOf(view, at + 8, length);
      if (format === null) return refused('unknownCoding');
    }
    if (name === 'data')
      return format === null
        ? refused('cutHeader')
        : withData(format, at + 8, { claimed: length, there: fileBytes - at - 8 });
    at += 8 + length + (length % 2);
  }
  return refused('cutHeader');
}

function withData(
  format: Omit<WavHeader, 'dataAt' | 'dataBytes'>,
  dataAt: number,
  { claimed, there }: { readonly claimed: number; readonly there: number },
): ReadWavHeader {
  if (claimed > there) return refused('cutData');
  const frame = (format.bits / 8) * format.channels;
  if (claimed / frame / format.rateHz > LONGEST_S) return refused('tooLong');
  const dataBytes = claimed - (claimed % frame);
  return dataBytes === 0
    ? refused('empty')
    : { ok: true, header: { ...format, dataAt, dataBytes } };
}

function formatOf(view: DataView, at: number, length: number) {
  const coded = view.getUint16(at, true);
  // The extensible form says the coding in the first two bytes of its long name.
  const isLong = coded === CODED_EXTENSIBLE && length >= 40 && at + 26 <= view.byteLength;
  const code = isLong ? view.getUint16(at + 24, true) : coded;
  const channels = view.getUint16(at + 2, true);
  const rateHz = view.getUint32(at + 4, true);
  const bits = BITS.find((one) => one === view.getUint16(at + 14, true));
  const isKnown = code === CODED_INTEGER || (code === CODED_FLOAT && bits === 32);
  if (
    !isKnown ||
    bits === undefined ||
    channels < 1 ||
    rateHz < RATES_HZ[0] ||
    rateHz > RATES_HZ[1]
  )
    return null;
  const coding = code === CODED_FLOAT ? ('float' as const) : ('integer' as const);
  return { coding, bits, channels, rateHz };
}

const refused = (fault: WavFault): ReadWavHeader => ({ ok: false, fault });

const textAt = (bytes: Uint8Array, at: number) =>
  String.fromCharCode(...bytes.subarray(at, at + 4));

function isRiffSoFar(bytes: Uint8Array): boolean {
  return 'RIFF'.startsWith(textAt(bytes, 0)) || textAt(bytes, 0) === 'RIFF';
}
