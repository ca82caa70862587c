import type { Aiming } from '../craft/aiming.ts';
import type { Control } from '../craft/controls.ts';
import type {
  ArrowState,
  ContactMarks,
  FlightSeen,
  Light,
  NockAttitude,
  SessionConditions,
  Wind,
} from '../craft/range-terms.ts';
import type { SessionKind } from '../craft/session-kinds.ts';

/** What can be said about shooting. Lengths mm, angles degrees. */
export type ShootingBody =
  | ({
      readonly kind: 'sessionOpened';
      readonly sessionId: string;
      /** Absent in records made before there were other kinds: bare shafts. */
      readonly sessionKind?: SessionKind | undefined;
      readonly distanceM: number;
      /** Half width across; up and down as well where that has none of its own. */
      readonly toleranceMm: number;
      readonly toleranceUpMm?: number | undefined;
      readonly toleranceWhy: string;
      readonly buttMm: number;
      /** With kind `fineTuning`: the experiment this session is a day of. */
      readonly experimentId?: string | undefined;
      /** With kind `walkBack`: where the mark hangs, and how fast the arrow is thought to be. */
      readonly markBelowTopMm?: number | undefined;
      readonly arrowSpeedMps?: number | undefined;
      /** With kind `marks`: what the aim rests on. */
      readonly aiming?: Aiming | undefined;
      /** Opened though the bow or the distance speaks against it: how that came. */
      readonly despite?: string | undefined;
    } & SessionConditions)
  | {
      readonly kind: 'shotPlaced';
      readonly shotId: string;
      readonly sessionId: string;
      readonly endNumber: number;
      readonly arrow: ArrowState;
      readonly outwardMm: number;
      readonly upMm: number;
      readonly calledBad: boolean;
      readonly attitude?: NockAttitude | undefined;
      /** The number on the shaft, so that one bad arrow can be found. */
      readonly arrowNumber?: number | undefined;
      /** Where it differs from the session's: walk-back. */
      readonly distanceM?: number | undefined;
      /** How well its place was read, one standard deviation; absent: about a millimetre. */
      readonly readToMm?: number | undefined;
    }
  | {
      readonly kind: 'shotAmended';
      readonly shotId: string;
      readonly arrow?: ArrowState | undefined;
      readonly outwardMm?: number | undefined;
      readonly upMm?: number | undefined;
      readonly calledBad?: boolean | undefined;
      readonly attitude?: NockAttitude | undefined;
      readonly arrowNumber?: number | undefined;
    }
  | {
      /** What was noticed in one end, beside where the shots went. Later notes of an end add to it. */
      readonly kind: 'endNoted';
      readonly sessionId: string;
      readonly endNumber: number;
      readonly marks?: ContactMarks | undefined;
      readonly flight?: FlightSeen | undefined;
      readonly wind?: Wind | undefined;
      readonly light?: Light | undefined;
      readonly tired?: boolean | undefined;
      /** How still it sat on aim, 1 restless to 5 still. */
      readonly steady?: number | undefined;
      /** In a session of marks: what was set for it, as its aiming counts. */
      readonly aimSet?: number | undefined;
      readonly arrowBuild?: string | undefined;
    }
  | {
      /** Looked at before bow or arrow is blamed. */
      readonly kind: 'blameChecked';
      readonly sessionId: string;
      readonly items: readonly string[];
    }
  | {
      /** A numbered shaft lands elsewhere than its fellows: out of the session, or back in. */
      readonly kind: 'shaftSetAside';
      readonly sessionId: string;
      readonly arrow: ArrowState;
      readonly arrowNumber: number;
      readonly aside: boolean;
    }
  | {
      /** From the point's hole to the fletching's cut: where the tail went through. */
      readonly kind: 'paperTorn';
      readonly distanceM: number;
      readonly outwardMm: number;
      readonly upMm: number;
      readonly arrow: ArrowState;
    }
  | {
      /** Where bare shafts land when this bow is tuned: the next start. mm at 18 m. */
      readonly kind: 'landingSet';
      readonly outwardMm: number;
      readonly upMm: number;
      readonly why: string;
    }
  | {
      readonly kind: 'experimentOpened';
      readonly experimentId: string;
      readonly control: Control;
      /** Of the top bolt: the bottom one goes the other way by as much, tiller at constant weight. */
      readonly opposed?: boolean | undefined;
      /** Steps either side of where the control stands now, in its unit. */
      readonly low: number;
      readonly high: number;
      readonly step: number;
      readonly distanceM: number;
      readonly shotsADay: number;
      readonly despite?: string | undefined;
    }
  | {
      /** Enough tried: the best setting and another, shot side by side before one is kept. */
      readonly kind: 'experimentNarrowed';
      readonly experimentId: string;
      readonly best: number;
      readonly other: number;
    }
  | {
      readonly kind: 'experimentClosed';
      readonly experimentId: string;
      readonly why: string;
    }
  | {
      readonly kind: 'pictureKept';
      readonly sessionId: string;
      readonly pictureId: string;
      readonly endNumber: number;
    }
  /** Sight or aim was set anew: hits before it tell nothing of where later ones fall. */
  | { readonly kind: 'aimSet'; readonly sessionId: string }
  | { readonly kind: 'sessionClosed'; readonly sessionId: string };
