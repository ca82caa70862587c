import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { fromStored, toStored } from '#core/quantity/units.ts';
import { showNumber } from '#core/quantity/show.ts';
import { SCHOOL_HABITS } from '#core/craft/starting-values.ts';
import type { BodyOf } from '#core/record/entry.ts';
import type { BowState } from '#core/record/fold.ts';
import { defaultTolerance } from '#core/shots/default-tolerance.ts';

interface SetupText {
  readonly distance: string;
  readonly tolerance: string;
  readonly butt: string;
}

/** What a session will be opened with: texts kept as typed, and what they come to. */
export interface SessionSetup {
  readonly text: SetupText;
  readonly setText: (text: SetupText) => void;
  readonly problem: string | null;
  readonly opening: () => BodyOf<'sessionOpened'>;
}

/** Holds the three figures agreed before the first shot. */
export function useSessionSetup(state: BowState, unit: 'cm' | 'in'): SessionSetup {
  const [text, setText] = useState<SetupText>(() => ({
    distance: String(
      state.sessions.at(-1)?.distanceM ?? SCHOOL_HABITS[state.bow.school].bareShaftDistanceM,
    ),
    tolerance: '',
    butt: unit === 'cm' ? '122' : '48',
  }));
  const distanceM = figure(text.distance);
  const buttMm = figure(text.butt) === null ? null : toStored(figure(text.butt) ?? 0, unit);
  const byRule = defaultTolerance(state, distanceM ?? 18);
  const typed = text.tolerance.trim() === '' ? null : figure(text.tolerance);
  const toleranceMm =
    text.tolerance.trim() === ''
      ? byRule.toleranceMm
      : typed === null
        ? null
        : toStored(typed, unit);
  const problem =
    distanceM === null || !(distanceM >= 2 && distanceM <= 120)
      ? 'Distance: 2 to 120 m.'
      : toleranceMm === null || !(toleranceMm >= 1 && toleranceMm <= 1000)
        ? 'Good enough: a size above 0.'
        : buttMm === null || !(buttMm >= 200 && buttMm <= 5000)
          ? 'Butt: its width.'
          : null;
  return {
    text: { ...text, tolerance: text.tolerance },
    setText,
    problem,
    opening: () => ({
      kind: 'sessionOpened',
      sessionId: newId(),
      distanceM: distanceM ?? 18,
      toleranceMm: toleranceMm ?? byRule.toleranceMm,
      toleranceWhy: typed === null ? byRule.why : 'agreed before the first shot',
      buttMm: buttMm ?? 1220,
    }),
  };
}

function figure(text: string): number | null {
  const read = readAmounts(text);
  const [amount] = read.ok ? read.amounts : [];
  return read.ok && read.amounts.length === 1 && amount !== undefined && amount.unit === null
    ? amount.value
    : null;
}

/** Distance, good enough, butt: agreed before the first shot, fixed after it. */
export function SessionSetupForm({
  state,
  setup,
  unit,
  onStart,
}: {
  readonly state: BowState;
  readonly setup: SessionSetup;
  readonly unit: 'cm' | 'in';
  readonly onStart: () => void;
}) {
  const { text, setText, problem } = setup;
  const byRule = defaultTolerance(state, figure(text.distance) ?? 18);
  const rule = showNumber(fromStored(byRule.toleranceMm, unit), 1);
  return (
    <form
      className="grid gap-2"
      aria-label="New shooting session"
      onSubmit={(event) => {
        event.preventDefault();
        if (problem === null) onStart();
      }}
    >
      <p className="text-[24px] leading-tight font-[520] [font-stretch:88%]">
        Agree what is good enough, then shoot.
      </p>
      <div className="grid grid-cols-3 gap-4">
        <label>
          <span className="label">Distance, m</span>
          <input
            className="field"
            inputMode="decimal"
            value={text.distance}
            onChange={(event) => setText({ ...text, distance: event.target.value })}
          />
        </label>
        <label>
          <span className="label">Good enough, ± {unit}</span>
          <input
            className="field placeholder:text-ink-2"
            inputMode="decimal"
            placeholder={rule}
            value={text.tolerance}
            onChange={(event) => setText({ ...text, tolerance: event.target.value })}
          />
        </label>
        <label>
          <span className="label">Butt, {unit}</span>
          <input
            className="field"
            inputMode="decimal"
            value={text.butt}
            onChange={(event) => setText({ ...text, butt: event.target.value })}
          />
        </label>
      </div>
      <p className="text-[13px] text-ink-2">
        ± {rule} {unit}: {byRule.why}.
      </p>
      {problem !== null && <p className="text-[13px] text-stop">{problem}</p>}
      <div className="flex items-center gap-3">
        <button type="submit" className="btn-ink" disabled={problem !== null}>
          Start shooting
        </button>
        <span className="text-[13px] text-ink-2">or tap the butt: the first shot starts it</span>
      </div>
    </form>
  );
}
