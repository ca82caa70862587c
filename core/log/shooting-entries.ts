import type { Control } from '../craft/controls.ts';

/** Broadheads and target points are shot for proof; only fletched and bare speak of the tune. */
export const ARROW_STATES = ['fletched', 'bare', 'broadhead', 'targetPoint'] as const;
export type ArrowState = (typeof ARROW_STATES)[number];

/** Farther than this from the mark, mm, is off any butt. */
export const MOST_FROM_MARK_MM = 5000;

/** What a session is shot for: each kind is judged by its own rules. */
export const SESSION_KINDS = ['bareShaft', 'walkBack', 'fineTuning'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

export const LIGHTS = ['indoor', 'overcast', 'sun', 'dusk'] as const;
export const WINDS = ['still', 'light', 'gusty', 'strong'] as const;
export const BUTT_KINDS = ['firm', 'soft'] as const;
export type Light = (typeof LIGHTS)[number];
export type Wind = (typeof WINDS)[number];
export type ButtKind = (typeof BUTT_KINDS)[number];

/** Where powder or tape shows that something touched. */
export const CONTACT_MARKS = ['none', 'shelf', 'rest', 'riser'] as const;
export type ContactMarks = (typeof CONTACT_MARKS)[number];

/** Where the nock of a shaft in the butt points, degrees from the point: outward and up. */
export interface NockAttitude {
  readonly outwardDeg: number;
  readonly upDeg: number;
}

/** Which way the tail was seen to fly: −1 inward or down, 0 straight, 1 outward or up. */
export interface FlightSeen {
  readonly outward: -1 | 0 | 1;
  readonly up: -1 | 0 | 1;
}

/** Where and with what a session is shot. All of it may be left out; what is left out is unknown. */
export interface SessionConditions {
  readonly place?: string | undefined;
  readonly light?: Light | undefined;
  readonly wind?: Wind | undefined;
  readonly buttKind?: ButtKind | undefined;
  /** What was aimed at and how: `one mark, same for both`. */
  readonly aim?: string | undefined;
  /** The build shot in this session. */
  readonly arrowBuild?: string | undefined;
  /** How far the top limb leans, degrees, outward positive; 0 is upright. */
  readonly cantOutwardDeg?: number | undefined;
}

/** What can be said about shooting. Lengths mm, angles degrees. */
export type ShootingBody =
  | ({
      readonly kind: 'sessionOpened';
      readonly sessionId: string;
      /** Absent in records made before there were other kinds: bare shafts. */
      readonly sessionKind?: SessionKind | undefined;
      readonly distanceM: number;
      readonly toleranceMm: number;
      readonly toleranceWhy: string;
      readonly buttMm: number;
      /** With kind `fineTuning`: the experiment this session is a day of. */
      readonly experimentId?: string | undefined;
      /** With kind `walkBack`: where the mark hangs, and how fast the arrow is thought to be. */
      readonly markBelowTopMm?: number | undefined;
      readonly arrowSpeedMps?: number | undefined;
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
      readonly arrowBuild?: string | undefined;
    }
  | {
      /** Looked at before bow or arrow is blamed. */
      readonly kind: 'blameChecked';
      readonly sessionId: string;
      readonly items: readonly string[];
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
