import { readFileSync, writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import {
  ABOUT_NOW,
  aboutFileSchema,
  bowMemberName,
  fileMember,
  filedEntrySchema,
  pictureMemberName,
} from './workshop-file.ts';

const DOCS = new URL('../docs/', import.meta.url).pathname;
const SCHEMA = `${DOCS}file-format.schema.json`;
const PAGE = `${DOCS}file-format.md`;

/** The file’s format as JSON Schema, from the schemas every door reads by. */
function published(): string {
  const of = (schema: z.ZodType) => z.toJSONSchema(schema, { unrepresentable: 'any' });
  return `${JSON.stringify({ about: of(aboutFileSchema), line: of(filedEntrySchema) }, null, 1)}\n`;
}

describe('the published format of files', () => {
  it('is the one that is read (KEEN_LIMB_GOLDEN=write writes it anew)', () => {
    if (process.env['KEEN_LIMB_GOLDEN'] === 'write') writeFileSync(SCHEMA, published());
    expect(readFileSync(SCHEMA, 'utf8')).toBe(published());
  });

  it('is shown by an example that can be read', () => {
    const page = readFileSync(PAGE, 'utf8');
    const [about = '', lines = ''] = [...page.matchAll(/```json\n([^`]*)```/g)].map(
      ([, text]) => text ?? '',
    );
    expect(aboutFileSchema.parse(JSON.parse(about))).toEqual(ABOUT_NOW);
    const read = lines
      .trim()
      .split('\n')
      .map((line) => filedEntrySchema.parse(JSON.parse(line)));
    expect(read.map(({ body }) => body.kind)).toEqual(['bowMade', 'reading']);
    expect(page).toContain(bowMemberName(read[0]!.bowId));
  });

  it('names members so that they are known again, and nothing else', () => {
    const [bowId, pictureId] = [
      '0199c0de-0000-7000-8000-000000000001',
      '0199c0de-0000-7000-8000-000000000002',
    ];
    expect(fileMember(bowMemberName(bowId))).toEqual({ kind: 'bow', bowId });
    expect(fileMember(pictureMemberName(bowId, pictureId, 'image/webp'))).toEqual({
      kind: 'picture',
      bowId,
      pictureId,
      type: 'image/webp',
    });
    for (const odd of [
      '',
      'bows/',
      `bows/${bowId}.json`,
      `bows/${bowId}.jsonl/`,
      `../bows/${bowId}.jsonl`,
      `bows/../bows/${bowId}.jsonl`,
      `pictures/${bowId}/${pictureId}.svg`,
      `BOWS/${bowId}.jsonl`,
    ])
      expect(fileMember(odd), odd).toBeNull();
  });
});
