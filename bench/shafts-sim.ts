import { shaftByShaft } from '#core/bare-shaft/shaft-by-shaft.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { foldLog } from '#core/log/fold.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { SimulatedArcher } from '#core/simulate/simulated-archer.ts';
import { drawBow } from './adviser-truth.ts';

/** What is the matter with the bare shafts, how far it sends them, and for how long they are shot. */
export interface ShaftTruth {
  readonly what: 'good' | 'bent' | 'heaps';
  /** Fletched scatters from their fellows. */
  readonly scatters: number;
  readonly ends: number;
}

const MISFIT_SD_MM = 40;

/** What is first said of the shafts while these ends are shot, three numbered bare ones in each. */
export function sayingOf(seed: number, { what, scatters, ends }: ShaftTruth): string | null {
  const { truth } = drawBow(seed, MISFIT_SD_MM);
  const angle = 2 * Math.PI * seededUniform(seed + 77_003)();
  const { scatterMm, scatterUpMm = scatterMm } = truth;
  const away = {
    outwardMm: scatters * scatterMm * Math.cos(angle),
    upMm: scatters * scatterUpMm * Math.sin(angle),
  };
  const archer = new SimulatedArcher(seed + 31, {
    ...truth,
    ...(what === 'bent' ? { bent: { arrowNumber: 2, ...away } } : {}),
    ...(what === 'heaps' ? { heaps: away } : {}),
  });
  const log = new BowLog();
  log.add({
    kind: 'sessionOpened',
    sessionId: 's',
    distanceM: 18,
    toleranceMm: 25,
    toleranceWhy: '',
    buttMm: 1220,
  });
  for (let end = 1; end <= ends; end += 1) {
    for (const shot of archer.shootEnd(6, 3).shots)
      log.add({
        kind: 'shotPlaced',
        shotId: `x${log.log.length}`,
        sessionId: 's',
        endNumber: end,
        ...shot,
        attitude: undefined,
      });
    const state = foldLog(log.log)!;
    const said = shaftByShaft(state, state.sessions[0]!);
    if (said?.kind === 'twoHeaps') return 'twoHeaps';
    if (said?.kind === 'oneApart' && said.arrow === 'bare') return `setAside ${said.arrowNumber}`;
    if (said !== null) return `setAside fletched ${said.arrowNumber}`;
  }
  return null;
}
