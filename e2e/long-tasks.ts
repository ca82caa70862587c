interface TraceEvent {
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  /** Processor time of the thread itself, microseconds: what else the machine did does not count. */
  readonly tdur?: number;
  readonly args?: { readonly name?: string };
}

/** The longest task of a traced page, in processor time of its own, ms. */
export function longestTaskMs(trace: string): number {
  const { traceEvents } = JSON.parse(trace) as { traceEvents: readonly TraceEvent[] };
  const mains = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid}.${tid}`),
  );
  const tasks = traceEvents.filter(
    ({ name, pid, tid }) => name.endsWith('RunTask') && mains.has(`${pid}.${tid}`),
  );
  return Math.max(0, ...tasks.map(({ tdur }) => (tdur ?? 0) / 1000));
}
