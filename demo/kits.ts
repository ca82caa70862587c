import type { BowFacts, Entry } from '#core/log/entry.ts';
import { inches, LogWriter, pounds } from './log-writer.ts';
import { TARGET_BASE } from './target-base.ts';

const KIT: BowFacts = {
  ...TARGET_BASE,
  name: 'Kit A',
  owner: 'Club',
  described: 'sight and clicker, in parts',
  maker: { markedWeightN: pounds(30), markedDrawMm: inches(28) },
  amoDrawMm: inches(28),
  inParts: true,
};

/** Four kits in parts, one per school, with no history. */
export function kitsInParts(nowMs: number): readonly (readonly Entry[])[] {
  const kits: readonly BowFacts[] = [
    KIT,
    {
      ...KIT,
      name: 'Kit B',
      described: 'barebow, in parts',
      hook: 'stringWalk',
      purpose: 'field',
      school: 'barebow',
      hand: 'left',
    },
    {
      ...KIT,
      name: 'Kit C',
      described: 'off the shelf for 3D, in parts',
      bowKind: 'takedownRecurve',
      amoLengthIn: 62,
      hook: 'threeUnder',
      purpose: 'threeD',
      school: 'shelfTarget',
      lengthUnit: 'in',
    },
    {
      ...KIT,
      name: 'Kit D',
      described: 'off the shelf for hunting, in parts',
      bowKind: 'takedownRecurve',
      amoLengthIn: 60,
      hook: 'threeUnder',
      purpose: 'hunting',
      school: 'shelfHunting',
      lengthUnit: 'in',
      hand: 'left',
    },
  ];
  return kits.map(
    (facts, index) => new LogWriter(301 + index, 'Club', nowMs).daysAgo(1).bow(facts).entries,
  );
}
