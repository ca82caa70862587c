import { shotsNeeded } from '#core/bare-shaft/shots-needed.ts';
import type { ShotsNeededAnswer, ShotsNeededQuestion } from './shots-needed-door.ts';

addEventListener('message', (event: MessageEvent<ShotsNeededQuestion>) => {
  const { key, sums, toleranceMm, prior, seed } = event.data;
  const answer: ShotsNeededAnswer = { key, needed: shotsNeeded(sums, toleranceMm, prior, seed) };
  postMessage(answer);
});
