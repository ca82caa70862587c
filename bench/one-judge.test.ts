import { describe, expect, it } from 'vitest';
import { drawBow } from './adviser-truth.ts';
import { nextMove } from '#core/advice/next-move.ts';
import { bareShaftEvidence } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { foldLog } from '#core/log/fold.ts';
import { isReadyToTune, stepStates } from '#core/order/step-states.ts';
import { SimulatedArcher } from '#core/simulate/simulated-archer.ts';
import { speakMoveOrNull } from '#core/words/moves/speak-move.ts';
import { stepWords } from '#core/words/step-words.ts';
import { verdictWords } from '#core/words/verdict-words.ts';

/** All that is said of one state, by who says it. */
interface Said {
  readonly verdict: string;
  readonly move: string;
  readonly why: string;
  readonly order: string;
  readonly rack: string;
}

/** What one voice says, and what none of the others may say beside it. */
const NEVER_TOGETHER: readonly {
  readonly first: Partial<Record<keyof Said, RegExp>>;
  readonly second: Partial<Record<keyof Said, RegExp>>;
}[] = [
  { first: { verdict: /^Done/ }, second: { move: /bare|preload|nocking point|point mass|cut/i } },
  { first: { verdict: /^Done/ }, second: { order: /undecided|is out|one more end|stale|to do/ } },
  { first: { verdict: /and it is not you/ }, second: { why: /cannot be told from the scatter/ } },
  {
    first: { verdict: /by this one look|by what was shot/ },
    second: { why: /cannot be told from the scatter/ },
  },
  {
    first: { verdict: /by this one look|by what was shot|not you/ },
    second: { order: /undecided|one more end|holds/ },
  },
  { first: { verdict: /^Inside, both ways/ }, second: { why: /cannot be told|One look says/ } },
  { first: { verdict: /^Inside, both ways/ }, second: { order: /is out|undecided/ } },
  { first: { verdict: /undecided/ }, second: { order: /^holds/ } },
  { first: { verdict: /^Probably/ }, second: { why: /cannot be told from the scatter/ } },
  { first: { verdict: /^Stiff/ }, second: { why: /^Weak|says weak|looks weak/ } },
  { first: { verdict: /^Weak/ }, second: { why: /^Stiff|says stiff|looks stiff/ } },
  {
    first: { verdict: /point low/ },
    second: { why: /^Nocking point high|says nocking point high/ },
  },
  {
    first: { verdict: /point high/ },
    second: { why: /^Nocking point low|says nocking point low/ },
  },
  { first: { order: /^holds/ }, second: { move: /Shoot again|One more end|Shoot bare/ } },
  { first: { rack: /ready/ }, second: { move: /^Measure (brace|rough|tiller|nocking|centre)/ } },
];

/** What bench, range and rack say of a log as it stands; null before it has a verdict. */
function saidOf(log: BowLog): Said | null {
  const state = foldLog(log.log);
  if (state === null) return null;
  const { verdict } = bareShaftEvidence(state);
  if (verdict === null) return null;
  const steps = stepStates(state);
  const move = speakMoveOrNull(state, nextMove(state, log.nowMs));
  const { says, figure, also } = verdictWords(verdict, {
    hand: state.bow.hand,
    unit: 'cm',
    needed: { outward: null, up: null },
  });
  return {
    verdict: [says, figure ?? '', ...also].join(' '),
    move: move?.title ?? 'Done: go and practise',
    why: move?.why ?? '',
    order: stepWords(steps.find(({ step }) => step.id === 'bareShaft')!),
    rack: isReadyToTune(steps) ? 'ready' : 'open',
  };
}

function contradictions(said: Said): readonly string[] {
  const says = (one: Partial<Record<keyof Said, RegExp>>) =>
    Object.entries(one).every(([who, what]) => what.test(said[who as keyof Said]));
  return NEVER_TOGETHER.filter(({ first, second }) => says(first) && says(second)).map(
    ({ first, second }) => `${Object.values(first).join()} with ${Object.values(second).join()}`,
  );
}

/** Tunes a bow by its next moves, shot by shot and end by end, and asks everybody after each. */
function* voicesOf(seed: number): Generator<Said> {
  const drawn = drawBow(seed, seed % 2 === 0 ? 50 : 12);
  const archer = new SimulatedArcher(seed + 41, drawn.truth);
  const log = new BowLog({
    school: drawn.school,
    hook: drawn.school === 'barebow' ? 'stringWalk' : 'split',
    crawlMm: 20,
    arrow: { described: '', lengthMm: 780, diameterMm: 6, pointMassG: 6.48 },
    amoDrawMm: 711,
  }).settle();
  const session = log.open(20);
  for (let end = 1; end <= 8; end += 1) {
    const { shots } = archer.shootEnd(6, 3);
    for (const [at, shot] of shots.entries()) {
      log.add({
        kind: 'shotPlaced',
        shotId: `x${log.log.length}`,
        sessionId: session,
        endNumber: end,
        ...shot,
        attitude: seed % 5 === 0 ? (shot.attitude ?? undefined) : undefined,
      });
      // Half an end is a state like any other.
      if (at === 7 || at === shots.length - 1) {
        const said = saidOf(log);
        if (said !== null) yield said;
      }
    }
    const move = nextMove(log.state, log.nowMs);
    if (move?.action.kind === 'change') {
      archer.move(move.action.changes);
      for (const change of move.action.changes)
        log.add({ kind: 'change', ...change, moveId: `m${end}`, because: '' });
    } else if (move?.action.kind === 'checkBlame')
      log.add({ kind: 'blameChecked', sessionId: session, items: move.action.items });
    else if (move?.action.kind === 'setShaftAside')
      log.add({
        kind: 'shaftSetAside',
        sessionId: session,
        arrow: move.action.arrow,
        arrowNumber: move.action.arrowNumber,
        aside: true,
      });
    const said = saidOf(log);
    if (said !== null) yield said;
  }
}

describe('verdict, next move, order of work and rack', () => {
  it('never contradict each other, over thousands of states', { timeout: 400_000 }, () => {
    const found = new Map<string, string>();
    let states = 0;
    const heard = new Set<number>();
    for (let seed = 1; seed <= 70; seed += 1)
      for (const said of voicesOf(seed)) {
        states += 1;
        for (const [at, { first }] of NEVER_TOGETHER.entries())
          if (Object.entries(first).every(([who, what]) => what.test(said[who as keyof Said])))
            heard.add(at);
        for (const one of contradictions(said))
          found.set(one, `seed ${seed}: ${JSON.stringify(said)}`);
      }
    expect([...found].map(([pair, where]) => `${pair}\n${where}`)).toEqual([]);
    expect(states).toBeGreaterThan(1400);
    // A pair of which the first is never said proves nothing.
    expect(heard.size).toBe(NEVER_TOGETHER.length);
  });

  it('a contradiction planted among them is found', () => {
    const planted = {
      verdict: 'Stiff, by this one look: 5 cm',
      move: '',
      order: 'undecided',
      rack: '',
    };
    expect(
      contradictions({ ...planted, why: 'The offset cannot be told from the scatter yet.' }),
    ).toHaveLength(2);
    expect(contradictions({ ...planted, order: 'across is out', why: '' })).toEqual([]);
  });
});
