import { heightsShown } from '#core/brace-search/curve-shown.ts';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import type { BowFacts } from '#core/log/entry.ts';
import { showLength, showNumber } from '#core/quantity/show.ts';
import { alikeWords, oneMoreWords, stringOffWords } from '#core/words/brace-search-words.ts';
import { Fractions } from '../ui/fractions.tsx';

const FELT_WORDS = { calmer: 'calmer', same: 'as calm', jumpier: 'more jump' } as const;
const HEARD_WORDS = { quieter: 'quieter', same: 'as loud', louder: 'louder' } as const;

/** Every height with what was found at it: the curve in words, for eyes and ears alike. */
export function HeightsTable({
  standing,
  style,
}: {
  readonly standing: SearchStanding;
  readonly style: Pick<BowFacts, 'lengthUnit' | 'division'>;
}) {
  const shown = heightsShown(standing);
  if (shown.length === 0) return null;
  const { judged, next, here } = standing;
  const bestMm = judged === null ? null : (judged.curve.heightsMm[judged.best] ?? null);
  const more = [alikeWords(standing, style), oneMoreWords(standing)].filter((one) => one !== null);
  return (
    <section aria-label="Heights tried" data-testid="heights">
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Heights tried, table">
        <table className="w-full text-row tabular-nums">
          <thead>
            <tr className="text-left text-note text-ink-2">
              <th className="pr-3 font-[400]">Brace</th>
              <th className="pr-3 font-[400]">Level, dB</th>
              <th className="pr-3 font-[400]">Rings, ms</th>
              <th className="pr-3 font-[400]">Ear and hand</th>
              <th className="font-[400]">Arm, group</th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ visit, heightMm, level, decayMs }, at) => (
              <tr
                key={visit.from}
                className={`border-t border-faint ${heightMm === bestMm ? 'font-[680]' : ''}`}
              >
                <td className="py-1.5 pr-3 whitespace-nowrap">
                  <Fractions text={showLength(heightMm, style)} />
                  {heightMm === bestMm ? ' best' : ''}
                  {visit === here ? ' here' : ''}
                </td>
                <td className="pr-3 whitespace-nowrap">
                  {level === null
                    ? 'by ear'
                    : `${showNumber(level.db, 1)} ± ${showNumber(Math.max(0.1, level.plusMinusDb), 1)}`}
                </td>
                <td className="pr-3">{decayMs === null ? '' : showNumber(decayMs, 0)}</td>
                <td className="pr-3">
                  {[
                    ...(visit.heard === null ? [] : [HEARD_WORDS[visit.heard]]),
                    ...(visit.felt === null ? [] : [FELT_WORDS[visit.felt]]),
                  ].join(', ') || (at === 0 ? 'the first' : '')}
                </td>
                <td>
                  {[
                    ...(visit.armTouched === null ? [] : [visit.armTouched ? 'touched' : 'clear']),
                    ...(visit.groupMm === null ? [] : [`${showNumber(visit.groupMm, 0)} mm`]),
                  ].join(', ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {more.map((line) => (
        <p key={line} className="mt-1">
          <Fractions text={line} />
        </p>
      ))}
      <p className="mt-1 text-note text-ink-2">
        {next.kind === 'twist' && (
          <Fractions text={`The next height lies at ${showLength(next.heightMm, style)}. `} />
        )}
        {stringOffWords(standing)}.
      </p>
    </section>
  );
}
