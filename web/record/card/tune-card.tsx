import { CAUTIONS } from '#core/craft/cautions.ts';
import { cardCautions } from '#core/card/card-cautions.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Fractions } from '../../ui/fractions.tsx';
import { CardDrawing } from './card-drawing.tsx';
import { CardCode } from './card-code.tsx';
import type { CardView } from './card-view.ts';

/** Sizes a card is printed in. */
export const CARD_SIZES = ['A6', 'A5', 'letter'] as const;
export type CardSize = (typeof CARD_SIZES)[number];

/** One tune card as it lies in the bow case: black on white, whatever the screen’s look. */
export function TuneCard({
  view,
  state,
  size,
}: {
  readonly view: CardView;
  readonly state: BowState;
  readonly size: CardSize;
}) {
  return (
    <article className={`tune-card tune-card-${size}`} aria-label={`Tune card of ${view.title}`}>
      <header>
        <h2>{view.title}</h2>
        <p>{view.under}</p>
      </header>
      {state.readings.size > 0 && <CardDrawing state={state} />}
      <div className="tune-card-blocks">
        {view.blocks.map(({ title, lines }) => (
          <section key={title}>
            <h3>{title}</h3>
            <dl>
              {lines.map(({ name, figure, also }) => (
                <div key={name}>
                  <dt>{name}</dt>
                  <dd>
                    <b>
                      <Fractions text={figure} />
                    </b>
                    {also !== '' && (
                      <span>
                        {' '}
                        <Fractions text={also} />
                      </span>
                    )}
                  </dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <footer>
        <ul>
          {cardCautions(state).map((caution) => (
            <li key={caution}>{CAUTIONS[caution]}</li>
          ))}
        </ul>
        <CardCode text={view.text} />
      </footer>
    </article>
  );
}
