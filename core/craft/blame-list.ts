import { type School, shootsOffTheShelf } from './bow-terms.ts';

/** One thing to look at before bow or arrow is blamed. */
export interface BlameItem {
  readonly id: string;
  readonly words: string;
}

const ITEMS: readonly BlameItem[] = [
  { id: 'arrow', words: 'Arrows all alike, with the same point: weigh one bare, one fletched.' },
  { id: 'nockFit', words: 'Nock fit: falls on a tap, not before.' },
  { id: 'loose', words: 'Nothing loose: rest, sight block, bolts, a weight touching a bolt.' },
  { id: 'contact', words: 'No contact marks: powder on rest, shelf and riser.' },
  { id: 'butt', words: 'Butt firm where the bare shafts land.' },
  { id: 'cant', words: 'Bow upright, or the cant written down.' },
  { id: 'fingers', words: 'Finger pressure and release as always.' },
  { id: 'aim', words: 'Same aim for bare and fletched.' },
];

/** Where these are named otherwise off the shelf. */
const OFF_THE_SHELF: Readonly<Record<string, string>> = {
  loose: 'Nothing loose: pad, side plate, quiver, silencers.',
  contact: 'No contact marks: powder on shelf, side plate and riser.',
};

/** Looked at in this order: the commonest and cheapest first. */
export function blameList(school: School): readonly BlameItem[] {
  if (!shootsOffTheShelf(school)) return ITEMS;
  return ITEMS.map((item) => ({ ...item, words: OFF_THE_SHELF[item.id] ?? item.words }));
}

/** The same before the bow is blamed for where points for use land. */
export const POINTS_LOOKED_AT: readonly BlameItem[] = [
  {
    id: 'pointSpins',
    words: 'Each spun on its shaft: the tip stands still, no wobble at the joint.',
  },
  {
    id: 'pointMass',
    words: 'One of each weighed whole: practice and proof the same, within 5 gr.',
  },
  { id: 'pointTight', words: 'Tight, insert and collar sound; blades turned with a wrench.' },
  { id: 'nockAligned', words: 'Nocks straight, and turned alike to the blades.' },
];
