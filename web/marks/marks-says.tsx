import type { MarksFigures } from '#core/sight-marks/marks-figures.ts';
import {
  marksSays,
  sinceWords,
  SLIP_WORDS,
  slipPlaceWords,
} from '#core/words/marks/marks-words.ts';
import { Fractions } from '../ui/fractions.tsx';
import type { Marks } from './use-marks.ts';

/** What has to be known before a mark is believed: what cannot be, and what is stale. */
export function MarksDoubts({
  marks,
  figures,
}: {
  readonly marks: Marks;
  readonly figures: MarksFigures;
}) {
  const { evidence, unit } = marks;
  const { slips } = figures;
  return (
    <>
      {slips.map((slip) => (
        <p
          key={`${slip.at}`}
          className="my-1.5 border-l-4 border-stop pl-3"
          role="note"
          data-testid="mark-slip"
        >
          <b className="font-[640]">{slipPlaceWords(slip, evidence.ends, unit)}</b>{' '}
          {SLIP_WORDS[slip.likely]}
        </p>
      ))}
      {evidence.since.length > 0 && (
        <p className="my-1.5 border-l-4 border-ink pl-3" role="note" data-testid="marks-stale">
          <b className="font-[640]">
            Stale since the last mark: <Fractions text={sinceWords(evidence.since)} />.
          </b>{' '}
          What follows is reckoned by rule of thumb; one distance shot puts all of them right.
        </p>
      )}
    </>
  );
}

/** What marks say besides their table: which distance next, the point-on, and what it rests on. */
export function MarksSays({
  marks: { evidence, unit },
  figures,
  which = 'all',
}: {
  readonly marks: Marks;
  readonly figures: MarksFigures;
  /** What comes next stands first. */
  readonly which?: 'next' | 'others' | 'all';
}) {
  const [next, ...others] = marksSays(evidence, figures, unit);
  const lines = [
    ...(which === 'others' || next === undefined ? [] : [next]),
    ...(which === 'next' ? [] : others),
  ];
  return lines.map((line) => (
    <p key={line} className="text-plain leading-snug">
      {line}
    </p>
  ));
}
