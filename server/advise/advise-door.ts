import { z } from 'zod';
import { arrowBuildSchema } from '#core/log/kinds/arrow-parts.ts';
import { logToAskOfSchema } from '#contract/entry.ts';
import { weighedLotSchema } from '#contract/weighed-lot.ts';
import { NewerEntry } from '#contract/entry-version.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { ANSWERS, QUESTIONS } from './answers.ts';
import { arrowAnswer, matchedSetAnswer } from './arrow-answer.ts';

const questionSchema = z.strictObject({
  ask: z.enum(QUESTIONS),
  /** Which bow; may be left out while there is one. */
  bow: z.uuid().optional(),
  /** The moment it is asked at, ISO 8601; the newest entry's own where it is left out. */
  at: z.iso.datetime().optional(),
});

const arrowSchema = z.strictObject({
  arrow: arrowBuildSchema,
  /** The bow it is meant for; may be left out while there is one, or none. */
  bow: z.uuid().optional(),
});

/** Why a line was not answered; nothing of it was kept. */
type AdviseError =
  | { readonly code: 'notJson' | 'noCommand' | 'unknownBow' | 'whichBow' | 'newerEntries' }
  | { readonly code: 'invalidInput'; readonly issues: readonly { path: string; message: string }[] }
  | { readonly code: 'idTaken' | 'bowMadeTwice' | 'notMade'; readonly path: string };

interface Bow {
  readonly log: LoggedEntry[];
  readonly ids: Set<string>;
  /** Rows the server could not read of it. */
  unreadable: number;
  /** Folded from the log as it is; null once something was appended since. */
  state: BowState | null;
}

/**
 * Questions and answers a line each, for scripts: `{"entries": […]}` appends to logs in memory,
 * `{"ask": "advice"}` answers with data. A log is taken as it is, as one that is read from the disk:
 * what passes a limit is flagged in its answers and not refused.
 */
export class AdviseDoor {
  private readonly bows = new Map<string, Bow>();

  /** @param line one command as JSON; returns one line of JSON, an error as data too */
  answer(line: string): string {
    let command: unknown;
    try {
      command = JSON.parse(line);
    } catch {
      return error({ code: 'notJson' });
    }
    if (typeof command !== 'object' || command === null) return error({ code: 'noCommand' });
    if ('entries' in command) return this.append(command);
    if ('arrow' in command) return this.arrow(command);
    if ('matchedSet' in command) return matchedSetOf(command);
    return 'ask' in command ? this.ask(command) : error({ code: 'noCommand' });
  }

  private append(command: unknown): string {
    let parsed: ReturnType<typeof logToAskOfSchema.safeParse>;
    try {
      parsed = logToAskOfSchema.safeParse(command);
    } catch (fault) {
      if (fault instanceof NewerEntry) return error({ code: 'newerEntries' });
      throw fault;
    }
    if (!parsed.success) return invalid(parsed.error);
    const { entries, setAside } = parsed.data;
    const coming = new Map<string, Set<string>>();
    for (const [at, { id, bowId, body }] of entries.entries()) {
      const known = this.bows.get(bowId);
      const fresh = coming.get(bowId) ?? new Set();
      coming.set(bowId, fresh);
      const isFirst = known === undefined && fresh.size === 0;
      if (isFirst !== (body.kind === 'bowMade'))
        return error({
          code: isFirst ? 'notMade' : 'bowMadeTwice',
          path: `entries.${at}.body.kind`,
        });
      if (known?.ids.has(id) === true || fresh.has(id))
        return error({ code: 'idTaken', path: `entries.${at}.id` });
      fresh.add(id);
    }
    for (const entry of entries) {
      const bow = this.bows.get(entry.bowId) ?? {
        log: [],
        ids: new Set<string>(),
        unreadable: setAside,
        state: null,
      };
      this.bows.set(entry.bowId, bow);
      bow.log.push({ ...entry, seq: bow.log.length + 1 });
      bow.ids.add(entry.id);
      bow.state = null;
    }
    return JSON.stringify({ appended: entries.length });
  }

  private ask(command: unknown): string {
    const parsed = questionSchema.safeParse(command);
    if (!parsed.success) return invalid(parsed.error);
    const { ask, bow, at } = parsed.data;
    const state = this.stateOf(bow);
    if ('code' in state) return error(state);
    return JSON.stringify({ [ask]: ANSWERS[ask](state, instantMs(at ?? state.lastAt)) });
  }

  private arrow(command: unknown): string {
    const parsed = arrowSchema.safeParse(command);
    if (!parsed.success) return invalid(parsed.error);
    const { arrow, bow } = parsed.data;
    if (this.bows.size === 0 && bow === undefined)
      return JSON.stringify({ arrow: arrowAnswer(arrow, null) });
    const state = this.stateOf(bow);
    return 'code' in state ? error(state) : JSON.stringify({ arrow: arrowAnswer(arrow, state) });
  }

  /** The state of the bow that is meant, folded once for what was appended; or why there is none. */
  private stateOf(bowId: string | undefined): BowState | AdviseError {
    if (bowId === undefined && this.bows.size > 1) return { code: 'whichBow' };
    const bow = bowId === undefined ? [...this.bows.values()][0] : this.bows.get(bowId);
    const state = bow === undefined ? null : (bow.state ??= foldLog(bow.log, bow.unreadable));
    return state ?? { code: 'unknownBow' };
  }
}

function matchedSetOf(command: unknown): string {
  const parsed = z.strictObject({ matchedSet: weighedLotSchema }).safeParse(command);
  return parsed.success
    ? JSON.stringify({ matchedSet: matchedSetAnswer(parsed.data.matchedSet) })
    : invalid(parsed.error);
}

function error(what: AdviseError): string {
  return JSON.stringify({ error: what });
}

function invalid({ issues }: z.ZodError): string {
  return error({
    code: 'invalidInput',
    issues: issues.map(({ path, message }) => ({ path: path.join('.'), message })),
  });
}
