/** Broadheads and target points are shot for proof; only fletched and bare speak of the tune. */
export const ARROW_STATES = ['fletched', 'bare', 'broadhead', 'targetPoint'] as const;
export type ArrowState = (typeof ARROW_STATES)[number];

/** Points for use, shot against practice arrows with their fletching on. */
export const PROOF_POINTS = ['broadhead', 'targetPoint'] as const satisfies readonly ArrowState[];
export type ProofPoint = (typeof PROOF_POINTS)[number];

/** Farther than this from the mark, mm, is off any butt. */
export const MOST_FROM_MARK_MM = 5000;

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
  readonly outward?: -1 | 0 | 1 | undefined;
  readonly up?: -1 | 0 | 1 | undefined;
}

/** Where and with what a session is shot. All of it may be left out; what is left out is unknown. */
export interface SessionConditions {
  readonly place?: string | undefined;
  readonly light?: Light | undefined;
  readonly wind?: Wind | undefined;
  readonly buttKind?: ButtKind | undefined;
  /** What was aimed at and how: `one mark, same for both`. */
  readonly aim?: string | undefined;
  /** The arrows shot in this session, in words: what no build says. */
  readonly arrowBuild?: string | undefined;
  /** The workshop's build it was begun with, as it was then. */
  readonly build?: { readonly buildId: string; readonly revisionId: string } | undefined;
  /** How far the top limb leans, degrees, outward positive; 0 is upright. */
  readonly cantOutwardDeg?: number | undefined;
}

/** How the things of the shooting line are called on the screen. */
export const ARROW_LABEL: Readonly<Record<ArrowState, string>> = {
  fletched: 'Fletched shot',
  bare: 'Bare shot',
  broadhead: 'Broadhead shot',
  targetPoint: 'Target-point shot',
};
export const ARROW_SHORT: Readonly<Record<ArrowState, string>> = {
  fletched: 'Fletched',
  bare: 'Bare',
  broadhead: 'Broadhead',
  targetPoint: 'Target point',
};
export const LIGHT_LABEL: Readonly<Record<Light, string>> = {
  indoor: 'indoors',
  overcast: 'overcast',
  sun: 'sun',
  dusk: 'dusk',
};
export const WIND_LABEL: Readonly<Record<Wind, string>> = {
  still: 'still',
  light: 'light wind',
  gusty: 'gusts',
  strong: 'strong wind',
};
export const BUTT_LABEL: Readonly<Record<ButtKind, string>> = { firm: 'firm', soft: 'soft' };
export const MARKS_LABEL: Readonly<Record<ContactMarks, string>> = {
  none: 'no marks',
  shelf: 'on the shelf',
  rest: 'on the rest',
  riser: 'on the riser',
};
