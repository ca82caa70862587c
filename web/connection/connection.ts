/** How the server answered when it was last asked. */
type ServerState =
  | { readonly kind: 'here' }
  /** No answer at all: stopped, or the network is away. */
  | { readonly kind: 'away'; readonly sinceMs: number }
  /** It did not answer in time. */
  | { readonly kind: 'slow'; readonly sinceMs: number }
  /** Our server, with a fault of its own machine or of itself; it says which. */
  | { readonly kind: 'failing'; readonly sinceMs: number; readonly says: string | null }
  /** Something else answered in its place: a guest network’s page, a proxy. */
  | { readonly kind: 'notOurs'; readonly sinceMs: number };

/** Whether what is logged is kept by this browser until it is stored. */
export type StorageState = 'fine' | 'full' | 'forbidden';

export interface Connection {
  readonly server: ServerState;
  /** Whether what is asked is answered; then what is shown is of now. */
  readonly reads: boolean;
  readonly storage: StorageState;
  /** The server is of another build than this page. */
  readonly outOfDate: boolean;
}

let connection: Connection = {
  server: { kind: 'here' },
  reads: true,
  storage: 'fine',
  outOfDate: false,
};
/** A write that failed stands until one succeeds: that reads go on does not mean that it is stored. */
let writeFault: ServerState | null = null;
let readState: ServerState = { kind: 'here' };
const listeners = new Set<() => void>();

export function connectionNow(): Connection {
  return connection;
}

export function subscribeConnection(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export type Outcome =
  | { readonly kind: 'here' | 'away' | 'slow' | 'notOurs' }
  | { readonly kind: 'failing'; readonly says: string | null };

/**
 * Notes how a request went.
 *
 * @param isWrite whether it was to store something
 */
export function noteOutcome(outcome: Outcome, isWrite: boolean): void {
  const state = sinceThen(outcome);
  if (isWrite) writeFault = state.kind === 'here' ? null : state;
  else readState = state;
  settle();
}

/** The same trouble goes on since when it began. */
function sinceThen(outcome: Outcome): ServerState {
  if (outcome.kind === 'here') return { kind: 'here' };
  const before = [readState, writeFault].find((one) => one?.kind === outcome.kind);
  const sinceMs =
    before !== undefined && before !== null && 'sinceMs' in before ? before.sinceMs : Date.now();
  return outcome.kind === 'failing'
    ? { kind: 'failing', sinceMs, says: outcome.says }
    : { kind: outcome.kind, sinceMs };
}

/** Nothing waits any more: a write that failed is over. */
export function noteNothingWaits(): void {
  if (writeFault === null) return;
  writeFault = null;
  settle();
}

function settle(): void {
  const reads = readState.kind === 'here';
  change({ reads, server: reads && writeFault !== null ? writeFault : readState });
}

export function noteStorage(storage: StorageState): void {
  change({ storage });
}

export function noteOtherBuild(): void {
  change({ outOfDate: true });
}

function change(next: Partial<Connection>): void {
  const after = { ...connection, ...next };
  if (
    after.storage === connection.storage &&
    after.outOfDate === connection.outOfDate &&
    after.reads === connection.reads &&
    sameServer(after.server, connection.server)
  )
    return;
  connection = after;
  for (const listener of listeners) listener();
}

function sameServer(one: ServerState, other: ServerState): boolean {
  if (one.kind !== other.kind) return false;
  return one.kind !== 'failing' || other.kind !== 'failing' || one.says === other.says;
}
