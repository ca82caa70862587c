import { distanceWords } from '#core/words/marks/distance-words.ts';
import { markRowWords } from '#core/words/marks/marks-words.ts';
import type { Marks } from './use-marks.ts';

/** A card has room for so many distances. */
const MOST_LINES = 4;

/** The marks a tune card shows: those shot and a few between, as sure as they are. None until they are reckoned. */
export function marksOnCard(marks: Marks | null) {
  if (marks?.figures == null || marks.evidence.ends.length < 2) return [];
  const { evidence, figures, unit } = marks;
  const reached = figures.rows.filter(({ set }) => set !== null);
  const step = Math.max(1, Math.ceil(reached.length / MOST_LINES));
  const isShot = (distanceM: number) =>
    evidence.ends.some((end) => Math.abs(end.distanceM - distanceM) < 0.05);
  const shot = reached.filter(({ distanceM }) => isShot(distanceM));
  const chosen = shot.length >= MOST_LINES ? shot : reached.filter((_, at) => at % step === 0);
  return [
    {
      title: evidence.since.length > 0 ? 'Marks, stale' : 'Marks',
      lines: chosen.slice(0, MOST_LINES).map((row) => ({
        name: distanceWords(row.distanceM, unit),
        figure: markRowWords({ ...evidence, shaftMm: null }, row),
        also: isShot(row.distanceM) ? 'shot' : '',
      })),
    },
  ];
}
