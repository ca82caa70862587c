import { type DragEvent, useId, useState } from 'react';
import { FELT, HEARD, SHOTS_A_HEIGHT } from '#core/craft/search-terms.ts';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import type { BraceSearch, HeardShot } from '#core/log/brace-searches.ts';
import type { BodyOf, EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showLength, showNumber } from '#core/quantity/show.ts';
import { RECORDING_FAULT_WORDS, SHOT_REFUSAL_WORDS } from '#core/words/brace-search-words.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { Fractions } from '../ui/fractions.tsx';
import { TextField } from '../ui/text-field.tsx';
import type { HeardShots } from './use-heard-shots.ts';
import type { MicrophoneFault } from './use-microphone.ts';

const MICROPHONE_WORDS: Readonly<Record<MicrophoneFault, string>> = {
  refused:
    'The microphone was not allowed. Allow it for this page in the browser’s own settings, choose WAV files, or go on by ear.',
  absent: 'No microphone is there. Plug one in, choose WAV files, or go on by ear.',
  unsupported: 'This browser cannot record here. Choose WAV files, or go on by ear.',
  failed:
    'The microphone did not start: another program may hold it. Try again, choose WAV files, or go on by ear.',
};

const HEARD_LABEL = { quieter: 'Quieter', same: 'The same', louder: 'Louder' } as const;
const FELT_LABEL = { calmer: 'Calmer', same: 'The same', jumpier: 'More jump' } as const;
const UNSAID = 'unsaid';

/** Everything that can be found at the height the bow stands at. */
export function HeightEvidence({
  state,
  search,
  standing,
  heard,
  store,
}: {
  readonly state: BowState;
  readonly search: BraceSearch;
  readonly standing: SearchStanding;
  readonly heard: HeardShots;
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
}) {
  const { here, visits } = standing;
  if (here?.heightMm == null) return null;
  const isFirst = visits.length === 1;
  const judge = (said: Omit<BodyOf<'heightJudged'>, 'kind' | 'searchId'>) =>
    store([{ kind: 'heightJudged', searchId: search.searchId, ...said }]);
  return (
    <section aria-label="At this height" data-testid="height-evidence">
      <h2 className="text-head font-[600]">
        <Fractions text={`At ${showLength(here.heightMm, state.bow)}`} />
      </h2>
      <Recorder search={search} standing={standing} heard={heard} />
      <ShotList shots={[...here.shots, ...here.silencedShots]} store={store} />
      <div className="mt-3 grid gap-2 @tablet:grid-cols-2">
        {isFirst ? (
          <div>
            <span className="label">By ear</span>
            {here.isJudged ? (
              <p>Listened to; the next height is held against it.</p>
            ) : (
              <button type="button" className="link-btn -ml-2.5" onClick={() => judge({})}>
                Shot and listened to, by ear alone
              </button>
            )}
          </div>
        ) : (
          <>
            <ChoiceRow<(typeof HEARD)[number] | typeof UNSAID>
              label="By ear, against the height before"
              value={here.heard ?? UNSAID}
              options={HEARD.map((value) => ({ value, label: HEARD_LABEL[value] }))}
              onChange={(said) => {
                if (said !== UNSAID) judge({ heard: said });
              }}
            />
            <ChoiceRow<(typeof FELT)[number] | typeof UNSAID>
              label="In the bow hand, against the height before"
              value={here.felt ?? UNSAID}
              options={FELT.map((value) => ({ value, label: FELT_LABEL[value] }))}
              onChange={(said) => {
                if (said !== UNSAID) judge({ felt: said });
              }}
            />
          </>
        )}
        <ChoiceRow<'yes' | 'no' | typeof UNSAID>
          label="The string touches the arm"
          value={here.armTouched === null ? UNSAID : here.armTouched ? 'yes' : 'no'}
          options={[
            { value: 'no', label: 'No' },
            { value: 'yes', label: 'Yes: nothing this low' },
          ]}
          onChange={(said) => {
            if (said !== UNSAID) judge({ armTouched: said === 'yes' });
          }}
        />
        <GroupField
          key={here.from}
          groupMm={here.groupMm}
          onGroup={(groupMm) => judge({ groupMm })}
        />
      </div>
    </section>
  );
}

function Recorder({
  search,
  standing,
  heard,
}: {
  readonly search: BraceSearch;
  readonly standing: SearchStanding;
  readonly heard: HeardShots;
}) {
  const { microphone, door, notTaken, trouble } = heard;
  const filesId = useId();
  const [over, setOver] = useState(false);
  const silenced = standing.next.kind === 'seeSilencers';
  const dropped = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    heard.takeFiles([...event.dataTransfer.files], silenced);
  };
  const missing = SHOTS_A_HEIGHT - (standing.here?.shots.length ?? 0);
  const left = Math.max(1, missing);
  // With its shots taken the height has what it needs: more is left to the tuner.
  const look = missing > 0 ? 'btn-ink' : 'link-btn -ml-2.5';
  const count = missing > 0 ? (left === 1 ? 'one shot' : `${left} shots`) : 'one more shot';
  return (
    <div
      className={`border-y py-2 ${over ? 'border-accent' : 'border-faint'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={dropped}
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {search.practiceSeed !== undefined ? (
          <button
            type="button"
            className={look}
            disabled={door.share !== null}
            onClick={() => heard.takeStandIn(left, silenced)}
          >
            Hear {count} of the stand-in
          </button>
        ) : microphone.recording ? (
          <>
            <button type="button" className="btn" onClick={() => heard.takeMicrophone(silenced)}>
              Stop, and hear the shots
            </button>
            <span className="flex items-center gap-2" role="status">
              Recording
              <span className="inline-block h-3 w-28 border border-ink" aria-hidden>
                <span
                  className="block h-full bg-ink"
                  style={{ width: `${Math.min(100, Math.round(meter(microphone.level) * 100))}%` }}
                />
              </span>
            </span>
          </>
        ) : (
          <button
            type="button"
            className={look}
            disabled={door.share !== null}
            onClick={microphone.start}
          >
            Record {count}
          </button>
        )}
        {search.practiceSeed === undefined && !microphone.recording && (
          <>
            <label htmlFor={filesId} className="link min-h-11 cursor-pointer content-center">
              Choose WAV files, or drop them here
            </label>
            <input
              id={filesId}
              className="visually-hidden"
              type="file"
              accept=".wav,audio/wav"
              multiple
              onChange={(event) => {
                heard.takeFiles([...(event.target.files ?? [])], silenced);
                event.target.value = '';
              }}
            />
          </>
        )}
        {door.share !== null && (
          <span className="flex items-center gap-3" role="status">
            Hearing it… {Math.round(100 * door.share)} %
            <button type="button" className="link min-h-11" onClick={door.cancel}>
              Cancel
            </button>
          </span>
        )}
      </div>
      {microphone.fault !== null && (
        <p className="mt-1 text-stop" role="alert">
          {MICROPHONE_WORDS[microphone.fault]}
        </p>
      )}
      {alikeTogether(notTaken).map(({ says, count }) => (
        <p key={says} className="mt-1 text-stop" role="alert">
          Not taken, {says}
          {count > 1 ? ` (${count} shots)` : ''}
        </p>
      ))}
      {trouble !== null && (
        <p className="mt-1 text-stop" role="alert">
          {trouble === 'notKept'
            ? 'The figures of the shot are kept; its sound is not: the server did not take it.'
            : 'The recording could not be heard: this browser stopped the work. Nothing was taken; try it again.'}
        </p>
      )}
    </div>
  );
}

/** What was not taken, in words, the same said once. */
function alikeTogether(
  notTaken: HeardShots['notTaken'],
): readonly { readonly says: string; readonly count: number }[] {
  const counts = new Map<string, number>();
  for (const { from, recording, shot } of notTaken) {
    const why =
      recording === null
        ? shot.map((one) => SHOT_REFUSAL_WORDS[one]).join(' ')
        : RECORDING_FAULT_WORDS[recording];
    const says = `${from}: ${why}`;
    counts.set(says, (counts.get(says) ?? 0) + 1);
  }
  return [...counts].map(([says, count]) => ({ says, count }));
}

/** 60 dB over the whole meter. */
function meter(level: number): number {
  return level <= 0 ? 0 : Math.max(0, 1 + (20 * Math.log10(level)) / 60);
}

function ShotList({
  shots,
  store,
}: {
  readonly shots: readonly HeardShot[];
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
}) {
  if (shots.length === 0) return null;
  const loudest = Math.max(...shots.map(({ levelDb }) => levelDb));
  return (
    <ol className="mt-1 grid" aria-label="Shots recorded at this height">
      {shots.map(({ id, levelDb, decayMs, centroidHz, silenced }, at) => (
        <li
          key={id}
          className="flex flex-wrap items-center justify-between gap-x-4 border-b border-faint"
        >
          <span className="tabular-nums">
            Shot {at + 1}: {showNumber(levelDb - loudest, 1)} dB
            {decayMs === undefined ? '' : `, rings ${showNumber(decayMs, 0)} ms`}, middle{' '}
            {showNumber(centroidHz, 0)} Hz{silenced === true ? ', silencers on' : ''}
          </span>
          <button
            type="button"
            className="link min-h-11 text-note"
            aria-label={`Take shot ${at + 1} back`}
            onClick={() => store([{ kind: 'undone', entryId: id }])}
          >
            Take back
          </button>
        </li>
      ))}
    </ol>
  );
}

function GroupField({
  groupMm,
  onGroup,
}: {
  readonly groupMm: number | null;
  readonly onGroup: (groupMm: number) => void;
}) {
  const [text, setText] = useState(groupMm === null ? '' : showNumber(groupMm, 0));
  const value = Number(text.replace(',', '.'));
  const isGood = text.trim() !== '' && Number.isFinite(value) && value >= 1 && value <= 3000;
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isGood) onGroup(value);
      }}
    >
      <TextField label="Group, mm, if it was shot" value={text} decimal onChange={setText} />
      <button
        type="submit"
        className="link-btn shrink-0 whitespace-nowrap"
        disabled={!isGood || value === groupMm}
      >
        Note it
      </button>
    </form>
  );
}
