import { v7 as newId } from 'uuid';
import { foldLog } from '#core/log/fold.ts';
import type { Entry, LoggedEntry } from '#core/log/entry.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { demoClub } from '#demo/demo-club.ts';
import { AdviseDoor } from '../server/advise/advise-door.ts';

/**
 * What the script door costs over the core it stands before: readings appended one by one to a log of
 * 500 entries, the advice asked after each. Both in one run, so that their ratio says something.
 */
const LOG = 500;
const APPENDS = 1000;
/** The door parses and writes; it must not reckon anything a second time. */
const MOST_RATIO = 1.25;

const option = process.argv.indexOf('--seed');
const seed = option < 0 ? 20_261_127 : Number(process.argv[option + 1]);
const [heron] = demoClub(Date.UTC(2026, 4, 1, 12)) as [readonly Entry[]];
const uniform = seededUniform(seed);
const readings = heron.filter(({ body }) => body.kind === 'reading');
const bowId = heron[0]?.bowId ?? '';
const atMs = instantMs(heron.at(-1)?.at ?? '');

function reading(n: number): Entry {
  const entry = readings[Math.floor(uniform() * readings.length)];
  if (entry === undefined) throw new Error('the demo bow has no readings');
  return { ...entry, id: newId(), at: new Date(atMs + n * 60_000).toISOString() };
}
const before = [...heron, ...Array.from({ length: LOG }, (_, n) => reading(n))].slice(0, LOG);
const appended = Array.from({ length: APPENDS }, (_, n) => reading(LOG + n));

function inCore(): number {
  const log: LoggedEntry[] = before.map((entry, index) => ({ ...entry, seq: index + 1 }));
  const begun = performance.now();
  for (const entry of appended) {
    log.push({ ...entry, seq: log.length + 1 });
    const state = foldLog(log);
    if (state !== null) nextMove(state, instantMs(state.lastAt));
  }
  return performance.now() - begun;
}

function throughTheDoor(): number {
  const door = new AdviseDoor();
  for (let from = 0; from < before.length; from += 100)
    door.answer(JSON.stringify({ entries: before.slice(from, from + 100) }));
  const begun = performance.now();
  for (const entry of appended) {
    door.answer(JSON.stringify({ entries: [entry] }));
    const answer = door.answer(JSON.stringify({ ask: 'advice', bow: bowId }));
    if (!answer.startsWith('{"advice"')) throw new Error(answer);
  }
  return performance.now() - begun;
}

// Turn about, so that a busy minute weighs on both.
const runs = Array.from({ length: 3 }, () => ({ core: inCore(), door: throughTheDoor() }));
const ratios = runs.map(({ core, door }) => door / core).toSorted((one, other) => one - other);
const ratio = ratios[1] ?? Number.NaN;
for (const { core, door } of runs)
  console.log(
    `core ${Math.round(core)} ms, door ${Math.round(door)} ms for ${APPENDS} appends and questions`,
  );
console.log(`seed ${seed}: door over core ${ratio.toFixed(2)}, at most ${MOST_RATIO}`);
if (!(ratio <= MOST_RATIO)) process.exit(1);
