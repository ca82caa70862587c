import { useState } from 'react';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showExact, showNumber } from '#core/quantity/show.ts';
import { METRES_PER_YARD } from '#core/quantity/yards.ts';
import {
  chaseWords,
  markRowWords,
  NOT_ASKED_WORDS,
  notAskedWords,
  SET_NAME,
} from '#core/words/marks/marks-words.ts';
import { Link } from 'react-router';
import { changeSettings } from '../theme/use-settings.ts';
import { ChartFold } from '../ui/chart-fold.tsx';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { MarksDoubts, MarksSays } from './marks-says.tsx';
import { MarksTable } from './marks-table.tsx';
import { type Marks, useMarks } from './use-marks.ts';

const UNITS = [
  { value: 'm', label: 'metres' },
  { value: 'yd', label: 'yards' },
] as const;

/** A session of marks: from where, with what set, and what follows for every other distance. */
export function MarksPanel({
  state,
  session,
  endNumber,
  distanceM,
  onDistance,
  onSet,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly endNumber: number;
  /** Where the next shots are shot from. */
  readonly distanceM: number;
  readonly onDistance: (distanceM: number) => void;
  readonly onSet: (aimSet: number) => void;
}) {
  const marks = useMarks(state, distanceM, { buttMm: session.buttMm });
  if (marks === null || session.aiming === undefined)
    return <p>This session does not say what it is aimed with: begin a new one.</p>;
  const { figures } = marks;
  const set = session.endNotes.get(endNumber)?.aimSet ?? null;
  return (
    <section aria-label="Marks" data-testid="marks">
      <div className="grid grid-cols-2 gap-x-4">
        <DistanceField key={`${distanceM} ${marks.unit}`} {...{ marks, distanceM, onDistance }} />
        <SetField
          key={`${endNumber} ${set ?? ''}`}
          label={SET_NAME[session.aiming.kind]}
          factor={session.aiming.kind === 'point' ? 10 : 1}
          set={set}
          hint={hintFor(marks, distanceM)}
          onSet={onSet}
        />
      </div>
      <p className="text-note text-ink-2">
        {set === null
          ? 'Say what is set for this end, then shoot it: an end is one distance and one setting.'
          : `End ${endNumber}, ${showNumber(distanceM, 1)} m. Another distance or setting begins the next end.`}
      </p>
      <Choices marks={marks} distanceM={distanceM} onDistance={onDistance} />
      {marks.failed && (
        <p className="text-stop" role="alert">
          The figures could not be reckoned. The shots are kept; open this page again.
        </p>
      )}
      {figures !== null && (
        <div className={marks.isCurrent ? '' : 'opacity-60'} aria-live="polite">
          <MarksDoubts marks={marks} figures={figures} />
          <LastEnd state={state} session={session} marks={marks} />
          <MarksSays marks={marks} figures={figures} which="next" />
          <ChartFold title="All marks">
            <MarksSays marks={marks} figures={figures} which="others" />
            <MarksTable marks={marks} figures={figures} askedM={distanceM} />
          </ChartFold>
        </div>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-x-5">
        <ChoiceRow
          label="Distances in"
          value={marks.unit}
          options={UNITS}
          onChange={(distanceUnit) => changeSettings({ distanceUnit })}
        />
        <Link className="link min-h-11 content-center" to={`/range/${state.bowId}?marks=read`}>
          To read and to print
        </Link>
      </div>
    </section>
  );
}

/** What the end just shot says of the sight, by itself: the table knows of all ends. */
function LastEnd({
  state,
  session,
  marks: { evidence },
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly marks: Marks;
}) {
  const end = evidence.ends.findLast(({ sessionId }) => sessionId === session.sessionId);
  if (end === undefined || evidence.aiming.kind !== 'sight') return null;
  const words = chaseWords(evidence.aiming, end, state.bow.hand);
  return words === null ? null : (
    <p className="text-plain leading-snug" data-testid="chase">
      {words}
    </p>
  );
}

/** Which distances may be shot from, the one that tells most first said. */
function Choices({
  marks,
  distanceM,
  onDistance,
}: {
  readonly marks: Marks;
  readonly distanceM: number;
  readonly onDistance: (distanceM: number) => void;
}) {
  const choices = marks.figures?.choices ?? [];
  const next = marks.figures?.next ?? null;
  const notAsked = notAskedWords(choices);
  return (
    <div className="mt-1 flex flex-wrap gap-x-1" role="group" aria-label="Shoot from">
      {choices.map(({ distanceM: one, refused }) => (
        <button
          key={one}
          type="button"
          className="min-h-11 border-b-2 border-transparent px-2 text-plain disabled:text-ink-2 disabled:line-through aria-pressed:border-ink aria-pressed:font-[680]"
          aria-pressed={one === distanceM}
          aria-label={`${one} m${refused === null ? (one === next?.distanceM ? ', tells most' : '') : `, ${NOT_ASKED_WORDS[refused]}`}`}
          disabled={refused !== null}
          onClick={() => onDistance(one)}
        >
          {one} m{one === next?.distanceM ? ' ·' : ''}
        </button>
      ))}
      {notAsked !== null && <p className="w-full text-note text-ink-2">{notAsked}</p>}
    </div>
  );
}

function hintFor({ evidence, figures }: Marks, distanceM: number): string {
  const row = figures?.rows.find((one) => Math.abs(one.distanceM - distanceM) < 0.05);
  if (row?.set == null || evidence.ends.length === 0) return '';
  return markRowWords(evidence, row);
}

function DistanceField({
  marks: { unit },
  distanceM,
  onDistance,
}: {
  readonly marks: Marks;
  readonly distanceM: number;
  readonly onDistance: (distanceM: number) => void;
}) {
  const factor = unit === 'm' ? 1 : METRES_PER_YARD;
  const shown = showExact(Math.round((distanceM / factor) * 10) / 10);
  return (
    <AmountField
      label={`Distance, ${unit}`}
      shown={shown}
      hint=""
      onAmount={(value) => {
        const metres = value * factor;
        if (metres < 2 || metres > 120) return false;
        onDistance(metres);
        return true;
      }}
    />
  );
}

function SetField({
  label,
  factor,
  set,
  hint,
  onSet,
}: {
  readonly label: string;
  readonly factor: number;
  readonly set: number | null;
  readonly hint: string;
  readonly onSet: (aimSet: number) => void;
}) {
  return (
    <AmountField
      label={label}
      shown={set === null ? '' : showExact(set / factor)}
      hint={hint}
      onAmount={(value) => {
        if (Math.abs(value * factor) > 3000) return false;
        onSet(value * factor);
        return true;
      }}
    />
  );
}

/** A figure that counts once the field is left or Enter is pressed; what is none stays, and is said. */
function AmountField({
  label,
  shown,
  hint,
  onAmount,
}: {
  readonly label: string;
  readonly shown: string;
  readonly hint: string;
  /** False where such a figure cannot be. */
  readonly onAmount: (value: number) => boolean;
}) {
  const [text, setText] = useState(shown);
  const [isBad, setIsBad] = useState(false);
  const settle = () => {
    if (text.trim() === '' || text === shown) return;
    const read = readAmounts(text);
    const value = read.ok && read.amounts.length === 1 ? read.amounts[0]?.value : undefined;
    setIsBad(value === undefined || !onAmount(value));
  };
  return (
    <label>
      <span className="label">{label}</span>
      <input
        className="field text-brand font-[560]"
        inputMode="decimal"
        value={text}
        placeholder={hint}
        maxLength={12}
        aria-invalid={isBad}
        onChange={(event) => {
          setText(event.target.value);
          setIsBad(false);
        }}
        onBlur={settle}
        onKeyDown={(event) => {
          if (event.key === 'Enter') settle();
        }}
      />
      {isBad && <span className="text-note text-stop">No such figure can be.</span>}
    </label>
  );
}
