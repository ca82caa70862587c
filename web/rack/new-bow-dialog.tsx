import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { RackBow } from '#contract/rack.ts';
import {
  BOW_KIND_LABEL,
  BOW_KINDS,
  type BowKind,
  HAND_LABEL,
  HANDS,
  type Hand,
  HOOK_LABEL,
  HOOKS,
  type Hook,
  PURPOSE_LABEL,
  PURPOSES,
  type Purpose,
  SCHOOL_LABEL,
  SCHOOLS,
  type School,
  shootsOffTheShelf,
} from '#core/craft/bow-terms.ts';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';
import { likelySchool, SCHOOL_HABITS } from '#core/priors/starting-values.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { MmField, mmTyped } from './mm-field.tsx';
import { Fractions } from '../ui/fractions.tsx';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { BackUpForm } from './back-up-form.tsx';
import { NameField } from './name-field.tsx';
import { type StartingRow, startingSheet } from './starting-sheet.ts';
import { useMakeBow } from './use-make-bow.ts';

const LENGTHS_IN: Readonly<Record<BowKind, readonly number[]>> = {
  targetRecurve: [62, 64, 66, 68, 70],
  takedownRecurve: [52, 54, 56, 58, 60, 62, 64],
  longbow: [62, 64, 66, 68, 70, 72],
};
const USUAL_LENGTH_IN: Readonly<Record<BowKind, number>> = {
  targetRecurve: 68,
  takedownRecurve: 60,
  longbow: 68,
};

/** A new bow from five answers; everything else is filled from its school, and says so. */
export function NewBowDialog({
  onClose,
  bows,
}: {
  readonly onClose: () => void;
  readonly bows: readonly RackBow[];
}) {
  const [params, setParams] = useSearchParams();
  const taken = bows.map((bow) => bow.name);
  const firstBowId = bows.find((bow) => bow.bowId === params.get('of'))?.bowId ?? null;
  return (
    <SheetDialog
      title="New bow"
      description="Five answers are enough. The maker’s figures can follow; they always win."
      onClose={onClose}
      wide
    >
      <label className="mb-4 flex flex-wrap items-end gap-3">
        <span className="label">Start from</span>
        <select
          className="field w-auto"
          value={firstBowId ?? ''}
          onChange={(event) =>
            setParams(event.target.value === '' ? {} : { of: event.target.value }, {
              replace: true,
            })
          }
        >
          <option value="">a school</option>
          {bows
            .filter((bow) => !bow.inParts)
            .map((bow) => (
              <option key={bow.bowId} value={bow.bowId}>
                {bow.name}, as its back-up
              </option>
            ))}
        </select>
      </label>
      {firstBowId !== null ? (
        <BackUpForm key={firstBowId} bowId={firstBowId} taken={taken} onClose={onClose} />
      ) : (
        <FiveAnswers taken={taken} onClose={onClose} />
      )}
    </SheetDialog>
  );
}

/** Kind, length, hand, hook and purpose; the school they suggest, and what it fills in. */
function FiveAnswers({
  taken,
  onClose,
}: {
  readonly taken: readonly string[];
  readonly onClose: () => void;
}) {
  const makeBow = useMakeBow();
  const [bowKind, setBowKind] = useState<BowKind>('targetRecurve');
  const [amoLengthIn, setAmoLengthIn] = useState(USUAL_LENGTH_IN.targetRecurve);
  const [hand, setHand] = useState<Hand>('right');
  const [hook, setHook] = useState<Hook>('split');
  const [purpose, setPurpose] = useState<Purpose>('target');
  const [chosenSchool, setChosenSchool] = useState<School | null>(null);
  const [crawl, setCrawl] = useState('');
  const [window, setWindow] = useState('');
  const [name, setName] = useState('');
  const school = chosenSchool ?? likelySchool(bowKind, hook, purpose);
  const habits = SCHOOL_HABITS[school];
  const finalName = name.trim() === '' ? freeName(taken) : name.trim();
  const crawlMm = hook === 'stringWalk' ? mmTyped(crawl, FACT_RANGES.crawlMm) : undefined;
  const windowMm = shootsOffTheShelf(school)
    ? mmTyped(window, FACT_RANGES.windowPastCentreMm)
    : undefined;
  const later = { crawlMm: crawlMm ?? undefined, windowPastCentreMm: windowMm ?? undefined };
  const answers = { bowKind, amoLengthIn, hook, purpose, school, ...later };
  const sheet = startingSheet(answers, habits.lengthUnit);

  const make = () => {
    makeBow([
      {
        kind: 'bowMade',
        name: finalName,
        owner: '',
        described: '',
        ...answers,
        hand,
        lengthUnit: habits.lengthUnit,
        division: 16,
        braceReference: habits.braceReference,
        maker: {},
        inParts: false,
      },
    ]);
  };

  return (
    <form
      className="grid grid-cols-1 items-start gap-x-10 gap-y-3 @roomy:grid-cols-[1.1fr_1fr]"
      onSubmit={(event) => {
        event.preventDefault();
        if (crawlMm !== null && windowMm !== null) make();
      }}
    >
      <div className="grid min-w-0 grid-cols-1 gap-2.5">
        <ChoiceRow
          label="Kind"
          value={bowKind}
          options={BOW_KINDS.map((value) => ({
            value,
            label: upperFirst(BOW_KIND_LABEL[value]),
          }))}
          onChange={(value) => {
            setBowKind(value);
            if (!LENGTHS_IN[value].includes(amoLengthIn)) setAmoLengthIn(USUAL_LENGTH_IN[value]);
          }}
        />
        <ChoiceRow
          label="Length, in"
          value={String(amoLengthIn)}
          options={LENGTHS_IN[bowKind].map((value) => ({
            value: String(value),
            label: String(value),
          }))}
          onChange={(value) => setAmoLengthIn(Number(value))}
        />
        <ChoiceRow
          label="Hand"
          value={hand}
          options={HANDS.map((value) => ({ value, label: upperFirst(HAND_LABEL[value]) }))}
          onChange={setHand}
        />
        <ChoiceRow
          label="Hook"
          value={hook}
          options={HOOKS.map((value) => ({ value, label: upperFirst(HOOK_LABEL[value]) }))}
          onChange={setHook}
        />
        <ChoiceRow
          label="Purpose"
          value={purpose}
          options={PURPOSES.map((value) => ({
            value,
            label: upperFirst(PURPOSE_LABEL[value]),
          }))}
          onChange={setPurpose}
        />
        <ChoiceRow
          label={chosenSchool === null ? 'School, as these answers suggest' : 'School, your choice'}
          value={school}
          options={SCHOOLS.map((value) => ({ value, label: upperFirst(SCHOOL_LABEL[value]) }))}
          onChange={setChosenSchool}
        />
        <LaterFigures
          asksCrawl={hook === 'stringWalk'}
          asksWindow={shootsOffTheShelf(school)}
          crawl={{ text: crawl, isProblem: crawlMm === null, onChange: setCrawl }}
          window={{ text: window, isProblem: windowMm === null, onChange: setWindow }}
        />
        <NameField name={name} free={freeName(taken)} onChange={setName} />
      </div>{' '}
      <FilledFromSchool habits={habits.why} rows={sheet} />
      <MakeOrLeave onClose={onClose} />
    </form>
  );
}

function MakeOrLeave({ onClose }: { readonly onClose: () => void }) {
  return (
    <SheetActions>
      <button type="submit" className="btn-ink min-h-12 text-lead">
        Put it on the bench
      </button>
      <button type="button" className="link-btn" onClick={onClose}>
        Leave it
      </button>
    </SheetActions>
  );
}

interface MmTyped {
  readonly text: string;
  readonly isProblem: boolean;
  readonly onChange: (text: string) => void;
}

/** Figures some bows have, that may follow later. */
function LaterFigures({
  asksCrawl,
  asksWindow,
  crawl,
  window,
}: {
  readonly asksCrawl: boolean;
  readonly asksWindow: boolean;
  readonly crawl: MmTyped;
  readonly window: MmTyped;
}) {
  const between = ([low, high]: readonly [number, number]) => `${low} to ${high} mm`;
  return (
    <>
      {asksCrawl && (
        <MmField
          label="Crawl at the distance shot most, mm; it can follow"
          text={crawl.text}
          problem={
            crawl.isProblem ? `A crawl is ${between(FACT_RANGES.crawlMm)} below the nock.` : null
          }
          onChange={crawl.onChange}
        />
      )}
      {asksWindow && (
        <MmField
          label="Window cut past the middle, mm, short of it with a minus; it can follow"
          text={window.text}
          problem={
            window.isProblem
              ? `A window is cut ${between(FACT_RANGES.windowPastCentreMm)} past the middle.`
              : null
          }
          onChange={window.onChange}
        />
      )}
    </>
  );
}

/** All that is filled in, each a rule of thumb with its reason. */
function FilledFromSchool({
  habits,
  rows,
}: {
  readonly habits: string;
  readonly rows: readonly StartingRow[];
}) {
  return (
    <section aria-label="Filled from the school" className="border-t border-ink pt-2">
      <h3 className="label">{habits} It begins with</h3>
      <table className="w-full text-left">
        <tbody>
          {rows.map((row) => (
            <tr key={row.name} className="border-b border-faint align-top">
              <th scope="row" className="py-1 pr-3 font-[400] whitespace-nowrap">
                {row.name}
              </th>
              <td className="py-1 pr-3 font-[640] whitespace-nowrap">
                <Fractions text={row.value} />
              </td>
              <td className="py-1 text-note">
                <span className="font-[560]">Rule of thumb.</span> <Fractions text={row.why} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-3 grid grid-cols-[1.375rem_1fr]">
        <TriangleAlert size={16} strokeWidth={1.6} className="mt-0.5" aria-label="Caution:" />
        <span>{CAUTIONS.holdable}</span>
      </p>
    </section>
  );
}

function freeName(taken: readonly string[]): string {
  for (let count = 1; ; count += 1) {
    const name = `Bow ${count}`;
    if (!taken.includes(name)) return name;
  }
}
