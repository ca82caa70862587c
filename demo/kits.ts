import type { BowFacts, Entry } from '#core/log/entry.ts';
import { demoId, type RecordedSearch, recordHeight } from './brace-search.ts';
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
  return kits.map((facts, index) => {
    const log = new LogWriter(301 + index, 'Club', nowMs).daysAgo(1).bow(facts);
    return (facts.name === PRACTISED_ON ? practise(log) : log).entries;
  });
}

const PRACTISED_ON = 'Kit C';
export const KIT_PRACTICE: RecordedSearch = {
  seed: 4_303,
  lowMm: 182,
  highMm: 206,
  heightsMm: [186, 193.2],
};

/** A search practised on it without a bow, left when it was half done. */
function practise(log: LogWriter): LogWriter {
  const { seed, lowMm, highMm, heightsMm } = KIT_PRACTICE;
  const searchId = demoId(seed);
  log.add({
    kind: 'braceSearchOpened',
    searchId,
    purpose: 'lowestClear',
    lowMm,
    highMm,
    beginsAt: 'low',
    silencers: 'none',
    distanceM: 10,
    keepsSounds: false,
    practiceSeed: seed,
  });
  for (const [height, heightMm] of heightsMm.entries()) {
    log.add({ kind: 'practiceHeight', searchId, heightMm, twists: height === 0 ? 0 : 9 });
    recordHeight(log, KIT_PRACTICE, height, { searchId, source: 'standIn' });
    log.add({ kind: 'heightJudged', searchId, armTouched: height === 0 });
  }
  return log;
}
