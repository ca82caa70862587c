import { useMemo, useState } from 'react';
import { careList } from '#core/care/care-list.ts';
import { creepForecast } from '#core/care/creep-forecast.ts';
import { CARE_FACTS, type CareJob } from '#core/craft/care-jobs.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { careDueWords, creepWords } from '#core/words/care-words.ts';
import { useNow } from '../app/use-now.ts';
import { PutAway } from '../bows/put-away.tsx';
import { saveFile } from '../device/save-file.ts';
import { Fractions } from '../ui/fractions.tsx';
import { careCalendar } from './care-calendar.ts';
import { IntervalForm } from './interval-form.tsx';
import { dayAndTime } from './story-view.ts';
import { UseTable } from './use-table.tsx';

/** What the bow needs beside its tune: due, done, how often; and the dates for a calendar. */
export function CarePanel({
  state,
  store,
}: {
  readonly state: BowState;
  readonly store: (bodies: readonly EntryBody[]) => void;
}) {
  const now = useNow();
  const care = useMemo(() => careList(state, now.getTime()), [state, now]);
  const creep = useMemo(() => creepForecast(state), [state]);
  const [setting, setSetting] = useState<CareJob | null>(null);
  if (care.length === 0)
    return (
      <section aria-label="Care" className="grid gap-4">
        <p className="text-ink-2">
          It is in parts: care begins when it is strung and its brace is read.
        </p>
        <PutAway state={state} onStore={store} />
      </section>
    );
  const save = () => {
    const text = careCalendar(state, care, now.getTime());
    if (text !== null) saveFile(`${state.bow.name}-care.ics`, 'text/calendar', text);
  };
  return (
    <section aria-label="Care" className="grid gap-4" data-testid="care">
      <ul>
        {care.map((one) => {
          const { name, how } = CARE_FACTS[one.job];
          return (
            <li
              key={one.job}
              className="grid grid-cols-1 items-center gap-x-6 gap-y-1 border-b border-faint py-3 @form:grid-cols-[1fr_auto]"
              data-care={one.job}
            >
              <div>
                <p>
                  <b className={one.due ? 'font-[680]' : 'font-[560]'}>{name}</b>
                  <span className={one.due ? 'font-[640]' : 'text-ink-2'}>
                    , {careDueWords(one, now.getTime())}
                  </span>
                </p>
                <p className="text-note text-ink-2">
                  {how} {one.everDone ? `Last done ${dayAndTime(one.sinceAt, now)}.` : ''}
                </p>
              </div>
              <p className="flex flex-wrap gap-x-2">
                <button
                  type="button"
                  className="link-btn"
                  aria-label={`${name}: done`}
                  onClick={() => store([{ kind: 'careDone', job: one.job }])}
                >
                  Done
                </button>
                <button
                  type="button"
                  className="link-btn"
                  aria-label={`${name}: how often`}
                  onClick={() => setSetting(one.job)}
                >
                  How often
                </button>
              </p>
            </li>
          );
        })}
      </ul>
      {creep !== null && (
        <p data-testid="creep">
          <Fractions text={creepWords(creep, state.bow)} />
        </p>
      )}
      <UseTable state={state} />
      <p className="text-ink-2">The intervals are rules of thumb: the maker’s word wins.</p>
      <p>
        <button type="button" className="link-btn -ml-2.5" onClick={save}>
          Save the dates for a calendar
        </button>
      </p>
      <PutAway state={state} onStore={store} />
      {setting !== null && (
        <IntervalForm
          key={setting}
          job={setting}
          interval={care.find(({ job }) => job === setting)?.interval ?? CARE_FACTS[setting].usual}
          onSet={(interval) => store([{ kind: 'careSet', job: setting, ...interval }])}
          onClose={() => setSetting(null)}
        />
      )}
    </section>
  );
}
