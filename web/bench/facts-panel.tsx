import { useState } from 'react';
import { hasAdjustableBolts, hasSideScrews, shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { showLength, showNumber, showTurns, showWeight } from '#core/quantity/show.ts';
import { fromStored, G_PER_GR } from '#core/quantity/units.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Fractions } from '../ui/fractions.tsx';
import { PutAway } from '../bows/put-away.tsx';
import {
  type ChosenFact,
  type Correction,
  correctionsOf,
  FACT_LABEL,
  factNow,
} from './fact-corrections.ts';

const CHOSEN: readonly ChosenFact[] = ['hand', 'hook', 'purpose', 'braceReference'];

/** What is written down of this bow, each of it to be put right; what follows is said before. */
export function FactsPanel({
  state,
  onStore,
  onEnter,
}: {
  readonly state: BowState;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
  readonly onEnter: (entryText: string) => void;
}) {
  const [open, setOpen] = useState<ChosenFact | 'name' | 'owner' | null>(null);
  const { bow } = state;
  const store = (facts: Correction['facts']) => {
    onStore([{ kind: 'factsSet', facts }]);
    setOpen(null);
  };
  const toggle = (which: typeof open) => setOpen((before) => (before === which ? null : which));
  return (
    <section aria-label="Facts of this bow" className="grid gap-x-10 @tablet:grid-cols-2">
      <ul>
        <TextFact
          label="Name"
          value={bow.name}
          open={open === 'name'}
          onOpen={() => toggle('name')}
          onSave={(name) => store({ name })}
          needed
        />
        <TextFact
          label="Owner"
          value={bow.owner}
          open={open === 'owner'}
          onOpen={() => toggle('owner')}
          onSave={(owner) => store({ owner })}
          other={{
            label: 'Another archer',
            follows:
              'Another archer draws it otherwise: draw weight, clicker and everything from bare shaft on turn stale, and the longest draw has to be read again.',
            onSave: (owner) => store({ owner, anotherArcher: true }),
          }}
        />
        {CHOSEN.map((fact) => (
          <li key={fact} className="border-b border-faint py-1">
            <FactLine
              label={FACT_LABEL[fact]}
              value={factNow(fact, state)}
              onOpen={() => toggle(fact)}
            />
            {open === fact && (
              <div className="mb-2 grid gap-2 pl-3" data-testid={`correct-${fact}`}>
                {correctionsOf(fact, state).map((one, place, all) => (
                  <div key={one.label}>
                    {one.follows !== all[place - 1]?.follows && (
                      <p className="text-note text-ink-2">{one.follows}</p>
                    )}
                    <button type="button" className="btn-ink mt-1" onClick={() => store(one.facts)}>
                      {upperFirst(one.label)}
                    </button>
                  </div>
                ))}
                {fact === 'braceReference' && bow.throatToPlungerMm === undefined && (
                  <p className="text-note">
                    To read it to the other from now on, measure the distance between throat and
                    plunger first.{' '}
                    <button type="button" className="link min-h-11" onClick={() => onEnter('tp ')}>
                      Enter it
                    </button>
                  </p>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
      <ul>
        {makerLines(state).map(({ label, value, code }) => (
          <li key={label} className="border-b border-faint py-1">
            <FactLine label={label} value={value} onOpen={() => onEnter(code)} />
          </li>
        ))}
      </ul>
      <PutAway state={state} onStore={onStore} />
    </section>
  );
}

function FactLine({
  label,
  value,
  onOpen,
}: {
  readonly label: string;
  readonly value: string;
  readonly onOpen: () => void;
}) {
  return (
    <div className="grid grid-cols-[9.5rem_1fr_auto] items-center gap-x-3">
      <span className="text-ink-2">{label}</span>
      <span className="min-w-0 font-[560] [overflow-wrap:anywhere]">
        <Fractions text={value} />
      </span>
      <button
        type="button"
        className="link min-h-11"
        aria-label={`Correct: ${label}`}
        onClick={onOpen}
      >
        Correct
      </button>
    </div>
  );
}

function TextFact({
  label,
  value,
  open,
  onOpen,
  onSave,
  needed = false,
  other,
}: {
  readonly label: string;
  readonly value: string;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onSave: (value: string) => void;
  readonly needed?: boolean;
  readonly other?: {
    readonly label: string;
    readonly follows: string;
    readonly onSave: (value: string) => void;
  };
}) {
  const [text, setText] = useState(value);
  const trimmed = text.trim();
  const good = trimmed !== value && (trimmed !== '' || !needed);
  return (
    <li className="border-b border-faint py-1">
      <FactLine label={label} value={value === '' ? 'not written down' : value} onOpen={onOpen} />
      {open && (
        <form
          className="mb-2 grid gap-2 pl-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (good) onSave(trimmed);
          }}
        >
          <input
            className="field"
            aria-label={`${label}, put right`}
            value={text}
            maxLength={80}
            onChange={(event) => setText(event.target.value)}
          />
          <div className="flex flex-wrap items-center gap-3">
            <button type="submit" className="btn-ink disabled:opacity-50" disabled={!good}>
              Put it right
            </button>
            {other !== undefined && value !== '' && (
              <button
                type="button"
                className="link-btn disabled:opacity-50"
                disabled={!good}
                onClick={() => other.onSave(trimmed)}
              >
                {other.label}
              </button>
            )}
          </div>
          {other !== undefined && value !== '' && (
            <p className="text-note text-ink-2">{other.follows}</p>
          )}
        </form>
      )}
    </li>
  );
}

/** The maker's figures, each with the code that writes it down anew. */
function makerLines({ bow }: BowState) {
  const { maker } = bow;
  const none = 'not known';
  const brace =
    maker.braceMinMm === undefined || maker.braceMaxMm === undefined
      ? none
      : `${showLength(maker.braceMinMm, bow)} to ${showLength(maker.braceMaxMm, bow)}`;
  const mark =
    maker.markedWeightN === undefined
      ? none
      : `${showWeight(maker.markedWeightN)}${maker.markedDrawMm === undefined ? '' : ` at ${showNumber(fromStored(maker.markedDrawMm, 'in'), 1)} in`}`;
  const turns = (value: number | undefined) => (value === undefined ? none : showTurns(value));
  return [
    { label: 'Maker’s brace', value: brace, code: 'mb ' },
    ...(hasAdjustableBolts(bow.school)
      ? [{ label: 'Bolt travel', value: turns(maker.boltTravelTurns), code: 'mt ' }]
      : []),
    ...(hasSideScrews(bow)
      ? [{ label: 'Side screws', value: turns(maker.sideScrewTurns), code: 'ms ' }]
      : []),
    { label: 'Limb mark', value: mark, code: 'mark ' },
    {
      label: 'Lightest arrow',
      value:
        maker.leastArrowMassG === undefined
          ? none
          : `${showNumber(maker.leastArrowMassG / G_PER_GR, 0)} gr`,
      code: 'ma ',
    },
    ...(shootsOffTheShelf(bow.school)
      ? [
          {
            label: 'Window',
            value:
              bow.windowPastCentreMm === undefined
                ? none
                : `${showNumber(Math.abs(bow.windowPastCentreMm), 1)} mm ${bow.windowPastCentreMm < 0 ? 'short of' : 'past'} the middle`,
            code: 'wc ',
          },
        ]
      : [
          {
            label: 'Throat to plunger',
            value:
              bow.throatToPlungerMm === undefined ? none : showLength(bow.throatToPlungerMm, bow),
            code: 'tp ',
          },
        ]),
    ...(bow.hook === 'stringWalk'
      ? [
          {
            label: 'Crawl',
            value:
              bow.crawlMm === undefined ? none : `${showNumber(bow.crawlMm, 0)} mm below the nock`,
            code: 'cr ',
          },
        ]
      : []),
  ];
}
