import { useMemo } from 'react';
import { type ShaftOffer, shaftsToBuy } from '#core/arrows/shafts-to-buy.ts';
import { presentWeightN } from '#core/gains/present-weight.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showChance, showLength, showNumber, showSigned } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { missingForShaftWords, testSetWords } from '#core/words/arrows/shafts-to-buy-words.ts';
import { Fractions } from '../ui/fractions.tsx';

/** Which shaft to buy for this bow and archer, with its reason; or what to measure first. */
export function BuyPanel({
  state,
  onTake,
}: {
  readonly state: BowState;
  /** This spine is laid out as an arrow. */
  readonly onTake: (spine: number) => void;
}) {
  const answer = useMemo(() => shaftsToBuy(state), [state]);
  if (answer.kind === 'unknown')
    return (
      <p className="text-head font-[600]" data-testid="buy-unknown">
        {missingForShaftWords(answer.missing)}
      </p>
    );
  if (answer.kind === 'outsideTable')
    return (
      <p className="text-head font-[600]">
        {showNumber(answer.pounds, 0)} lb on the fingers is outside what the starting table knows,
        25 to 55 lb: the shaft maker’s own chart, or a technician.
      </p>
    );
  const { offers, refused, recommended, testSet, windowUnknown, source } = answer;
  const weightN = presentWeightN(state) ?? 0;
  const least = leastShaftMm(state);
  return (
    <div className="grid gap-4">
      {recommended === null ? (
        <p className="text-head font-[600]">
          None of the usual shafts could be tuned inside the safe length and the points there are.
        </p>
      ) : (
        <div data-testid="buy-recommended">
          <p className="text-title leading-tight font-[600]">Spine {recommended}, left long</p>
          <p className="mt-1">
            Of those as likely to be tuned it is the stiffest: a stiff shaft is made weaker by a
            heavier point, a soft one only ever gets stiffer by the saw.
          </p>
          <button type="button" className="btn-ink mt-2" onClick={() => onTake(recommended)}>
            Lay out spine {recommended}
          </button>
        </div>
      )}
      <p className="text-note text-ink-2">
        For {showNumber(fromStored(weightN, 'lb'), 0)} lb on the fingers
        {least !== null && (
          <>
            , not shorter than <Fractions text={showLength(Math.ceil(least.leastMm), state.bow)} />
          </>
        )}
        , shafts of 815 mm and points of 75 to 200 gr.{' '}
        {source === 'table'
          ? 'By the starting table: a step or two either way.'
          : 'By the bare shafts of this bow.'}
        {windowUnknown &&
          ' How far the window is cut past the middle is not known: wc and mm tells it, and the spine with it.'}
      </p>
      <Offers offers={offers} recommended={recommended} />
      {refused.length > 0 && (
        <p className="text-stop" data-testid="buy-refused">
          <b>Not these: </b>
          {refused.join(', ')}. More than two steps softer than where this bow begins, they can
          break. The shaft maker’s chart has the last word on any of them.
        </p>
      )}
      {testSet.length > 1 && (
        <section aria-label="Test set">
          <h3 className="font-[640]">Buy one of each first: {testSet.join(', ')}</h3>
          <ul className="ml-5 list-disc">
            {testSetWords(testSet).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function Offers({
  offers,
  recommended,
}: {
  readonly offers: readonly ShaftOffer[];
  readonly recommended: number | null;
}) {
  return (
    <table className="w-full text-row" data-testid="buy-offers">
      <thead>
        <tr className="border-b border-ink text-left">
          <th scope="col">Spine</th>
          <th scope="col">Steps stiff</th>
          <th scope="col">Can be tuned</th>
          <th scope="col">Weighs about</th>
        </tr>
      </thead>
      <tbody>
        {offers.map(({ spine, stepsStiff, chance, massG, grainsPerPound }) => (
          <tr
            key={spine}
            className={`border-b border-faint ${spine === recommended ? 'font-[680]' : ''}`}
          >
            <th scope="row" className="min-h-11 py-1.5 text-left font-[inherit]">
              {spine}
              {spine === recommended && ', this one'}
            </th>
            <td>{showSigned(stepsStiff, 1)}</td>
            <td className="whitespace-nowrap">{showChance(chance)}</td>
            <td className="whitespace-nowrap">
              {showNumber(fromStored(massG, 'gr'), 0)} gr, {showNumber(grainsPerPound, 1)} gpp
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
