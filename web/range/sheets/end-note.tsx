import { useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import { sideOf } from '#core/craft/handedness.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { LIGHT_LABEL, MARKS_LABEL, WIND_LABEL } from '#core/craft/range-terms.ts';
import type { BodyOf } from '#core/log/entry.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { CONTACT_MARKS, type FlightSeen, LIGHTS, WINDS } from '#core/craft/range-terms.ts';
import { ChoiceRow } from '../../ui/choice-row.tsx';
import { TextField } from '../../ui/text-field.tsx';

type Noted = Omit<BodyOf<'endNoted'>, 'kind' | 'sessionId' | 'endNumber'>;
const UNSAID = { value: 'unsaid' as const, label: 'Not said' };
const STEADY = ['1', '2', '3', '4', '5'] as const;
const STEADY_LABEL = {
  '1': '1, restless',
  '2': '2',
  '3': '3',
  '4': '4',
  '5': '5, still',
} as const;
const WAYS = ['-1', '0', '1'] as const;

/** What was noticed in one end, beside where the shots went. Every answer is stored as it is given. */
export function EndNoteForm({
  session,
  endNumber,
  hand,
  onNote,
}: {
  readonly session: ShootingSession;
  readonly endNumber: number;
  readonly hand: Hand;
  readonly onNote: (noted: Noted) => void;
}) {
  const note = session.endNotes.get(endNumber);
  const flight = note?.flight ?? null;
  const seen = (change: FlightSeen) => onNote({ flight: change });
  const wayOf = (text: string) => Number(text) as NonNullable<FlightSeen['up']>;
  return (
    <div className="grid gap-4">
      <ChoiceRow
        label="Powder or tape shows a touch"
        value={note?.marks ?? 'unsaid'}
        options={[
          ...(note?.marks == null ? [UNSAID] : []),
          ...CONTACT_MARKS.map((value) => ({ value, label: upperFirst(MARKS_LABEL[value]) })),
        ]}
        onChange={(marks) => {
          if (marks !== 'unsaid') onNote({ marks });
        }}
      />
      <ChoiceRow
        label="Tail of the bare shaft in flight, across"
        value={
          flight?.outward === undefined
            ? 'unsaid'
            : (String(flight.outward) as (typeof WAYS)[number])
        }
        options={[
          ...(flight?.outward === undefined ? [UNSAID] : []),
          ...WAYS.map((value) => ({
            value,
            label: value === '0' ? 'Straight' : upperFirst(sideOf(Number(value), hand)),
          })),
        ]}
        onChange={(way) => {
          if (way !== 'unsaid') seen({ outward: wayOf(way) });
        }}
      />
      <ChoiceRow
        label="Tail of the bare shaft in flight, up and down"
        value={flight?.up === undefined ? 'unsaid' : (String(flight.up) as (typeof WAYS)[number])}
        options={[
          ...(flight?.up === undefined ? [UNSAID] : []),
          { value: '1', label: 'High' },
          { value: '0', label: 'Straight' },
          { value: '-1', label: 'Low' },
        ]}
        onChange={(way) => {
          if (way !== 'unsaid') seen({ up: wayOf(way) });
        }}
      />
      <ChoiceRow
        label="Wind"
        value={note?.wind ?? session.wind ?? 'unsaid'}
        options={[
          ...(note?.wind == null && session.wind === undefined ? [UNSAID] : []),
          ...WINDS.map((value) => ({ value, label: upperFirst(WIND_LABEL[value]) })),
        ]}
        onChange={(wind) => {
          if (wind !== 'unsaid') onNote({ wind });
        }}
      />
      <ChoiceRow
        label="Light"
        value={note?.light ?? session.light ?? 'unsaid'}
        options={[
          ...(note?.light == null && session.light === undefined ? [UNSAID] : []),
          ...LIGHTS.map((value) => ({ value, label: upperFirst(LIGHT_LABEL[value]) })),
        ]}
        onChange={(light) => {
          if (light !== 'unsaid') onNote({ light });
        }}
      />
      <ChoiceRow
        label="The archer"
        value={note?.tired === true ? 'tired' : 'fresh'}
        options={[
          { value: 'fresh', label: 'Fresh' },
          { value: 'tired', label: 'Tired' },
        ]}
        onChange={(how) => onNote({ tired: how === 'tired' })}
      />
      <ChoiceRow
        label="How still it sat on aim"
        value={note?.steady == null ? 'unsaid' : (String(note.steady) as (typeof STEADY)[number])}
        options={[
          ...(note?.steady == null ? [UNSAID] : []),
          ...STEADY.map((value) => ({ value, label: STEADY_LABEL[value] })),
        ]}
        onChange={(value) => {
          if (value !== 'unsaid') onNote({ steady: Number(value) });
        }}
      />
      <BuildField
        key={endNumber}
        before={note?.arrowBuild ?? session.arrowBuild ?? ''}
        onSay={(arrowBuild) => onNote({ arrowBuild })}
      />
    </div>
  );
}

/** The build is stored when the hand leaves the field, not at every letter. */
function BuildField({
  before,
  onSay,
}: {
  readonly before: string;
  readonly onSay: (build: string) => void;
}) {
  const [build, setBuild] = useState(before);
  return (
    <div
      onBlur={() => {
        if (build.trim() !== '' && build.trim() !== before) onSay(build.trim());
      }}
    >
      <TextField label="Arrows of this end" value={build} longest={120} onChange={setBuild} />
    </div>
  );
}
