import { describe, expect, it } from 'vitest';
import { countUse } from '../care/use-counts.ts';
import { readingCurve } from '../story/reading-curve.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { checkProposal } from '../limits/check-proposal.ts';
import type { BodyOf } from '../log/entry.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { nextMove } from '../advice/next-move.ts';
import { speakMove } from '../words/moves/speak-move.ts';
import { heightsShown, curveShown } from './curve-shown.ts';
import { openSearch, searchStanding } from './search-standing.ts';
import type { SearchNext } from './search-next.ts';
import { settledEntries } from './settled-band.ts';
import { searchOpening, searchProblem, type SearchWish } from './search-wish.ts';

const SEARCH = 'a-search';
const WISH: SearchWish = {
  purpose: 'quiet',
  lowMm: undefined,
  highMm: undefined,
  beginsAt: 'low',
  silencers: 'none',
  distanceM: undefined,
  keepsSounds: true,
  practiceSeed: null,
};
const LOW_MM = 209.55;
const HIGH_MM = 222.25;

/** A bow with a secret: so much brace a twist, and so loud at each height. */
class Secret {
  readonly log = new BowLog().settle();
  braceMm = 216;
  private readonly twistMm: number;
  private readonly noise: (mm: number) => number;
  private readonly normal: () => number;
  private readonly armTouchesBelowMm: number;

  constructor(
    seed: number,
    { twistMm = 0.9, noise = (mm: number) => 0.15 * (mm - 217.5) ** 2, armTouchesBelowMm = 0 } = {},
  ) {
    this.twistMm = twistMm;
    this.noise = noise;
    this.armTouchesBelowMm = armTouchesBelowMm;
    this.normal = standardNormal(seededUniform(seed));
  }

  open(wish: Partial<SearchWish> = {}): this {
    for (const body of searchOpening(this.log.state, { ...WISH, ...wish }, SEARCH))
      this.log.add(body);
    return this;
  }

  get search() {
    return this.log.state.searches.find(({ searchId }) => searchId === SEARCH)!;
  }

  get standing() {
    const { state } = this.log;
    return searchStanding(state, state.searches.find(({ searchId }) => searchId === SEARCH)!);
  }

  readBrace(): void {
    this.log.read('braceHeight', ...[0, 1, 2].map(() => this.braceMm + 0.3 * this.normal()));
  }

  shot(silenced = false): Omit<BodyOf<'shotHeard'>, 'kind' | 'searchId'> {
    return {
      source: 'microphone',
      levelDb: this.noise(this.braceMm) - 40 + 0.6 * this.normal(),
      centroidHz: 700,
      octavesDb: [-50, -45, -44, -46, -50, -55, -60],
      roomDb: -80,
      ...(silenced ? { silenced } : {}),
    };
  }

  record(shots = 3): void {
    for (let n = 0; n < shots; n += 1)
      this.log.add({ kind: 'shotHeard', searchId: SEARCH, ...this.shot() });
    if (this.armTouchesBelowMm > 0)
      this.log.add({
        kind: 'heightJudged',
        searchId: SEARCH,
        armTouched: this.braceMm < this.armTouchesBelowMm,
      });
  }

  /** Does what is asked for; returns it. */
  obey(): SearchNext {
    const { next } = this.standing;
    switch (next.kind) {
      case 'readBrace':
        this.readBrace();
        break;
      case 'shoot':
        this.record();
        break;
      case 'twist':
        this.log.change('twists', next.twists);
        this.braceMm += next.twists * this.twistMm;
        break;
      case 'seeSilencers':
        this.log.add({ kind: 'heightJudged', searchId: SEARCH, silencersSeen: true });
        break;
      case 'settle':
      case 'armAlways':
      case 'over':
        break;
    }
    return next;
  }

  /** Follows it to its end; every height it stood at on the way. */
  follow(): { readonly end: SearchNext; readonly heights: readonly number[] } {
    const heights = [this.braceMm];
    for (let step = 0; step < 60; step += 1) {
      const next = this.obey();
      if (next.kind === 'twist') heights.push(this.braceMm);
      if (['settle', 'armAlways', 'over'].includes(next.kind)) return { end: next, heights };
    }
    throw new Error('it does not end');
  }

  loudnessHere(): number {
    return this.noise(this.braceMm);
  }
}

describe('a search from its first height to its band', () => {
  it('finds a quiet height inside the limits, and leaves its band and the step done', () => {
    for (const seed of [11, 12, 13, 14]) {
      const bow = new Secret(seed, { twistMm: 0.6 + 0.15 * (seed - 10) }).open();
      const { end, heights } = bow.follow();
      expect(end.kind).toBe('settle');
      for (const mm of heights.slice(1)) {
        expect(mm).toBeGreaterThan(LOW_MM - 1);
        expect(mm).toBeLessThan(HIGH_MM + 1);
      }
      expect(heights.length - 1).toBeLessThanOrEqual(8);
      // No louder than what whole twists and half a decibel leave.
      expect(bow.loudnessHere()).toBeLessThan(1.2);
      expect(bow.standing.stringOffs).toBe(heights.length - 1);
      for (const body of settledEntries(bow.log.state, bow.search, bow.standing, 'quiet here'))
        bow.log.add(body);
      const { state } = bow.log;
      const band = state.targets.get('braceHeight')!;
      expect(band.name).toBe('quiet');
      expect(band.low).toBeLessThan(bow.braceMm + 0.6);
      expect(band.high).toBeGreaterThan(bow.braceMm - 0.6);
      expect(band.low).toBeGreaterThanOrEqual(LOW_MM);
      expect(band.high).toBeLessThanOrEqual(HIGH_MM);
      expect(openSearch(state)).toBeNull();
      expect(bow.search.closed?.settledMm).toBeCloseTo(bow.braceMm, 0);
      expect(bow.standing.next).toEqual({ kind: 'over' });
    }
  });

  it('is a pure function of the log: interrupted anywhere it goes on where it was', () => {
    const bow = new Secret(21).open();
    for (let step = 0; step < 14; step += 1) {
      const before = bow.standing.next;
      bow.log.wait(30);
      expect(bow.standing.next).toEqual(before);
      if (bow.obey().kind === 'settle') break;
    }
  });

  it('judges by what was read, not by the twists: a height three millimetres off its plan is where it is', () => {
    const bow = new Secret(5, { twistMm: 1.6 }).open();
    bow.follow();
    for (const { heightMm, visit } of heightsShown(bow.standing)) {
      const read = bow.log.state.readings
        .get('braceHeight')!
        .filter(({ index }) => index > visit.from)
        .at(0)!;
      expect(heightMm).toBeCloseTo(read.mean, 6);
    }
  });

  it('reads of an older brace are not those of the first height', () => {
    const log = new BowLog().settle();
    log.wait(24 * 20);
    for (const body of searchOpening(log.state, { ...WISH, beginsAt: 'here' }, SEARCH))
      log.add(body);
    expect(searchStanding(log.state, openSearch(log.state)!).next).toEqual({
      kind: 'readBrace',
      have: 0,
      want: 3,
    });
  });

  it('a flat bow ends at once, low, and is said to be flat', () => {
    const bow = new Secret(31, { noise: () => 2 }).open();
    const { end } = bow.follow();
    expect(end).toMatchObject({ kind: 'settle', flat: true });
    expect(bow.braceMm).toBeLessThan(215);
  });

  it('never proposes a height at or below one that touched the arm', () => {
    const bow = new Secret(41, {
      noise: (mm) => 0.15 * (mm - 212) ** 2,
      armTouchesBelowMm: 215,
    }).open();
    const { end } = bow.follow();
    expect(end.kind).toBe('settle');
    expect(bow.braceMm).toBeGreaterThan(214.5);
    const always = new Secret(42, { armTouchesBelowMm: 400 }).open({ beginsAt: 'middle' });
    expect(always.follow().end.kind).toBe('armAlways');
  });

  it('shot without silencers it asks for one shot with them on before it is settled', () => {
    const bow = new Secret(51).open({ silencers: 'off' });
    const asked: string[] = [];
    for (let step = 0; step < 60; step += 1) {
      const { kind } = bow.obey();
      asked.push(kind);
      if (kind === 'settle') break;
    }
    expect(asked.slice(-2)).toEqual(['seeSilencers', 'settle']);
  });

  it('by ear alone it ends as well', () => {
    const bow = new Secret(61).open();
    let before = 0;
    for (let step = 0; step < 60; step += 1) {
      const { next, visits } = bow.standing;
      if (next.kind !== 'shoot') {
        bow.obey();
        if (next.kind === 'settle') break;
        continue;
      }
      const now = bow.loudnessHere();
      const off = now - before;
      const heard = Math.abs(off) < 0.7 ? 'same' : off < 0 ? 'quieter' : 'louder';
      bow.log.add({
        kind: 'heightJudged',
        searchId: SEARCH,
        ...(visits.length > 1 ? { heard, felt: heard === 'louder' ? 'jumpier' : 'calmer' } : {}),
      });
      before = now;
    }
    expect(bow.standing.next.kind).toBe('settle');
    expect(bow.loudnessHere()).toBeLessThan(2.5);
  });
});

describe('the best two side by side', () => {
  it('are shot best, other, best, with their string-offs apart', () => {
    const bow = new Secret(71).open();
    bow.follow();
    const offs = bow.standing.stringOffs;
    const bestMm = bow.standing.here!.heightMm!;
    const otherMm = bestMm - 2.7;
    bow.log.add({ kind: 'bestTwoBegun', searchId: SEARCH, bestMm, otherMm });
    const heights: number[] = [];
    for (let step = 0; step < 20; step += 1) {
      const next = bow.obey();
      if (next.kind === 'shoot') heights.push(bow.braceMm);
      if (next.kind === 'settle') break;
    }
    expect(heights).toHaveLength(3);
    expect(heights[0]).toBeCloseTo(heights[2]!, 6);
    expect(heights[1]).toBeCloseTo(otherMm, 0);
    expect(bow.standing.stringOffs).toBe(offs);
    expect(bow.standing.bestTwoStringOffs).toBe(2);
  });
});

describe('practice', () => {
  it('leaves nothing with the bow: no shots, no changes, no readings, no band', () => {
    const log = new BowLog().settle();
    const before = log.state;
    for (const body of searchOpening(log.state, { ...WISH, practiceSeed: 7 }, SEARCH))
      log.add(body);
    log.add({
      kind: 'shotHeard',
      searchId: SEARCH,
      source: 'standIn',
      levelDb: -40,
      centroidHz: 600,
      octavesDb: [0, 0, 0, 0, 0, 0, 0],
      roomDb: -80,
    });
    const { state } = log;
    const search = state.searches[0]!;
    for (const body of settledEntries(state, search, searchStanding(state, search), ''))
      log.add(body);
    const after = log.state;
    expect(after.shotsInAll).toBe(before.shotsInAll);
    expect(after.changes).toEqual(before.changes);
    expect(after.readings).toEqual(before.readings);
    expect(after.targets).toEqual(before.targets);
    expect(after.strings.fitted.shots).toBe(before.strings.fitted.shots);
    // Nor does it ask for anything of the bow.
    expect(nextMove(state, Date.UTC(2026, 0, 6))?.because.topic).not.toBe('braceSearch');
  });

  it('of a real search every recorded shot counts wherever shots are counted', () => {
    const bow = new Secret(82).open({ beginsAt: 'here' });
    const before = countUse(bow.log.state).inAll.shots;
    bow.record(3);
    const { state } = bow.log;
    expect(countUse(state).inAll.shots).toBe(before + 3);
    expect(countUse(state).inAll.shots).toBe(state.shotsInAll);
    bow.log.read('braceHeight', 216);
    expect(readingCurve(state, 'braceHeight').points.at(-1)!.shots).toBeLessThanOrEqual(before + 3);
    expect(readingCurve(bow.log.state, 'braceHeight').points.at(-1)!.shots).toBe(before + 3);
  });

  it('of a real search every recorded shot is one through the string', () => {
    const bow = new Secret(81).open({ beginsAt: 'here' });
    const before = bow.log.state.shotsInAll;
    bow.record(3);
    expect(bow.log.state.shotsInAll).toBe(before + 3);
  });
});

describe('what is wished for', () => {
  const { state } = new BowLog().settle();
  it('is named where it cannot be', () => {
    expect(searchProblem(WISH, state)).toBeNull();
    expect(searchProblem({ ...WISH, lowMm: null }, state)).toBe('noLow');
    expect(searchProblem({ ...WISH, highMm: null }, state)).toBe('noHigh');
    expect(searchProblem({ ...WISH, lowMm: 221 }, state)).toBe('tooNarrow');
    expect(searchProblem({ ...WISH, distanceM: null }, state)).toBe('noDistance');
    expect(searchProblem({ ...WISH, distanceM: 70 }, state)).toBe('distanceOutside');
  });
});

it('says what it wants in words with figures, and of every kind', () => {
  const bow = new Secret(91).open();
  const titles = new Map<string, string>();
  for (let step = 0; step < 60; step += 1) {
    const { state } = bow.log;
    const move = nextMove(state, Date.parse(state.lastAt))!;
    expect(move.because.topic).toBe('braceSearch');
    const spoken = speakMove(state, move);
    titles.set(bow.standing.next.kind, spoken.title);
    expect(spoken.reasons.length).toBeGreaterThan(1);
    if (bow.obey().kind === 'settle') break;
  }
  expect(titles.get('readBrace')).toMatch(/^Read the brace: \d readings?$/);
  expect(titles.get('twist')).toMatch(/twists? (in|out)$/);
  expect(titles.get('settle')).toMatch(/^Settle on 8 /);
});

it('the curve is shown by the loudest height, with what may be nine times in ten', () => {
  const bow = new Secret(101).open();
  bow.follow();
  const curve = curveShown(bow.standing);
  for (const { levelDb, lowDb, highDb } of curve) {
    expect(lowDb).toBeLessThan(levelDb);
    expect(highDb).toBeGreaterThan(levelDb);
  }
  const shown = heightsShown(bow.standing);
  expect(Math.max(...shown.map(({ level }) => level!.db))).toBeCloseTo(0, 9);
});

describe('where a search may look', () => {
  const opened = (log: BowLog, wish: Partial<SearchWish>, despite?: string) =>
    checkProposal(log.state, searchOpening(log.state, { ...WISH, ...wish }, SEARCH, despite))
      ?.code ?? null;

  it('is never beyond the maker’s range, with a reason or without', () => {
    const log = new BowLog().settle();
    expect(opened(log, {})).toBeNull();
    for (const despite of [undefined, 'I know better'])
      for (const wish of [{ lowMm: 205 }, { highMm: 226 }])
        expect(opened(log, wish, despite)).toBe('braceOutside');
  });

  it('is beyond the table with a reason alone', () => {
    const log = new BowLog({ maker: { boltTravelTurns: 3 } }).settle();
    expect(opened(log, {})).toBeNull();
    expect(opened(log, { lowMm: 190 })).toBe('braceOutside');
    expect(opened(log, { lowMm: 190 }, 'the string is long')).toBeNull();
  });

  it('is nowhere while the bow is not to be shot; practice needs no bow', () => {
    const log = new BowLog({ inParts: true });
    expect(opened(log, {})).toBe('notToBeShot');
    expect(opened(log, { practiceSeed: 1 })).toBeNull();
  });
});
