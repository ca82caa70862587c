import { sinceUpsetWords } from '#core/words/since-words.ts';
import { ARROW_SHORT } from '#core/craft/range-terms.ts';
import { sideOf } from '#core/craft/handedness.ts';
import { showButtDistance, showButtInterval, showChance } from '#core/quantity/show.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { type ArrowRecord, byArrow } from '#core/groups/by-arrow.ts';
import { shaftByShaft } from '#core/bare-shaft/shaft-by-shaft.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { pointOffsets } from '#core/groups/point-offsets.ts';
import { forgivenessBySetting } from '#core/groups/settings-shot.ts';
import { POINTS_LOOKED_AT } from '#core/craft/blame-list.ts';
import { type ProofStanding, proofStanding } from '#core/proof/proof-standing.ts';
import { proofSaysWords } from '#core/words/proof-words.ts';
import { Fractions } from '../../ui/fractions.tsx';

const CELL = 'border-b border-faint py-1.5 pr-4 text-left align-top';

/** What groups tell beside the bare shafts: each arrow, the points for use, and weak shots. */
export function GroupsPanel({
  state,
  session,
  unit,
  store,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly unit: 'cm' | 'in';
  readonly store: (bodies: readonly EntryBody[]) => unknown;
}) {
  return (
    <div className="grid gap-6">
      <Forgiving state={state} unit={unit} />
      <Arrows state={state} session={session} unit={unit} store={store} />
      <Points state={state} session={session} unit={unit} />
    </div>
  );
}

function Forgiving({ state, unit }: { readonly state: BowState; readonly unit: 'cm' | 'in' }) {
  const settings = forgivenessBySetting(state).filter((one) => one.forgiveness !== null);
  return (
    <section aria-label="Forgiveness">
      <h3 className="font-[640]">Forgiveness: weak shots that still land inside</h3>
      {settings.length === 0 ? (
        <p className="text-ink-2">
          Nothing to say yet: it needs six good fletched shots and a called one at the same setting.
          Call weak shots before looking; they are kept for this.
        </p>
      ) : (
        <table className="w-full text-plain">
          <thead className="text-note text-ink-2">
            <tr>
              <th className={CELL}>Setting</th>
              <th className={CELL}>Weak</th>
              <th className={CELL}>Inside</th>
              <th className={CELL}>Share, 9 times in 10 between</th>
            </tr>
          </thead>
          <tbody>
            {settings.toReversed().map(({ madeBy, distanceM, forgiveness: found }) =>
              found === null ? null : (
                <tr key={`${madeBy?.index ?? ''}${distanceM}${found.withinMm}`}>
                  <td className={CELL}>
                    <Fractions
                      text={
                        madeBy === null ? 'As first shot' : `After ${sinceUpsetWords([madeBy])}`
                      }
                    />
                    , {distanceM} m; inside {showButtDistance(found.withinMm, unit)}
                  </td>
                  <td className={CELL}>{found.weak}</td>
                  <td className={CELL}>{found.inside}</td>
                  <td className={CELL}>
                    {showChance(found.low)} and {showChance(found.high)}
                  </td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Arrows({
  state,
  session,
  unit,
  store,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly unit: 'cm' | 'in';
  readonly store: (bodies: readonly EntryBody[]) => unknown;
}) {
  const arrows = byArrow(session.shots);
  const apart = shaftByShaft(state, session);
  const { sessionId } = session;
  const setAside = ({ arrow, arrowNumber }: ArrowRecord, aside: boolean) =>
    store([{ kind: 'shaftSetAside', sessionId, arrow, arrowNumber, aside }]);
  return (
    <section aria-label="Arrow by arrow">
      <h3 className="font-[640]">Arrow by arrow</h3>
      {arrows.length === 0 ? (
        <p className="text-ink-2">
          Number the shafts, and the one that lands elsewhere is found: take a shot in hand and
          press n and its number.
        </p>
      ) : (
        <ul className="text-plain">
          {arrows.map((one) => (
            <li key={`${one.arrow}${one.arrowNumber}`} className="border-b border-faint py-1.5">
              <b className="font-[640]">{one.arrowNumber}</b> {ARROW_SHORT[one.arrow].toLowerCase()}
              , {one.shots} {one.shots === 1 ? 'shot' : 'shots'}:{' '}
              {showButtDistance(one.outwardMm, unit)} {sideOf(one.outwardMm, state.bow.hand)},{' '}
              {showButtDistance(one.upMm, unit)} {one.upMm >= 0 ? 'high' : 'low'} of the others
              {apart?.kind === 'oneApart' &&
                apart.arrow === one.arrow &&
                apart.arrowNumber === one.arrowNumber && (
                  <b className="font-[640]">. Lands elsewhere: set it aside, look it over</b>
                )}
              {one.setAside && '. Set aside: counts for nothing'}{' '}
              <button
                type="button"
                className="link min-h-6 px-2 @max-tablet:min-h-11"
                onClick={() => setAside(one, !one.setAside)}
              >
                {one.setAside ? 'Count it again' : 'Set aside'}
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Points({
  state,
  session,
  unit,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly unit: 'cm' | 'in';
}) {
  const offsets = pointOffsets(state, session);
  if (offsets.length === 0) return null;
  return (
    <section aria-label="Points for use">
      <h3 className="font-[640]">Broadheads and target points against fletched</h3>
      <ul className="text-plain">
        {offsets.map((one) => (
          <li key={one.arrow} className="border-b border-faint py-1.5">
            {ARROW_SHORT[one.arrow]}, {one.shots} shots:{' '}
            {showButtInterval(one.outwardMm, one.outwardPlusMinusMm, unit)}{' '}
            {sideOf(one.outwardMm, state.bow.hand)},{' '}
            {showButtInterval(one.upMm, one.upPlusMinusMm, unit)} {one.upMm >= 0 ? 'high' : 'low'}
          </li>
        ))}
      </ul>
      <PointsVerdict standing={proofStanding(state, session)} />
    </section>
  );
}

/** Together or apart, and what is looked at before the bow is blamed. */
function PointsVerdict({ standing }: { readonly standing: ProofStanding }) {
  const { kind } = standing.next;
  return (
    <div className="mt-2 grid gap-1 text-plain">
      <p className="font-[640]">{proofSaysWords(standing)}</p>
      {kind === 'shoot' && <p>Two ends of both, three shots each, say more.</p>}
      {kind !== 'shoot' && kind !== 'proved' && (
        <>
          <p>Before the bow is blamed, look at:</p>
          <ul className="list-disc pl-5">
            {POINTS_LOOKED_AT.map(({ id, words }) => (
              <li key={id}>{words}</li>
            ))}
          </ul>
          <p>A session of the kind proof goes on from there, one move at a time.</p>
        </>
      )}
    </div>
  );
}
