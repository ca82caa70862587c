import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import { AdviseDoor } from '../advise/advise-door.ts';

/** Answers every line that comes with one line, until no more come. */
export async function adviseCommand(commands: Readable, answers: Writable): Promise<void> {
  const door = new AdviseDoor();
  for await (const line of createInterface({ input: commands, crlfDelay: Infinity })) {
    if (line.trim() === '') continue;
    if (!answers.write(`${door.answer(line)}\n`))
      await new Promise((drained) => answers.once('drain', drained));
  }
}
