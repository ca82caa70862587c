import type { AimKind } from '../craft/aiming.ts';
import type { MarksStanding } from '../sight-marks/marks-standing.ts';
import type { BareShaftDecision } from '../bare-shaft/bare-shaft-decision.ts';
import type { BareShaftVerdict } from '../bare-shaft/bare-shaft-verdict.ts';
import type { Remedy } from '../bare-shaft/remedies.ts';
import type { SpentControl } from '../bare-shaft/spent-controls.ts';
import type { ShaftsToBuy } from '../arrows/shafts-to-buy.ts';
import type { SearchStanding } from '../brace-search/search-next.ts';
import type { Control } from '../craft/controls.ts';
import type { ProofPoint } from '../craft/range-terms.ts';
import type { ProofStanding } from '../proof/proof-standing.ts';
import type { ReadingKind } from '../craft/readings.ts';
import type { FineTuningStanding } from '../fine-tuning/fine-tuning-standing.ts';
import type { LandingDue } from '../fine-tuning/landing-after-tuning.ts';
import type { BraceLimit } from '../limits/brace-limit.ts';
import type { SafetyStop } from '../limits/stops.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import type { ShootingSession } from '../log/shooting.ts';
import type { StepStatus } from '../order/step-states.ts';
import type { BareShaftAxis } from '../priors/prior-gains.ts';
import type { SetupOption, SetupPlan } from '../setup/plan-setup.ts';
import type { SetupGoal } from '../setup/setup-goals.ts';
import type { Target } from '../setup/targets.ts';
import type { LineGain, WalkBackFit, WalkBackFigure } from '../walk-back/walk-back.ts';
import type { WalkBackNext } from '../walk-back/walk-back-standing.ts';

/** A value with half its 90 % interval, in the stored unit of its reading. */
interface Expected {
  readonly value: number;
  readonly plusMinus: number;
}

/** A goal of the set-up that is out of its band, and where it stands. */
export interface SetupMiss {
  readonly goal: SetupGoal;
  readonly value: number;
}

/** One pocket's side screws turned, with what the gauge should then read, mm outward. */
export interface ScrewTurn {
  readonly limb: 'Top' | 'Bottom';
  readonly control: Control;
  readonly amount: number;
  /** Made to see which way this pocket answers. */
  readonly trial: boolean;
  readonly nowMm: number;
  readonly expectMm: number;
  readonly plusMinusMm: number;
}

/** What bare shafts are shot, or a remedy proposed, for. */
export type BareShaftBecause =
  /** Nothing counts yet, or too little to say anything. */
  | { readonly topic: 'bareShaftShoot'; readonly why: 'first' | 'endOut' | 'nearer' }
  | {
      readonly topic: 'bareShaftWait';
      readonly verdict: BareShaftVerdict;
      readonly decision: Extract<BareShaftDecision, { kind: 'shoot' }>;
    }
  | {
      readonly topic: 'bareShaftBlame';
      readonly decision: Extract<BareShaftDecision, { kind: 'checkBlame' }>;
    }
  | {
      readonly topic: 'bareShaftNearer';
      readonly session: ShootingSession;
      readonly decision: Extract<BareShaftDecision, { kind: 'nearer' }>;
    }
  | {
      readonly topic: 'bareShaftSetAside';
      readonly session: ShootingSession;
      readonly decision: Extract<BareShaftDecision, { kind: 'setAside' }>;
    }
  | {
      readonly topic: 'bareShaftTwoHeaps';
      readonly session: ShootingSession;
      readonly decision: Extract<BareShaftDecision, { kind: 'twoHeaps' }>;
      /** What of the list of causes is to be looked at. */
      readonly items: readonly string[];
    }
  | {
      readonly topic: 'bareShaftBounce';
      readonly verdict: BareShaftVerdict;
      readonly decision: Extract<BareShaftDecision, { kind: 'bounce' }>;
    }
  | {
      readonly topic: 'bareShaftMend';
      readonly verdict: BareShaftVerdict;
      readonly session: ShootingSession;
      readonly axis: BareShaftAxis;
      readonly remedy: Remedy;
      readonly others: readonly Remedy[];
    }
  | {
      readonly topic: 'bareShaftSpent';
      readonly verdict: BareShaftVerdict;
      readonly axis: BareShaftAxis;
      readonly controls: readonly SpentControl[];
    };

type WalkBackBecause =
  | {
      readonly topic: 'walkBackNext';
      readonly next: WalkBackNext;
      readonly session: ShootingSession;
    }
  | { readonly topic: 'walkBackButtTooSmall' }
  | { readonly topic: 'walkBackMore'; readonly distancesM: readonly number[] }
  | { readonly topic: 'walkBackStraight' }
  /** Neither way after much shooting, or turns that did not straighten it: it may be left. */
  | { readonly topic: 'walkBackEnough'; readonly fit: WalkBackFit; readonly shots: number }
  | {
      readonly topic: 'walkBackReach';
      readonly fit: WalkBackFit;
      readonly gain: LineGain;
      readonly amount: number;
      /** Drift after it, over the whole walk, mm outward. */
      readonly after: Omit<WalkBackFigure, 'call'>;
    }
  | {
      readonly topic: 'walkBackPreload';
      readonly fit: WalkBackFit;
      readonly gain: LineGain;
      readonly amount: number;
    };

/** Why an experiment wants this setting, or why no more. */
export type FineTuningBecause = {
  readonly topic: 'fineTuning';
  readonly standing: FineTuningStanding;
} & (
  | { readonly wants: 'enoughToday' }
  | { readonly wants: 'shoot' | 'turn'; readonly setting: number; readonly sideBySide: boolean }
  /** Stopped: the best against the next. */
  | { readonly wants: 'narrow'; readonly best: number; readonly other: number }
  /** Proved side by side: back to the one that is kept, or keep it where it is. */
  | { readonly wants: 'turnToKeep' | 'keep'; readonly setting: number }
);

/** A gauge past whose middle the string goes, mm outward. */
interface OffGauge {
  readonly status: StepStatus;
  readonly limb: ScrewTurn['limb'];
  readonly offMm: number;
}

type SetupBecause =
  | { readonly topic: 'measure'; readonly status: StepStatus; readonly reading: ReadingKind }
  /** One reading outside the limits that all together speak against. */
  | {
      readonly topic: 'readAgain';
      readonly status: StepStatus;
      readonly reading: ReadingKind;
      readonly readMm: number;
      readonly pooledMm: number;
      readonly limit: BraceLimit;
    }
  | {
      readonly topic: 'oneControl';
      readonly status: StepStatus;
      readonly reading: ReadingKind;
      readonly control: Control;
      readonly amount: number;
      readonly now: Expected;
      readonly after: Expected;
      readonly target: Target;
    }
  | {
      readonly topic: 'setup';
      readonly status: StepStatus;
      readonly plan: SetupPlan;
      readonly option: SetupOption;
      readonly missed: readonly SetupMiss[];
    }
  | {
      readonly topic: 'otherString';
      readonly status: StepStatus;
      readonly shorter: boolean;
      readonly twists: { readonly fewest: number; readonly most: number };
    }
  | {
      readonly topic: 'outOfReach' | 'countTwists' | 'countBolts' | 'askCrawl' | 'asBuilt';
      readonly status: StepStatus;
    }
  | {
      readonly topic: 'confirm';
      readonly status: StepStatus;
      readonly ask: 'look' | 'list' | 'facts';
    }
  | { readonly topic: 'shootIn'; readonly status: StepStatus; readonly shots: number }
  | {
      readonly topic: 'sideScrews';
      readonly status: StepStatus;
      readonly turns: readonly ScrewTurn[];
    }
  | ({ readonly topic: 'pocketSpent' } & OffGauge)
  /** Turned as often as a trial goes, and it has shown no answer. */
  | ({ readonly topic: 'pocketSilent' } & OffGauge)
  /** There are no side screws: the line is as built. */
  | ({ readonly topic: 'limbLineAsBuilt' } & OffGauge)
  | { readonly topic: 'rodOff'; readonly status: StepStatus; readonly offMm: number };

type BraceSearchBecause =
  | { readonly topic: 'openBraceSearch'; readonly status: StepStatus }
  | {
      readonly topic: 'braceSearch';
      readonly search: BraceSearch;
      readonly standing: SearchStanding;
    };

/** Where it hits is to be shot, or shot again. */
interface MarksBecause {
  readonly topic: 'marks';
  readonly standing: MarksStanding;
  readonly aim: AimKind;
  /** A session of theirs is open. */
  readonly isBegun: boolean;
}

/** What makes a bow safe again: the way back, another part, or a look. */
export type MakeSafeBecause = {
  readonly topic: 'makeSafe';
  readonly stop: SafetyStop;
  readonly by: 'turnBack' | 'otherArrow' | 'otherString' | 'fitOut' | 'look';
};

type ProofBecause =
  /** Nothing of it has been shot. */
  | { readonly topic: 'openProof'; readonly point: ProofPoint }
  | {
      readonly topic: 'proof';
      readonly session: ShootingSession;
      readonly standing: ProofStanding;
    };

/** Which shaft, or what must be known before one is named. */
type ShaftBecause =
  | { readonly topic: 'measureForShaft'; readonly missing: 'weight' | 'draw' }
  | {
      readonly topic: 'chooseShaft';
      readonly answer: Exclude<ShaftsToBuy, { readonly kind: 'unknown' }>;
    };

/** Why a move is proposed and what is expected of it: data that its sentences are made of. */
export type MoveBecause =
  | SetupBecause
  | MakeSafeBecause
  | BraceSearchBecause
  | MarksBecause
  | BareShaftBecause
  | WalkBackBecause
  | FineTuningBecause
  | ProofBecause
  | ShaftBecause
  /** After a tuning: where bare shafts land is recorded. */
  | { readonly topic: 'landing'; readonly due: LandingDue };

/** The same of a second-best move. */
export type OtherBecause =
  | { readonly topic: 'setup'; readonly option: SetupOption }
  | {
      readonly topic: 'bareShaftMend';
      readonly verdict: BareShaftVerdict;
      readonly session: ShootingSession;
      readonly axis: BareShaftAxis;
      readonly remedy: Remedy;
    };
