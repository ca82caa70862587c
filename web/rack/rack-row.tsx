import { Link } from 'react-router';
import type { RackBow } from '#contract/rack.ts';
import {
  BOW_KIND_LABEL,
  HAND_LABEL,
  PURPOSE_LABEL,
  SCHOOL_WAY_LABEL,
} from '#core/craft/bow-terms.ts';
import { lowerFirst } from '#core/craft/letter-case.ts';
import { lookAhead } from '../bows/use-bow.ts';
import { whenWords } from '../log-line/lately.tsx';
import { LyingBow } from '../drawing/lying-bow.tsx';
import { Fractions } from '../ui/fractions.tsx';

const MOST_DUE = 3;

/** One bow on its pegs: drawn to scale, whose it is, how it stands, what comes next. */
export function RackRow({ bow }: { readonly bow: RackBow }) {
  return (
    <li className="border-b border-faint">
      <Link
        to={`/bench/${bow.bowId}`}
        data-bow={bow.name}
        onPointerEnter={() => lookAhead(bow.bowId)}
        onFocus={() => lookAhead(bow.bowId)}
        className="grid grid-cols-1 items-center gap-x-7 gap-y-1 py-3 hover:bg-metal @tablet:grid-cols-[18.75rem_1fr_1fr] @wide:grid-cols-[18.75rem_1.1fr_1.25fr_1.3fr]"
      >
        <LyingBow bow={bow} readings={bow} inParts={bow.inParts} />
        <span className="min-w-0">
          <span className="line-clamp-2 text-entry leading-tight font-[560] wrap-break-word [font-stretch:90%]">
            {bow.name}
          </span>
          <span className="block text-ink-2">
            {[bow.owner, bow.described].filter((part) => part !== '').join(', ')}
          </span>
        </span>
        <span className="min-w-0">
          <span className="block">
            {bow.amoLengthIn} in {BOW_KIND_LABEL[bow.bowKind]}, {HAND_LABEL[bow.hand]}
          </span>
          <span className="block text-ink-2">
            {SCHOOL_WAY_LABEL[bow.school]}, for {PURPOSE_LABEL[bow.purpose]}
          </span>
        </span>
        <Standing bow={bow} />
      </Link>
    </li>
  );
}

function Standing({ bow }: { readonly bow: RackBow }) {
  const { steps, due, stops, nextMove, care } = bow;
  const shown = due.slice(0, MOST_DUE).map((one) => one.step.toLowerCase());
  const more = due.length - shown.length;
  return (
    <span
      className="min-w-0 @tablet:@max-wide:col-span-2 @tablet:@max-wide:col-start-2"
      data-testid="standing"
    >
      {stops.length > 0 && (
        <span className="block font-[640] text-stop" data-testid="rack-stop">
          Stop, not to be shot: {stops.map(lowerFirst).join('; ')}
        </span>
      )}
      {bow.setAside > 0 && (
        <span className="block font-[640] text-stop">
          {bow.setAside} {bow.setAside === 1 ? 'entry' : 'entries'} cannot be read
        </span>
      )}
      <span className={due.length > 0 ? 'block font-[640]' : 'block text-ink-2'}>
        {due.length > 0
          ? `Due: ${shown.join(', ')}${more > 0 ? ` and ${more} more` : ''}`
          : `${bow.ready ? 'Ready to tune, ' : ''}${steps.hold} of ${steps.all} steps hold`}
      </span>
      {care.length > 0 && (
        <span className="block text-ink-2" data-testid="rack-care">
          Care: {lowerFirst(care[0] ?? '')}
          {care.length > 1 && ` and ${care.length - 1} more`}
        </span>
      )}
      <span className="block">
        {nextMove === null ? (
          'Done: go and practise'
        ) : (
          <span className={nextMove.stop ? 'font-[560] text-stop' : 'font-[560] text-accent'}>
            {nextMove.stop ? 'First: ' : 'Next: '}
            <Fractions text={nextMove.title} />
          </span>
        )}{' '}
        <span className="whitespace-nowrap text-ink-2">· {whenWords(bow.lastAt)}</span>
      </span>
    </span>
  );
}
