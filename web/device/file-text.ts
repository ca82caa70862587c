const UTF_16_LE = [0xff, 0xfe] as const;
const UTF_16_BE = [0xfe, 0xff] as const;

/**
 * The text of a file, whichever of the usual ways it was written in: UTF-16 where it says so or every
 * other byte of its beginning is empty, UTF-8, else the Western code page spreadsheets still write.
 */
export function textOf(bytes: Uint8Array): string {
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}

function encodingOf(bytes: Uint8Array): string {
  const begins = (mark: readonly number[]) => mark.every((byte, at) => bytes[at] === byte);
  if (begins(UTF_16_LE)) return 'utf-16le';
  if (begins(UTF_16_BE)) return 'utf-16be';
  const [first, second] = bytes;
  // A table begins with letters: of these the other half is empty in UTF-16.
  if (first === 0 && second !== 0) return 'utf-16be';
  if (second === 0 && first !== 0) return 'utf-16le';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}
