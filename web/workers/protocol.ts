/**
 * How the page and its workers talk: orders with a number, answered by that number, with how far it
 * has come meanwhile and a way to call it off. Both ends are typed by the same list of jobs.
 */
export type Jobs = Readonly<Record<string, { readonly order: unknown; readonly answer: unknown }>>;

type Asked<J extends Jobs> = {
  [K in keyof J & string]: {
    readonly kind: K;
    readonly id: number;
    readonly order: J[K]['order'];
  };
}[keyof J & string];
interface CalledOff {
  readonly kind: null;
  readonly id: number;
}
export type ToWorker<J extends Jobs> = Asked<J> | CalledOff;
export type FromWorker<J extends Jobs> =
  | { readonly kind: 'answer'; readonly id: number; readonly answer: J[string]['answer'] }
  | { readonly kind: 'progress'; readonly id: number; readonly share: number }
  | { readonly kind: 'failed'; readonly id: number; readonly why: string };

/** One end of the line, as a worker, its own scope and a message port have it. */
export interface Line {
  postMessage(message: unknown, options?: { readonly transfer?: Transferable[] }): void;
  addEventListener(kind: 'message', listener: (event: MessageEvent) => void): void;
}

/** What a job is given beside its order. */
export interface JobContext {
  /** How far it has come, 0 to 1. */
  readonly progress: (share: number) => void;
  /** Nobody waits for it any more: to be looked at between pieces of long work. */
  readonly isCalledOff: () => boolean;
  /** What of the answer is handed over, not copied. */
  readonly handOver: (things: readonly Transferable[]) => void;
}
export type JobsDone<J extends Jobs> = {
  readonly [K in keyof J]: (
    order: J[K]['order'],
    context: JobContext,
  ) => J[K]['answer'] | Promise<J[K]['answer']>;
};

/** The worker's end: does the jobs it is asked for, one after the other or side by side. */
export function serveJobs<J extends Jobs>(line: Line, jobs: JobsDone<J>): void {
  const calledOff = new Set<number>();
  const say = (message: FromWorker<J>, transfer: readonly Transferable[] = []) => {
    line.postMessage(message, { transfer: [...transfer] });
  };
  const answer = async (asked: Asked<J>): Promise<void> => {
    const { id, kind, order } = asked;
    let transfer: readonly Transferable[] = [];
    try {
      const done = await jobs[kind](order, {
        progress: (share) => say({ kind: 'progress', id, share }),
        isCalledOff: () => calledOff.has(id),
        handOver: (things) => {
          transfer = things;
        },
      });
      if (!calledOff.has(id)) say({ kind: 'answer', id, answer: done }, transfer);
    } catch (error) {
      say({ kind: 'failed', id, why: error instanceof Error ? error.message : String(error) });
    } finally {
      calledOff.delete(id);
    }
  };
  line.addEventListener('message', ({ data }: MessageEvent<ToWorker<J>>) => {
    if (isOrder<J>(data)) void answer(data);
    else calledOff.add(data.id);
  });
}

function isOrder<J extends Jobs>(message: ToWorker<J>): message is Asked<J> {
  return message.kind !== null;
}
