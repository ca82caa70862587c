import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareSheets, differences } from '#core/compare/compare-sheets.ts';
import { figureSheet } from '#core/compare/figure-sheet.ts';
import { wayBack } from '#core/compare/way-back.ts';
import { CONTROL_FACTS } from '#core/craft/controls.ts';
import { bowAsOf } from '#core/log/bow-as-of.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody, LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { inTakenOrder } from '#core/log/taken-order.ts';
import { reversalsOf } from '#core/story/reversals.ts';
import { storyLines } from '#core/story/story-lines.ts';
import { anyLog, MINUTE_MS, START_MS, uuid } from './fixtures/any-log.ts';

const moment = fc.nat({ max: 40 }).map((minutes) => START_MS + minutes * MINUTE_MS);

/** A log whose entries were taken by two devices, at any minutes, and arrived in this order. */
const takenLog = fc
  .tuple(anyLog, fc.array(fc.nat({ max: 40 }), { minLength: 1, maxLength: 12 }))
  .map(([log, minutes]) =>
    log.map(
      (entry, at): LoggedEntry =>
        at === 0
          ? { ...entry, taken: { ms: START_MS - MINUTE_MS, device: 'a', count: 0 } }
          : {
              ...entry,
              taken: {
                ms: START_MS + (minutes[at % minutes.length] ?? 0) * MINUTE_MS,
                device: at % 2 === 0 ? 'a' : 'b',
                count: at,
              },
            },
    ),
  );

function withMore(log: readonly LoggedEntry[], bodies: readonly EntryBody[]) {
  const last = log.at(-1);
  if (last === undefined) throw new RangeError('an empty log');
  return [
    ...log,
    ...bodies.map(
      (body, n): LoggedEntry => ({
        ...last,
        id: uuid(8, n),
        seq: null,
        at: new Date(START_MS + 50_000 * MINUTE_MS).toISOString(),
        taken: undefined,
        body,
      }),
    ),
  ];
}

/** What a state says, without what names its log. */
function told(state: BowState | null) {
  if (state === null) return null;
  const { undoneIds: _ids, lastAt: _at, active, ...rest } = state;
  return { ...rest, active: active.map(({ id }) => id) };
}

describe('the bow at a moment', () => {
  it('is the fold of what had been taken by then, whatever arrived when', () => {
    fc.assert(
      fc.property(takenLog, moment, (log, ms) => {
        const then = bowAsOf(inTakenOrder(log), ms);
        const taken = log.filter((entry) => (entry.taken?.ms ?? 0) <= ms);
        expect(then?.state ?? null).toEqual(foldLog(taken));
      }),
    );
  });

  it('does not hear of an undo that came later', () => {
    const log = inTakenOrder(
      withMore(
        [...fc.sample(anyLog, { seed: 1, numRuns: 1 })[0]!.slice(0, 1)],
        [{ kind: 'change', control: 'twists', amount: 3, because: '' }],
      ),
    );
    const made = log[1]!;
    const undone = [
      ...log,
      {
        ...made,
        id: uuid(9, 1),
        at: new Date(Date.parse(made.at) + MINUTE_MS).toISOString(),
        body: { kind: 'undone', entryId: made.id } as const,
      },
    ];
    expect(foldLog(undone)?.moved.get('twists')).toBeUndefined();
    expect(bowAsOf(undone, Date.parse(made.at))?.state.moved.get('twists')).toBe(3);
  });
});

describe('undo and redo', () => {
  it('make no difference together, and both stay to be seen', () => {
    fc.assert(
      fc.property(anyLog, fc.nat(), (log, pick) => {
        const { standing } = reversalsOf(log);
        const open = log.filter(
          ({ id, body }) => body.kind !== 'bowMade' && body.kind !== 'undone' && !standing.has(id),
        );
        fc.pre(open.length > 0);
        const { id } = open[pick % open.length]!;
        const undone = withMore(log, [{ kind: 'undone', entryId: id, why: 'wrong bow' }]);
        const back = reversalsOf(undone).standing.get(id) ?? [];
        expect(back).toHaveLength(1);
        const redone = [
          ...undone,
          {
            ...undone.at(-1)!,
            id: uuid(9, 2),
            body: { kind: 'undone', entryId: back[0]! } as const,
          },
        ];
        expect(told(foldLog(redone))).toEqual(told(foldLog(log)));
        const steps = reversalsOf(redone).of.get(id)?.slice(-2) ?? [];
        expect(steps.map(({ to, why }) => [to, why])).toEqual([
          ['takenBack', 'wrong bow'],
          ['putBack', ''],
        ]);
      }),
    );
  });
});

describe('the story', () => {
  it('tells every entry but the undos once, in the order taken', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const lines = storyLines(log);
        const told = lines.flatMap(({ entries }) => entries.map(({ id }) => id));
        const all = log.filter(({ body }) => body.kind !== 'undone').map(({ id }) => id);
        expect(told.toSorted()).toEqual(all.toSorted());
        const firsts = lines.map(({ first }) => log.indexOf(first));
        expect(firsts).toEqual(firsts.toSorted((one, other) => one - other));
      }),
    );
  });
});

describe('comparing', () => {
  it('finds nothing between a bow and itself', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const sheet = figureSheet(foldLog(log)!);
        expect(differences(compareSheets(sheet, sheet))).toEqual([]);
      }),
    );
  });

  it('mirrors when the sides change places', () => {
    fc.assert(
      fc.property(anyLog, anyLog, fc.boolean(), (log, other, same) => {
        const a = figureSheet(foldLog(log)!);
        const b = { ...figureSheet(foldLog(other)!), ...(same ? {} : { bowId: uuid(7, 7) }) };
        const mirrored = compareSheets(b, a).map(({ what, hands, a: one, b: two, finding }) => ({
          what,
          hands: { a: hands.b, b: hands.a },
          a: two,
          b: one,
          finding:
            finding.kind === 'differs'
              ? {
                  ...finding,
                  by: -finding.by,
                  spreads: finding.spreads === null ? null : -finding.spreads,
                }
              : finding,
        }));
        expect(compareSheets(a, b)).toEqual(mirrored);
      }),
    );
  });
});

describe('the way back', () => {
  it('brings every control that can be counted back to where it stood, and names the cut', () => {
    fc.assert(
      fc.property(anyLog, fc.nat(), (log, pick) => {
        const now = foldLog(log)!;
        const then = foldLog(log.slice(0, 1 + (pick % log.length)))!;
        const way = wayBack(now, then);
        const turns = way.flatMap((step) => (step.kind === 'turn' ? step.changes : []));
        const back = foldLog(
          withMore(
            log,
            turns.map((change) => ({ kind: 'change', because: '', ...change })),
          ),
        )!;
        const sameString = now.strings.fitted.stringId === then.strings.fitted.stringId;
        for (const { control } of turns) {
          if (
            control === 'twists' &&
            now.strings.fitted.twists !== null &&
            then.strings.fitted.twists !== null
          )
            expect(back.strings.fitted.twists).toBeCloseTo(then.strings.fitted.twists, 6);
          else expect(back.moved.get(control) ?? 0).toBeCloseTo(then.moved.get(control) ?? 0, 6);
          expect(CONTROL_FACTS[control].reversible).toBe(true);
        }
        if (!sameString) expect(turns.map(({ control }) => control)).not.toContain('twists');
        // All that needs the bow unstrung stands in one step.
        const unstrung = way.filter(
          (step) =>
            step.kind === 'turn' &&
            step.changes.some(({ control }) => CONTROL_FACTS[control].needsUnstrung),
        );
        expect(unstrung.length).toBeLessThanOrEqual(1);
        // Once gone, there is nothing left to turn.
        expect(wayBack(back, then).filter(({ kind }) => kind === 'turn')).toEqual([]);
      }),
    );
  });

  it('has nothing to do where the bow stands as it stood', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const state = foldLog(log)!;
        expect(wayBack(state, state)).toEqual([]);
      }),
    );
  });
});
