import type { CardRefusal } from '../card/card-text.ts';

/** Why a text is no card that can be read, and what to do. */
export const CARD_REFUSAL_WORDS: Readonly<Record<CardRefusal, string>> = {
  notACard: 'This is not the text of a tune card: it begins with KEENLIMB.',
  otherVersion: 'This card was made by a later version of the program. Bring this one up to date.',
  cutOff: 'The text is cut off: a card ends with a full stop. Copy all of it.',
  damaged: 'A part of the text is damaged. Copy it again, or photograph the code again.',
};
