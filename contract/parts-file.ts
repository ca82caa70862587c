import { z } from 'zod';
import { MOST_PARTS, type PartProblem, type ReadParts } from '#core/arrows/catalogue-file.ts';
import type { NamedPart } from '#core/craft/catalogue-part.ts';
import { cataloguePartSchema } from '#core/log/kinds/catalogue-part.ts';
import { shortText } from '#core/log/kinds/parts.ts';

const FORMAT = 'keen-limb-parts';

const onePart = z.strictObject({ name: shortText, part: cataloguePartSchema });
const partsFile = z.object({
  format: z.literal(FORMAT),
  version: z.literal(1),
  parts: z.array(z.unknown()).max(MOST_PARTS),
});

/** The catalogue as a file of its own: masses g, lengths mm. */
export function partsAsJson(parts: readonly Pick<NamedPart, 'name' | 'part'>[]): string {
  const plain = parts.map(({ name, part }) => ({ name, part }));
  return `${JSON.stringify({ format: FORMAT, version: 1, parts: plain }, null, 2)}\n`;
}

/** Reads such a file: a part that cannot be is named with its place, and the others are taken. */
export function readPartsJson(text: string): ReadParts {
  const file = partsFile.safeParse(parsed(text));
  if (!file.success) {
    const [issue] = file.error.issues;
    return {
      parts: [],
      problems: [
        {
          place: 'the file',
          column: issue?.path.join('.') ?? '',
          says: `no file of parts: ${issue?.message ?? 'not JSON'}`,
        },
      ],
    };
  }
  const problems: PartProblem[] = [];
  const parts = file.data.parts.flatMap((raw, at) => {
    const read = onePart.safeParse(raw);
    if (read.success) return [read.data];
    const [issue] = read.error.issues;
    problems.push({
      place: `parts ${at + 1}`,
      column: issue?.path.join('.') ?? '',
      says: issue?.message ?? 'cannot be read',
    });
    return [];
  });
  return { parts, problems };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return null;
  }
}
