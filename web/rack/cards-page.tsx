import { Fragment, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { RackBow } from '#contract/rack.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { useAddress } from '../app/use-address.ts';
import { useNow } from '../app/use-now.ts';
import { useBow } from '../bows/use-bow.ts';
import { cardView } from '../record/card/card-view.ts';
import { TuneCard } from '../record/card/tune-card.tsx';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { TextField } from '../ui/text-field.tsx';

const PAPERS = ['A4', 'letter'] as const;
type Paper = (typeof PAPERS)[number];

/** A6 cards on one sheet, and where it is cut: mm from its upper left corner. */
const SHEETS: Readonly<
  Record<Paper, { readonly cards: number; readonly widthMm: number; readonly heightMm: number }>
> = {
  A4: { cards: 4, widthMm: 210, heightMm: 296 },
  letter: { cards: 2, widthMm: 216, heightMm: 278 },
};
const CARD_MM = { width: 105, height: 148 } as const;
const MARK_MM = 4;
/** More bows than this are not all printed unasked. */
const FEW_BOWS = 12;

/** The cards of several bows, printed in one go and cut apart. */
export function CardsPage({ bows }: { readonly bows: readonly RackBow[] }) {
  const { params, setParam } = useAddress();
  const paper = PAPERS.find((one) => one === params.get('paper')) ?? 'A4';
  const strung = bows.filter((bow) => !bow.inParts);
  const isMany = strung.length > FEW_BOWS;
  const asked = params.get('bows') ?? (isMany ? 'none' : 'all');
  const ids = asked.split(',');
  const chosen = asked === 'all' ? strung : strung.filter(({ bowId }) => ids.includes(bowId));
  const choose = (wanted: readonly RackBow[]) => {
    const all = wanted.length === strung.length;
    setParam('bows', all ? 'all' : wanted.map(({ bowId }) => bowId).join(',') || 'none');
  };
  const toggle = (bow: RackBow) =>
    choose(strung.filter((one) => chosen.includes(one) !== (one === bow)));
  const [sought, setSought] = useState('');
  const shown = strung.filter(({ name }) =>
    name.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  const { cards } = SHEETS[paper];
  const sheets = Array.from({ length: Math.ceil(chosen.length / cards) }, (_, at) =>
    chosen.slice(at * cards, (at + 1) * cards),
  );
  return (
    <div className="view-scroll px-4 pt-4 pb-8 @tablet:px-7 print:overflow-visible print:p-0">
      <div className="no-print grid gap-3 pb-4">
        <h1 className="text-title leading-none font-[560] [font-stretch:90%]">
          Cards of several bows
        </h1>
        <p className="text-ink-2">
          A6 cards, {cards} to a sheet, with marks to cut along. Print at full size, without
          margins.
        </p>
        <p>
          <Link className="link-btn -ml-2.5 inline-grid place-items-center" to="/rack">
            Back to the rack
          </Link>
        </p>
        <ChoiceRow
          label="Paper"
          value={paper}
          options={PAPERS.map((value) => ({ value, label: value }))}
          onChange={(value) => setParam('paper', value === 'A4' ? null : value)}
        />
        <fieldset>
          <legend className="label">Bows</legend>
          {isMany && <TextField label="Find a bow" value={sought} onChange={setSought} />}
          <p>
            <button type="button" className="link-btn -ml-2.5" onClick={() => choose(strung)}>
              All {strung.length}
            </button>
            <button type="button" className="link-btn" onClick={() => choose([])}>
              None
            </button>
          </p>
          <div
            className={`flex flex-wrap gap-x-6 ${isMany ? 'max-h-80 overflow-y-auto border-y border-faint' : ''}`}
          >
            {shown.map((bow) => (
              <label key={bow.bowId} className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-(--ink)"
                  checked={chosen.includes(bow)}
                  onChange={() => toggle(bow)}
                />
                {bow.name}
              </label>
            ))}
          </div>
        </fieldset>
        <p>
          <button
            type="button"
            className="btn-ink"
            disabled={chosen.length === 0}
            onClick={() => window.print()}
          >
            Print {chosen.length} {chosen.length === 1 ? 'card' : 'cards'}
          </button>
        </p>
        {strung.length === 0 && (
          <p className="text-ink-2">No bow is strung yet: a kit has nothing to put on a card.</p>
        )}
      </div>
      <div
        className="overflow-x-auto print:overflow-visible"
        // Wider than a phone: the keys must be able to move it.
        tabIndex={0}
        role="region"
        aria-label="The sheets as they are printed"
      >
        {sheets.map((sheet) => (
          <div key={sheet[0]?.bowId} className={`card-sheet card-sheet-${paper}`} data-sheet>
            {sheet.map(({ bowId }) => (
              <CardOf key={bowId} bowId={bowId} />
            ))}
            <CutMarks paper={paper} rows={Math.ceil(sheet.length / 2)} />
          </div>
        ))}
      </div>
    </div>
  );
}

function CardOf({ bowId }: { readonly bowId: string }) {
  const { state } = useBow(bowId);
  return state === null ? <div /> : <LoadedCard state={state} />;
}

function LoadedCard({ state }: { readonly state: BowState }) {
  const now = useNow();
  const view = useMemo(() => cardView(state, '', now), [state, now]);
  return <TuneCard view={view} state={state} size="A6" />;
}

/** Short lines at the edges and where four cards meet: cut from one to the other. */
function CutMarks({ paper, rows }: { readonly paper: Paper; readonly rows: number }) {
  const { widthMm, heightMm } = SHEETS[paper];
  const xs = [CARD_MM.width, ...(widthMm > 2 * CARD_MM.width ? [2 * CARD_MM.width] : [])];
  const ys = Array.from({ length: rows }, (_, row) => (row + 1) * CARD_MM.height).filter(
    (y) => y < heightMm,
  );
  return (
    <svg
      className="card-sheet-marks"
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      aria-hidden
      data-testid="cut-marks"
    >
      {xs.map((x) => (
        <Fragment key={x}>
          <Mark d={`M${x} 0v${MARK_MM}`} />
          {ys.map((y) => (
            <Mark key={y} d={`M${x} ${y - MARK_MM}v${2 * MARK_MM}`} />
          ))}
          <Mark d={`M${x} ${rows * CARD_MM.height}v${-MARK_MM}`} />
        </Fragment>
      ))}
      {ys.map((y) => (
        <Fragment key={y}>
          <Mark d={`M0 ${y}h${MARK_MM}`} />
          {xs.map((x) => (
            <Mark key={x} d={`M${x - MARK_MM} ${y}h${2 * MARK_MM}`} />
          ))}
          <Mark d={`M${widthMm} ${y}h${-MARK_MM}`} />
        </Fragment>
      ))}
    </svg>
  );
}

function Mark({ d }: { readonly d: string }) {
  return <path d={d} stroke="#000" strokeWidth={0.2} />;
}
