import {
  BRACE_REFERENCE_LABEL,
  HAND_LABEL,
  HOOK_LABEL,
  PURPOSE_LABEL,
} from '#core/craft/bow-terms.ts';
import { CHECKLIST_TITLE } from '#core/craft/checklists.ts';
import { changeWords, CONTROL_FACTS } from '#core/craft/controls.ts';
import { FIT_OUT_LABEL } from '#core/craft/fit-out.ts';
import { ARROW_LABEL } from '#core/words/range-words.ts';
import { lowerFirst, upperFirst } from '#core/craft/letter-case.ts';
import { READINGS } from '#core/craft/readings.ts';
import { stepFacts } from '#core/craft/steps.ts';
import { meanOf } from '#core/numeric/moments.ts';
import { showReading } from '#core/craft/show-reading.ts';
import { showTurns } from '#core/quantity/show.ts';
import type { BodyOf, BowFacts, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import { useStanding } from '../outbox/use-standing.ts';
import { Fractions } from '../ui/fractions.tsx';

const SHOWN = 4;

/** What an entry says, in a few words. */
export function entryWords(body: EntryBody, bow: BowFacts): string {
  switch (body.kind) {
    case 'bowMade':
      return `${body.name} put on the rack`;
    case 'reading': {
      const { name } = READINGS[body.reading];
      const figure = showReading(body.reading, meanOf(body.values), bow);
      return `${name} ${figure}${body.values.length > 1 ? `, ${body.values.length} readings` : ''}`;
    }
    case 'change':
      return `${upperFirst(changeWords(body.control, body.amount))}${body.despite === undefined ? '' : `, done already: ${body.despite}`}`;
    case 'targetSet':
      return `Band set: ${body.name}`;
    case 'unitsSet':
      return `Shown in ${body.lengthUnit === 'in' ? 'inches' : 'millimetres'}`;
    case 'stepConfirmed':
      return `${stepFacts(body.step).name}: checked`;
    case 'shotsFired':
      return `${body.count} shots`;
    case 'stepSkipped':
      return `${stepFacts(body.step).name} skipped: ${body.why}`;
    case 'itemFitted':
      return body.described === ''
        ? `${upperFirst(FIT_OUT_LABEL[body.item])} taken off`
        : `${upperFirst(FIT_OUT_LABEL[body.item])}: ${body.described}`;
    case 'factsSet':
      return factWords(body.facts);
    case 'positionCounted':
      return body.control === 'twists'
        ? `${body.value} twists counted`
        : `${CONTROL_FACTS[body.control].name} ${showTurns(body.value)} out`;
    case 'listTicked':
      return `${CHECKLIST_TITLE[body.list]} gone through`;
    case 'note':
      return body.text;
    case 'sessionOpened':
      return `Shooting at ${body.distanceM} m`;
    case 'aimSet':
      return 'Sight or aim set anew';
    case 'sessionClosed':
      return 'Shooting ended';
    case 'shotPlaced':
      return `${ARROW_LABEL[body.arrow]}, end ${body.endNumber}`;
    case 'shotAmended':
      return body.calledBad === undefined
        ? 'Shot corrected'
        : body.calledBad
          ? 'Shot called bad'
          : 'Shot counted again';
    case 'endNoted':
      return `End ${body.endNumber} noted`;
    case 'blameChecked':
      return 'Looked over before blaming';
    case 'paperTorn':
      return `Paper at ${body.distanceM} m`;
    case 'landingSet':
      return 'Bare-shaft landing written down';
    case 'experimentOpened':
      return `Fine tuning of ${lowerFirst(CONTROL_FACTS[body.control].name)}`;
    case 'experimentNarrowed':
      return 'Best two, side by side';
    case 'experimentClosed':
      return 'Fine tuning ended';
    case 'pictureKept':
      return `Picture of end ${body.endNumber} kept`;
    case 'moveSetAside':
      return `Set aside: ${body.title}`;
    case 'undone':
      return 'Taken back';
  }
}

/** Which facts were written down or corrected. */
function factWords(facts: BodyOf<'factsSet'>['facts']): string {
  const words: Partial<Record<keyof typeof facts, string>> = {
    maker: 'maker’s figures',
    amoDrawMm: 'draw length',
    throatToPlungerMm: 'throat to plunger',
    arrowMassG: 'arrow’s mass',
    name: `name ${facts.name ?? ''}`,
    owner: `owner ${facts.owner ?? ''}`,
    described: 'description',
    hand: facts.hand === undefined ? '' : HAND_LABEL[facts.hand],
    hook: facts.hook === undefined ? '' : `hook ${HOOK_LABEL[facts.hook]}`,
    purpose: facts.purpose === undefined ? '' : `purpose ${PURPOSE_LABEL[facts.purpose]}`,
    braceReference:
      facts.braceReference === undefined
        ? ''
        : `brace read ${BRACE_REFERENCE_LABEL[facts.braceReference]}`,
  };
  const said = Object.entries(words)
    .filter(([key]) => facts[key as keyof typeof facts] !== undefined)
    .map(([, word]) => word);
  return `Written down: ${said.join(', ')}`;
}

/** The newest entries, each with its way back; what was taken back stays visible, struck out. */
export function Lately({
  log,
  bow,
  undoneIds,
  onUndo,
}: {
  readonly log: readonly LoggedEntry[];
  readonly bow: BowFacts;
  readonly undoneIds: ReadonlySet<string>;
  readonly onUndo: (entryIds: readonly string[]) => void;
}) {
  const recent = newest(log);
  if (recent.length === 0) return null;
  return (
    <section aria-label="Lately" className="mt-5 border-t border-faint pt-2">
      <h2 className="label">Lately</h2>
      <ul>
        {recent.toReversed().map((entry) => {
          const undone = undoneIds.has(entry.id);
          const partners =
            entry.body.kind === 'change' && entry.body.moveId !== undefined
              ? movePartners(log, entry.body.moveId)
              : [entry.id];
          return (
            <li
              key={entry.id}
              className="flex min-h-8 items-center justify-between gap-3 text-[13px]"
            >
              <span
                className={`line-clamp-6 min-w-0 wrap-anywhere ${undone ? 'line-through' : ''}`}
              >
                <Fractions text={entryWords(entry.body, bow)} />
                <span className="text-ink-2">, {whenWords(entry.at)}</span>
                {entry.seq === null && <WaitingWords id={entry.id} />}
              </span>
              {undone ? (
                <span className="text-ink-2">taken back</span>
              ) : (
                <button
                  type="button"
                  className="link min-h-8 shrink-0 px-1 max-[719px]:min-h-11"
                  aria-label={`Undo ${entryWords(entry.body, bow)}`}
                  onClick={() => onUndo(partners)}
                >
                  Undo
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function WaitingWords({ id }: { readonly id: string }) {
  return useStanding([id]) === 'inPage' ? (
    <span className="font-[640] text-stop"> · in this page only</span>
  ) : (
    <span className="font-[640]"> · waiting</span>
  );
}

/** The newest entries worth showing, oldest first; looked for from the end of a log that may be long. */
function newest(log: readonly LoggedEntry[]): readonly LoggedEntry[] {
  const found: LoggedEntry[] = [];
  for (let at = log.length - 1; at >= 0 && found.length < SHOWN; at -= 1) {
    const entry = log[at];
    if (entry !== undefined && entry.body.kind !== 'undone' && entry.body.kind !== 'bowMade')
      found.unshift(entry);
  }
  return found;
}

/** Changes that were one move are taken back together. */
function movePartners(log: readonly LoggedEntry[], moveId: string): readonly string[] {
  return log
    .filter(({ body }) => body.kind === 'change' && body.moveId === moveId)
    .map(({ id }) => id);
}

// By hand: the browser's own date formatter costs 40 ms on its first call, before anything is shown.
const MONTHS = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sept',
  'Oct',
  'Nov',
  'Dec',
];

/** `14:05` today, `24 Nov` otherwise. */
export function whenWords(at: string): string {
  const then = new Date(at);
  const two = (value: number) => String(value).padStart(2, '0');
  return then.toDateString() === new Date().toDateString()
    ? `${two(then.getHours())}:${two(then.getMinutes())}`
    : `${then.getDate()} ${MONTHS[then.getMonth()] ?? ''}`;
}
