import { z } from 'zod';
import { READING_KINDS, READINGS } from '../../craft/readings.ts';
import { showReading } from '../../craft/show-reading.ts';
import { meanOf, sampleSd } from '../../numeric/moments.ts';
import { listIn } from '../bow-draft.ts';
import { SOURCES } from '../entry.ts';
import { figure, text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

/** Longest list of replicates accepted, so that one entry can never fill the disk. */
const MOST_REPLICATES = 20;

export const reading = entryKind({
  kind: 'reading',
  schema: z.strictObject({
    kind: z.literal('reading'),
    reading: z.enum(READING_KINDS),
    values: z.array(figure).min(1).max(MOST_REPLICATES),
    typed: text,
    datum: text,
    tool: text,
    source: z.enum(SOURCES),
    confirmedUnlikely: z.boolean(),
  }),
  reduce: (draft, body, { id, at, by, index }) => {
    const { reading, values, typed, datum, tool, source } = body;
    const mean = meanOf(values);
    listIn(draft.readings, reading).push({
      reading,
      entryId: id,
      index,
      at,
      by,
      values,
      mean,
      n: values.length,
      sd: values.length > 1 ? sampleSd(values) : null,
      typed,
      datum,
      tool,
      source,
      under: draft.setting.now,
    });
    if (reading === 'drawLength') draft.bow = { ...draft.bow, amoDrawMm: mean };
  },
  words: ({ reading, values }, bow) => {
    const said = `${READINGS[reading].name} ${showReading(reading, meanOf(values), bow)}`;
    return values.length > 1 ? `${said}, ${values.length} readings` : said;
  },
});
