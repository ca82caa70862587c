import type { Aiming } from '../craft/aiming.ts';
import type { BodyOf, LoggedEntry } from './entry.ts';
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

/** Which entry of the log it is, and when it was made. */
type Place = Pick<LoggedEntry, 'id' | 'at'> & { readonly index: number };

export interface Shot {
  readonly shotId: string;
  readonly entryId: string;
  readonly index: number;
  readonly at: string;
  readonly endNumber: number;
  readonly arrow: ArrowState;
  readonly outwardMm: number;
  readonly upMm: number;
  readonly calledBad: boolean;
  /** Of a shaft that was set aside: kept in the record, and counted for nothing. */
  readonly setAside: boolean;
  readonly attitude: NockAttitude | null;
  readonly arrowNumber: number | null;
  readonly distanceM: number;
  /** How well its place was read, one standard deviation, mm. */
  readonly readToMm: number;
}

/** Whether a shot says anything: not called bad, and not of a shaft that was set aside. */
export function isCounted({ calledBad, setAside }: Pick<Shot, 'calledBad' | 'setAside'>): boolean {
  return !calledBad && !setAside;
}

/** What was noticed in one end. */
export interface EndNote {
  readonly marks: ContactMarks | null;
  readonly flight: FlightSeen | null;
  readonly wind: Wind | null;
  readonly light: Light | null;
  readonly tired: boolean;
  /** How still it sat on aim, 1 to 5. */
  readonly steady: number | null;
  /** What was set for it, in a session of marks. */
  readonly aimSet: number | null;
  readonly arrowBuild: string | null;
}

export interface ShootingSession extends SessionConditions {
  readonly sessionId: string;
  readonly entryId: string;
  /** Place of its opening in the log. */
  readonly index: number;
  readonly openedAt: string;
  readonly sessionKind: SessionKind;
  readonly experimentId: string | null;
  readonly distanceM: number;
  /** Good enough across, and the drift of a walk; half width. */
  readonly toleranceMm: number;
  readonly toleranceUpMm: number;
  readonly toleranceWhy: string;
  readonly buttMm: number;
  readonly markBelowTopMm?: number | undefined;
  readonly arrowSpeedMps?: number | undefined;
  readonly aiming?: Aiming | undefined;
  readonly shots: readonly Shot[];
  readonly endNotes: ReadonlyMap<number, EndNote>;
  /** What was looked at before bow or arrow was blamed. */
  readonly blameChecked: ReadonlySet<string>;
  /** Where in the log each of them was last looked at. */
  readonly lookedAt: ReadonlyMap<string, number>;
  /** Numbered shafts that are out of the session, as `shaftName` has them. */
  readonly shaftsAside: ReadonlySet<string>;
  readonly pictures: readonly { readonly pictureId: string; readonly endNumber: number }[];
  /** Places in the log where sight or aim was set anew. */
  readonly aimSetAt: readonly number[];
  readonly closed: boolean;
}

/** A session while the log is being folded. */
export interface SessionDraft
  extends Omit<
    ShootingSession,
    | 'shots'
    | 'closed'
    | 'endNotes'
    | 'blameChecked'
    | 'lookedAt'
    | 'shaftsAside'
    | 'pictures'
    | 'aimSetAt'
    | 'cantOutwardDeg'
  > {
  shots: Shot[];
  aimSetAt: number[];
  cantOutwardDeg?: number | undefined;
  endNotes: Map<number, EndNote>;
  blameChecked: Set<string>;
  lookedAt: Map<string, number>;
  shaftsAside: Set<string>;
  pictures: { pictureId: string; endNumber: number }[];
  closed: boolean;
}

/** A shot plotted by hand is read to about this, one standard deviation. */
const PLOTTED_TO_MM = 1;
const NOTHING_NOTED: EndNote = {
  marks: null,
  flight: null,
  wind: null,
  light: null,
  tired: false,
  steady: null,
  aimSet: null,
  arrowBuild: null,
};

export function openSession(place: Place, body: BodyOf<'sessionOpened'>): SessionDraft {
  const { kind: _kind, sessionKind = 'bareShaft', experimentId = null, ...facts } = body;
  return {
    ...facts,
    toleranceUpMm: facts.toleranceUpMm ?? facts.toleranceMm,
    sessionKind,
    experimentId,
    entryId: place.id,
    index: place.index,
    openedAt: place.at,
    shots: [],
    endNotes: new Map(),
    blameChecked: new Set(),
    lookedAt: new Map(),
    shaftsAside: new Set(),
    pictures: [],
    aimSetAt: [],
    closed: false,
  };
}

/** Names a numbered shaft of a session. */
export function shaftName(shaft: Pick<BodyOf<'shaftSetAside'>, 'arrow' | 'arrowNumber'>): string {
  return `${shaft.arrow} ${shaft.arrowNumber}`;
}

/** Puts a numbered shaft out of a session, what it shot and will shoot, or back into it. */
export function setShaftAside(
  session: SessionDraft | undefined,
  body: BodyOf<'shaftSetAside'>,
): void {
  if (session === undefined) return;
  if (body.aside) session.shaftsAside.add(shaftName(body));
  else session.shaftsAside.delete(shaftName(body));
  for (const [at, shot] of session.shots.entries()) session.shots[at] = inOrOut(session, shot);
}

function inOrOut({ shaftsAside }: SessionDraft, shot: Shot): Shot {
  const { arrow, arrowNumber } = shot;
  const setAside = arrowNumber !== null && shaftsAside.has(shaftName({ arrow, arrowNumber }));
  return setAside === shot.setAside ? shot : { ...shot, setAside };
}

export function placeShot(place: Place, body: BodyOf<'shotPlaced'>, session: SessionDraft): Shot {
  return inOrOut(session, shotOf(place, body, session.distanceM));
}

function shotOf(place: Place, body: BodyOf<'shotPlaced'>, sessionDistanceM: number): Shot {
  return {
    shotId: body.shotId,
    entryId: place.id,
    index: place.index,
    at: place.at,
    endNumber: body.endNumber,
    arrow: body.arrow,
    outwardMm: body.outwardMm,
    upMm: body.upMm,
    calledBad: body.calledBad,
    setAside: false,
    attitude: body.attitude ?? null,
    arrowNumber: body.arrowNumber ?? null,
    distanceM: body.distanceM ?? sessionDistanceM,
    readToMm: body.readToMm ?? PLOTTED_TO_MM,
  };
}

/** Adds what was noticed in an end to what was noticed before. */
export function noteEnd(session: SessionDraft | undefined, body: BodyOf<'endNoted'>): void {
  if (session === undefined) return;
  const known = session.endNotes.get(body.endNumber) ?? NOTHING_NOTED;
  session.endNotes.set(body.endNumber, {
    marks: body.marks ?? known.marks,
    // What was seen one way says nothing of the other.
    flight: body.flight === undefined ? known.flight : { ...known.flight, ...body.flight },
    wind: body.wind ?? known.wind,
    light: body.light ?? known.light,
    tired: body.tired ?? known.tired,
    steady: body.steady ?? known.steady,
    aimSet: body.aimSet ?? known.aimSet,
    arrowBuild: body.arrowBuild ?? known.arrowBuild,
  });
}

export function amendShot(
  place: { session: SessionDraft; position: number } | undefined,
  body: BodyOf<'shotAmended'>,
): void {
  const shot = place?.session.shots[place.position];
  if (place === undefined || shot === undefined) return;
  place.session.shots[place.position] = inOrOut(place.session, {
    ...shot,
    arrow: body.arrow ?? shot.arrow,
    outwardMm: body.outwardMm ?? shot.outwardMm,
    upMm: body.upMm ?? shot.upMm,
    calledBad: body.calledBad ?? shot.calledBad,
    attitude: body.attitude ?? shot.attitude,
    arrowNumber: body.arrowNumber ?? shot.arrowNumber,
  });
}

/**
 * The hand had been written down wrongly: what was plotted left and right was stored to the wrong
 * side, and is mirrored.
 */
export function mirrorSession(session: SessionDraft): void {
  session.shots.splice(0, session.shots.length, ...session.shots.map(mirrored));
  for (const [end, note] of session.endNotes) {
    if (note.flight?.outward === undefined) continue;
    const outward = -note.flight.outward as -1 | 0 | 1;
    session.endNotes.set(end, { ...note, flight: { ...note.flight, outward } });
  }
  if (session.cantOutwardDeg !== undefined) session.cantOutwardDeg = -session.cantOutwardDeg;
}

function mirrored(shot: Shot): Shot {
  const { attitude } = shot;
  return {
    ...shot,
    outwardMm: -shot.outwardMm,
    attitude: attitude === null ? null : { ...attitude, outwardDeg: -attitude.outwardDeg },
  };
}
