import { FILE_BOUNDS } from '#contract/workshop-file.ts';
import { BadFile, SAVE_AGAIN } from './bad-file.ts';

/** A line and its number, the first being 1. */
interface Line {
  readonly text: string;
  readonly number: number;
}

/**
 * Lines of UTF-8 as the bytes come; empty ones are passed over.
 *
 * @param name of the member, for what is said
 * @throws BadFile where a line is longer than any entry, or is no text
 */
export async function* readLines(bytes: AsyncIterable<Buffer>, name: string): AsyncGenerator<Line> {
  let number = 0;
  let begun: Buffer[] = [];
  let begunBytes = 0;
  const take = (): Line => {
    number += 1;
    if (number > FILE_BOUNDS.lines)
      throw new BadFile(
        name,
        `It has more than ${FILE_BOUNDS.lines.toLocaleString('en')} lines, which no bow’s log has.`,
        SAVE_AGAIN,
      );
    const text = textOf(Buffer.concat(begun), `${name}, line ${number}`);
    begun = [];
    begunBytes = 0;
    return { text, number };
  };
  for await (const chunk of bytes) {
    let from = 0;
    for (let end = chunk.indexOf(NEWLINE); end >= 0; end = chunk.indexOf(NEWLINE, from)) {
      begun.push(chunk.subarray(from, end));
      from = end + 1;
      const line = take();
      if (line.text.trim() !== '') yield line;
    }
    const rest = chunk.subarray(from);
    begunBytes += rest.length;
    if (begunBytes > FILE_BOUNDS.lineBytes)
      throw new BadFile(
        `${name}, line ${number + 1}`,
        `It is longer than ${FILE_BOUNDS.lineBytes / 1000} kB, which no entry is.`,
        SAVE_AGAIN,
      );
    begun.push(rest);
  }
  if (begunBytes > 0) {
    const line = take();
    if (line.text.trim() !== '') yield line;
  }
}
const NEWLINE = 0x0a;
const utf8 = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true });

function textOf(bytes: Buffer, place: string): string {
  try {
    return utf8.decode(bytes);
  } catch {
    throw new BadFile(place, 'It is not UTF-8 text.', SAVE_AGAIN);
  }
}
