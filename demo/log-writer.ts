import { type FitOutItem, ITEM_TOUCHES } from '#core/craft/fit-out.ts';
import { v4 as uuidFrom } from 'uuid';
import { entrySchema } from '#contract/entry.ts';
import type { NamedPart } from '#core/craft/catalogue-part.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { arrowFactsOf } from '#core/arrows/fit-build.ts';
import type { Control } from '#core/craft/controls.ts';
import type { ReadingKind } from '#core/craft/readings.ts';
import { STEP_IDS, type StepId, stepFacts } from '#core/craft/steps.ts';
import { outwardFromRight } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import { seededUniform, standardNormal, type Uniform } from '#core/numeric/random.ts';
import { MM_PER_IN, N_PER_LBF } from '#core/quantity/units.ts';
import type { BodyOf, BowFacts, Entry, EntryBody, StringFacts } from '#core/log/entry.ts';
import type { SessionConditions } from '#core/craft/range-terms.ts';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** Apart from the seeds of the bows themselves. */
const ARROW_SEEDS = 7919;
const PART_SEEDS = 15_551;
const APART_SEEDS = 31_337;

/** Where a walk-back is shot from, and how an arrow falls: g / 2v². */
const WALKED_M = [10, 13, 16, 19, 22] as const;
const DROP_PER_M = 9.81 / (2 * 52 ** 2);

type OpeningExtras = SessionConditions &
  Partial<
    Pick<BodyOf<'sessionOpened'>, 'sessionKind' | 'experimentId' | 'markBelowTopMm' | 'aiming'>
  >;

/** What an end at the butt is made of; mm as the archer sees it, right and up. */
export interface EndPlan {
  readonly fletched: number;
  readonly bare: number;
  readonly sdMm: number;
  readonly groupRightMm?: number;
  readonly groupUpMm?: number;
  readonly bareRightMm: number;
  readonly bareUpMm: number;
  readonly bareFactor?: number;
  /** Index of a fletched shot the archer called bad before looking. */
  readonly calledBad?: number;
}

/**
 * Writes one invented bow's history, entry by entry, through the same contract as real input.
 * Times go back from `nowMs`; everything else comes from the seed.
 */
export class LogWriter {
  readonly entries: Entry[] = [];
  private uniform: Uniform;
  private readonly normal: () => number;
  private readonly bowId: string;
  private clockMs: number;
  private hand: Hand = 'right';
  private readonly seed: number;
  private readonly by: string;
  private readonly nowMs: number;

  constructor(seed: number, by: string, nowMs: number) {
    this.seed = seed;
    this.uniform = seededUniform(seed);
    this.normal = standardNormal(this.uniform);
    this.by = by;
    this.nowMs = nowMs;
    this.bowId = this.uuid();
    this.clockMs = nowMs;
  }

  private uuid(uniform = this.uniform): string {
    return uuidFrom({
      random: Uint8Array.from({ length: 16 }, () => Math.floor(uniform() * 256)),
    });
  }

  /** Moves the clock to an evening so many days ago. */
  daysAgo(days: number, hour = 18): this {
    const day = new Date(this.nowMs - days * DAY_MS);
    day.setUTCHours(hour, 0, 0, 0);
    this.clockMs = day.getTime();
    return this;
  }

  add(body: EntryBody, id = this.uuid()): string {
    const at = new Date(Math.min(this.clockMs, this.nowMs)).toISOString();
    this.clockMs += MINUTE_MS;
    this.entries.push(entrySchema.parse({ id, bowId: this.bowId, at, by: this.by, body }));
    return id;
  }

  bow(facts: BowFacts): this {
    this.hand = facts.hand;
    this.add({ kind: 'bowMade', ...facts });
    return this;
  }

  /** Puts parts into the workshop's catalogue. */
  parts(list: readonly Pick<NamedPart, 'name' | 'part'>[]): this {
    const uniform = seededUniform(this.seed + PART_SEEDS);
    for (const { name, part } of list)
      this.add({ kind: 'partKept', partId: this.uuid(uniform), name, part }, this.uuid(uniform));
    return this;
  }

  /** The arrow it came with, as one of the workshop’s builds. Its ids come from a seed of their own. */
  arrow(name: string, parts: ArrowBuild): this {
    const uniform = seededUniform(this.entries.length + this.seed * ARROW_SEEDS);
    const buildId = this.uuid(uniform);
    const revisionId = this.add({ kind: 'buildKept', buildId, name, parts }, this.uuid(uniform));
    const arrow = arrowFactsOf({ buildId, revisionId, name, parts });
    this.add(
      { kind: 'itemFitted', item: 'shaft', described: name, touches: [], arrow },
      this.uuid(uniform),
    );
    return this;
  }

  /** Entries whose ids come from a seed of their own: what follows is drawn as it was without them. */
  apart(write: (log: this) => void): this {
    const { uniform } = this;
    this.uniform = seededUniform(this.entries.length + this.seed * APART_SEEDS);
    write(this);
    this.uniform = uniform;
    return this;
  }

  /** Another string, as it came out of its bag. */
  newString(described: string, facts: Omit<StringFacts, 'stringId'>): this {
    const string = { stringId: this.uuid(), ...facts };
    this.add({
      kind: 'itemFitted',
      item: 'string',
      described,
      touches: ITEM_TOUCHES.string,
      string,
    });
    return this;
  }

  /** A name for how the bow stands just now. */
  name(name: string): this {
    const moment = new Date(this.clockMs).toISOString();
    this.add({ kind: 'stateNamed', name, moment });
    return this;
  }

  read(reading: ReadingKind, typed: string, values: readonly number[]): this {
    this.add({
      kind: 'reading',
      reading,
      values,
      typed,
      datum: reading === 'braceHeight' ? 'throat' : 'as the card says',
      tool: 'club square',
      source: 'measured',
      confirmedUnlikely: false,
    });
    return this;
  }

  change(control: Control, amount: number, because: string): this {
    this.add({ kind: 'change', control, amount, because });
    return this;
  }

  confirm(...steps: readonly StepId[]): this {
    for (const step of steps) this.add({ kind: 'stepConfirmed', step, note: stepFacts(step).name });
    return this;
  }

  /** Confirms everything up to and including a step that is cleared by saying so. */
  confirmThrough(last: StepId): this {
    const upTo = STEP_IDS.slice(0, STEP_IDS.indexOf(last) + 1);
    return this.confirm(...upTo.filter((id) => stepFacts(id).clearing.by === 'confirmation'));
  }

  /** Something put on the bow, with what the workshop's table says it puts in doubt. */
  fit(item: FitOutItem, described: string): this {
    this.add({ kind: 'itemFitted', item, described, touches: ITEM_TOUCHES[item] });
    return this;
  }

  shots(count: number, note: string): this {
    this.add({ kind: 'shotsFired', count, note });
    return this;
  }

  note(text: string): this {
    this.add({ kind: 'note', text });
    return this;
  }

  session(
    distanceM: number,
    toleranceMm: number,
    ends: readonly EndPlan[],
    close = true,
    how: SessionConditions = {},
  ): string {
    const sessionId = this.openSession(distanceM, toleranceMm, how);
    ends.forEach((end, index) => {
      this.end(sessionId, index + 1, end);
    });
    if (close) this.add({ kind: 'sessionClosed', sessionId });
    return sessionId;
  }

  openSession(distanceM: number, toleranceMm: number, how: OpeningExtras = {}): string {
    const sessionId = this.uuid();
    this.add({
      kind: 'sessionOpened',
      sessionId,
      distanceM,
      toleranceMm,
      toleranceWhy: 'agreed before the first shot',
      buttMm: 1220,
      ...how,
    });
    return sessionId;
  }

  /**
   * A walk-back with this much lean, mm a metre to the right: three fletched from each distance,
   * falling as an arrow of 52 m/s does.
   */
  walk(sessionId: string, firstEnd: number, leanRightMm: number, sdMm: number): this {
    WALKED_M.forEach((distanceM, index) => {
      for (let shot = 0; shot < 3; shot += 1)
        this.shot(sessionId, firstEnd + index, 'fletched', {
          rightMm: leanRightMm * (distanceM - 10) + (this.normal() * sdMm * distanceM) / 18,
          upMm:
            110 * (distanceM / 10 - 1) -
            DROP_PER_M * distanceM * (distanceM - 10) * 1000 +
            (this.normal() * sdMm * distanceM) / 18,
          calledBad: false,
          distanceM,
        });
    });
    return this;
  }

  /** One end for a mark: what was set, and six shots about where that lands. */
  markEnd(
    sessionId: string,
    endNumber: number,
    { distanceM, set, upMm, sdMm }: Readonly<Record<'distanceM' | 'set' | 'upMm' | 'sdMm', number>>,
  ): this {
    this.noteEnd(sessionId, endNumber, { aimSet: set });
    for (let shot = 0; shot < 6; shot += 1)
      this.shot(sessionId, endNumber, 'fletched', {
        rightMm: this.normal() * sdMm,
        upMm: upMm + this.normal() * sdMm,
        calledBad: false,
        distanceM,
      });
    return this;
  }

  noteEnd(
    sessionId: string,
    endNumber: number,
    noted: Omit<BodyOf<'endNoted'>, 'kind' | 'sessionId' | 'endNumber'>,
  ): this {
    this.add({ kind: 'endNoted', sessionId, endNumber, ...noted });
    return this;
  }

  tear(distanceM: number, tailRightMm: number, upMm: number): this {
    this.add({
      kind: 'paperTorn',
      distanceM,
      outwardMm: outwardFromRight(tailRightMm, this.hand),
      upMm,
      arrow: 'bare',
    });
    return this;
  }

  /** Opens an experiment over one control, to be shot day by day. */
  experiment(plan: Omit<BodyOf<'experimentOpened'>, 'kind' | 'experimentId'>): string {
    const experimentId = this.uuid();
    this.add({ kind: 'experimentOpened', experimentId, ...plan });
    return experimentId;
  }

  end(sessionId: string, endNumber: number, plan: EndPlan): this {
    const { groupRightMm = 0, groupUpMm = 0, bareFactor = 1.2 } = plan;
    for (let shot = 0; shot < plan.fletched; shot += 1) {
      const bad = shot === plan.calledBad;
      this.shot(sessionId, endNumber, 'fletched', {
        rightMm: groupRightMm + this.normal() * plan.sdMm + (bad ? -70 : 0),
        upMm: groupUpMm + this.normal() * plan.sdMm + (bad ? -50 : 0),
        calledBad: bad,
      });
    }
    for (let shot = 0; shot < plan.bare; shot += 1) {
      this.shot(sessionId, endNumber, 'bare', {
        rightMm: groupRightMm + plan.bareRightMm + this.normal() * plan.sdMm * bareFactor,
        upMm: groupUpMm + plan.bareUpMm + this.normal() * plan.sdMm * bareFactor,
        calledBad: false,
      });
    }
    return this;
  }

  private shot(
    sessionId: string,
    endNumber: number,
    arrow: 'fletched' | 'bare',
    {
      rightMm,
      upMm,
      calledBad,
      distanceM,
    }: { rightMm: number; upMm: number; calledBad: boolean; distanceM?: number },
  ): void {
    this.add({
      kind: 'shotPlaced',
      shotId: this.uuid(),
      sessionId,
      endNumber,
      arrow,
      outwardMm: Math.round(outwardFromRight(rightMm, this.hand)) + 0,
      upMm: Math.round(upMm) + 0,
      calledBad,
      distanceM,
    });
  }
}

/** Inches to mm, for writing histories the way the club speaks. */
export function inches(value: number): number {
  return Number((value * MM_PER_IN).toFixed(2));
}

/** Pounds to N. */
export function pounds(value: number): number {
  return Number((value * N_PER_LBF).toFixed(2));
}
