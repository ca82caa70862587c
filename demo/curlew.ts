import { flightAt } from '#core/flight/arrow-flight.ts';
import type { Entry } from '#core/log/entry.ts';
import { CURLEW_ARROW } from './arrows.ts';
import { inches, LogWriter, pounds } from './log-writer.ts';
import { TARGET_BASE } from './target-base.ts';

const HALL = { place: 'club hall', light: 'indoor', wind: 'still' } as const;

/** A barebow that walked the whole way: stiff, mended in two moves, done. */
export function curlew(nowMs: number): readonly Entry[] {
  const log = new LogWriter(201, 'Odo', nowMs);
  log.daysAgo(44).bow({
    ...TARGET_BASE,
    name: 'Curlew',
    owner: 'Odo',
    described: 'long riser, medium limb, 36',
    hook: 'stringWalk',
    purpose: 'field',
    school: 'barebow',
    maker: {
      braceMinMm: 216,
      braceMaxMm: 232,
      markedWeightN: pounds(36),
      markedDrawMm: inches(28),
    },
    amoDrawMm: inches(28.5),
    twistsAtStart: 26,
    arrow: { described: 'carbon, spine 600', lengthMm: 762, diameterMm: 6.5, pointMassG: 7.78 },
  });
  log.arrow('carbon, spine 600', CURLEW_ARROW).confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 37.1 37.0', [pounds(37.1), pounds(37)])
    .read('braceHeight', 'b 222 222.5 222', [222, 222.5, 222])
    .read('tillerTop', 'tt 181', [181])
    .read('tillerBottom', 'tb 184.5', [184.5])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0', [0])
    .read('limbLineRod', 'll r 0', [0])
    .read('restHeight', 'rh 0.2', [0.2])
    .confirm('restAndPlunger')
    .read('nockingHeight', 'n 9', [9])
    .read('centreShotAtPoint', 'cs 0.5', [0.5])
    .shots(60, 'shooting in')
    .read('braceHeight', 'b 221.8 222', [221.8, 222])
    .confirm('braceSearch');
  log.daysAgo(30).session(18, 20, [
    { fletched: 6, bare: 3, sdMm: 14, bareRightMm: -48, bareUpMm: 2 },
    { fletched: 6, bare: 3, sdMm: 14, bareRightMm: -52, bareUpMm: -3 },
  ]);
  log
    .change('plungerPreload', -1, 'stiff on two ends')
    .change('pointMass', 1.296, 'preload alone is not enough');
  const walk = log.daysAgo(26).openSession(10, 20, {
    ...HALL,
    sessionKind: 'walkBack',
    markBelowTopMm: 300,
  });
  log.walk(walk, 1, -4, 11).change('plungerReach', -0.25, 'hits drift outward with distance');
  // Twice: straight is said over two looks.
  log.walk(walk, 6, -0.2, 8).walk(walk, 11, -0.2, 8);
  log.add({ kind: 'sessionClosed', sessionId: walk });
  log.confirm('walkBack').read('centreShotAtPoint', 'cs 0.2', [0.2]);
  log.daysAgo(23).session(18, 20, [
    { fletched: 6, bare: 4, sdMm: 12, bareRightMm: -4, bareUpMm: 1 },
    { fletched: 6, bare: 4, sdMm: 12, bareRightMm: 2, bareUpMm: -2 },
    { fletched: 6, bare: 4, sdMm: 12, bareRightMm: 1, bareUpMm: 1 },
  ]);
  tunePreload(log);
  log.daysAgo(15).session(18, 20, [
    { fletched: 6, bare: 4, sdMm: 11, bareRightMm: -6, bareUpMm: -8 },
    { fletched: 6, bare: 4, sdMm: 11, bareRightMm: -4, bareUpMm: -10 },
    { fletched: 6, bare: 4, sdMm: 11, bareRightMm: -5, bareUpMm: -9 },
  ]);
  log.add({
    kind: 'landingSet',
    outwardMm: 5,
    upMm: -9,
    why: 'where bare shafts landed with groups at their best',
  });
  log.read('braceHeight', 'b 222 221.7', [222, 221.7]);
  shootCrawls(log);
  log.confirm('sightMarks', 'proof');
  log.note('Crawl most used: 32 mm at 18 m.');
  return log.entries;
}

/** How the bow truly shoots: what nobody at the club knows. */
const FLIGHT = { speedMps: 50.5, dragPerM: 0.0021 };
const EYE_OVER_NOCK_MM = 63;
const ARROW_MM = 738;
const CRAWLS_TRIED = [
  [12, 45],
  [18, 35],
  [30, 16],
] as const;

/** Crawls from three distances, each a guess that lands where it lands. */
function shootCrawls(log: LogWriter): void {
  const sessionId = log.openSession(12, 20, {
    sessionKind: 'marks',
    aiming: { kind: 'crawl', eyeOverNockMm: 65, arrowMm: ARROW_MM, division: 3 },
  });
  CRAWLS_TRIED.forEach(([distanceM, crawlMm], index) => {
    const eyeMm = EYE_OVER_NOCK_MM - crawlMm;
    const at = flightAt(FLIGHT, Math.atan(eyeMm / ARROW_MM), distanceM);
    const upMm = (at?.upM ?? 0) * 1000 - eyeMm;
    log.markEnd(sessionId, index + 1, { distanceM, set: crawlMm, upMm, sdMm: 1.1 * distanceM });
  });
  log.add({ kind: 'sessionClosed', sessionId });
}

/** Groups of the archer at 25 m by turns of preload from the first setting. */
const PRELOAD_SD_MM: ReadonlyMap<number, number> = new Map([
  [-0.5, 26],
  [0, 20],
  [0.25, 14],
  [0.5, 19],
]);

/** Preload by quarter turns over two evenings: best a quarter turn stiffer, by little. */
function tunePreload(log: LogWriter): void {
  const experimentId = log.daysAgo(19).experiment({
    control: 'plungerPreload',
    low: -0.5,
    high: 0.5,
    step: 0.25,
    distanceM: 25,
    shotsADay: 48,
  });
  const day = (daysAgo: number, settings: readonly number[], from: number) => {
    const sessionId = log.daysAgo(daysAgo).openSession(25, 28, {
      ...HALL,
      sessionKind: 'fineTuning',
      experimentId,
    });
    let setting = from;
    settings.forEach((next, index) => {
      if (next !== setting) log.change('plungerPreload', next - setting, 'fine tuning');
      setting = next;
      log.end(sessionId, index + 1, {
        fletched: 6,
        bare: 0,
        sdMm: PRELOAD_SD_MM.get(next) ?? 18,
        bareRightMm: 0,
        bareUpMm: 0,
        ...(index % 2 === 1 ? { calledBad: 4 } : {}),
      });
    });
    log.add({ kind: 'sessionClosed', sessionId });
  };
  day(19, [-0.5, -0.5, 0.5, 0.5, 0, 0], 0);
  log.add({ kind: 'experimentNarrowed', experimentId, best: 0.25, other: 0 });
  day(17, [0.25, 0, 0.25], 0);
  log.add({ kind: 'experimentClosed', experimentId, why: 'kept 1/4 turn stiffer' });
  log.confirm('fineTuning');
}
