import { z } from 'zod';
import { loggedEntrySchema } from './entry.ts';
import { ENTRY_VERSION } from './entry-version.ts';
import { KEPT_TYPES, type KeptType } from './picture.ts';

const FORMAT = 'keen-limb-workshop';
/** The arrangement of members and lines; it rises when an older program could not read a newer file. */
export const FILE_VERSION = 1;
export const ABOUT_NAME = 'about.json';

/** What a workshop file says of itself. */
export const aboutFileSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.int().min(1),
  /** The form its entries are written in. */
  entryVersion: z.int().min(1),
});

/** What this program writes there. */
export const ABOUT_NOW: z.infer<typeof aboutFileSchema> = {
  format: FORMAT,
  version: FILE_VERSION,
  entryVersion: ENTRY_VERSION,
};

/** A line of a bow's log as it stands in a file: an entry without the number it has in one record. */
export const filedEntrySchema = loggedEntrySchema.omit({ seq: true });
export type FiledEntry = z.infer<typeof filedEntrySchema>;

/** Bounds of a file: what is larger was made to exhaust whoever opens it. */
export const FILE_BOUNDS = {
  members: 20_000,
  lines: 1_000_000,
  lineBytes: 300_000,
  /** All members unpacked. */
  bytes: 3_000_000_000,
} as const;

/** A member of a file, by its name. */
export type FileMember =
  | { readonly kind: 'about' }
  | { readonly kind: 'bow'; readonly bowId: string }
  | {
      readonly kind: 'picture';
      readonly bowId: string;
      readonly pictureId: string;
      readonly type: KeptType;
    };

const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
const BOW_NAME = new RegExp(`^bows/(${UUID})\\.jsonl$`);
const PICTURE_NAME = new RegExp(`^pictures/(${UUID})/(${UUID})\\.([a-z]+)$`);

/** What a member is; null: nothing that belongs in such a file. */
export function fileMember(name: string): FileMember | null {
  if (name === ABOUT_NAME) return { kind: 'about' };
  const bowId = BOW_NAME.exec(name)?.[1];
  if (bowId !== undefined) return { kind: 'bow', bowId };
  const [, ofBow, pictureId, ending] = PICTURE_NAME.exec(name) ?? [];
  const type = KEPT_TYPES.find((one) => endingOf(one) === ending);
  return ofBow === undefined || pictureId === undefined || type === undefined
    ? null
    : { kind: 'picture', bowId: ofBow, pictureId, type };
}

/** What a kept thing's file ends in: `jpeg`, `wav`. */
export function endingOf(type: KeptType): string {
  return type.slice(type.indexOf('/') + 1);
}

export function bowMemberName(bowId: string): string {
  return `bows/${bowId}.jsonl`;
}

export function pictureMemberName(bowId: string, pictureId: string, type: KeptType): string {
  return `pictures/${bowId}/${pictureId}.${endingOf(type)}`;
}
