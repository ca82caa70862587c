import type { Browser, Page } from '@playwright/test';

interface TraceEvent {
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  /** Processor time of the thread itself, microseconds: what else the machine did does not count. */
  readonly tdur?: number;
  readonly args?: { readonly name?: string };
}

/** The longest task of the page while something is done with it, in processor time of its own, ms. */
export async function longestTaskOf(
  browser: Browser,
  page: Page,
  work: () => Promise<void>,
): Promise<number> {
  await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline'] });
  let trace: Buffer;
  try {
    await work();
  } finally {
    trace = await browser.stopTracing();
  }
  return longestTaskMs(trace.toString());
}

function longestTaskMs(trace: string): number {
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
