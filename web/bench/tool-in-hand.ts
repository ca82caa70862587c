import type { ReadingKind } from '#core/craft/readings.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { remember, remembered } from '../device/device-store.ts';

const KEY = 'keen-limb.tools';

function stored(): Readonly<Record<string, string>> {
  try {
    const found: unknown = JSON.parse(remembered(KEY) ?? '{}');
    return typeof found === 'object' && found !== null ? (found as Record<string, string>) : {};
  } catch {
    return {};
  }
}

/** The tool this browser's tuner takes a reading with; kept until another is named. */
export function toolInHand(kind: ReadingKind): string {
  const tool = stored()[kind];
  return typeof tool === 'string' ? tool : '';
}

export function setToolInHand(kind: ReadingKind, tool: string): void {
  remember(KEY, JSON.stringify({ ...stored(), [kind]: tool }));
}

/** A reading is logged with the tool in hand: repeatability is learned per person and tool. */
export function withTool(body: EntryBody): EntryBody {
  if (body.kind !== 'reading' || body.tool !== '') return body;
  return { ...body, tool: toolInHand(body.reading).trim() };
}
