import type { BowState } from '#core/log/bow-state.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { farOutWords, verdictWords } from '#core/words/verdict-words.ts';
import { sessionPriors } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { toleranceWords } from '#core/words/tolerance-words.ts';
import { showNumber, showChance } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { EvidenceList } from './evidence-list.tsx';
import { LandingLine } from './landing-line.tsx';
import { useNeeded } from './use-needed.ts';

/** The verdict: plain words first, figures second, the method on request. */
export function VerdictPanel({
  state,
  session,
  verdict,
  unit,
  onLanding,
}: {
  readonly state: BowState;
  readonly session: ShootingSession;
  readonly verdict: BareShaftVerdict;
  readonly unit: 'cm' | 'in';
  /** Where the bare shafts land becomes what they are tuned to. */
  readonly onLanding: (landing: { readonly outwardMm: number; readonly upMm: number }) => void;
}) {
  const priors = sessionPriors(state, session);
  const needed = useNeeded(state, session, verdict);
  const words = verdictWords(verdict, { hand: state.bow.hand, unit, needed });
  return (
    <section aria-label="Verdict" aria-live="polite" data-testid="verdict">
      <p className="text-title leading-[1.14] font-[520] [font-stretch:88%] @tablet:text-figure">
        {words.says} {words.figure !== null && <b className="font-[720]">{words.figure}</b>}
      </p>
      {words.also.map((line) => (
        <p key={line} className="mt-1 text-sub leading-snug">
          {line}
        </p>
      ))}
      <EvidenceList state={state} session={session} verdict={verdict} />
      {verdict.farOutShotIds.length > 0 && (
        <p className="mt-1">{farOutWords(verdict.farOutShotIds.length)}</p>
      )}
      <details className="mt-1 text-note text-ink-2">
        <summary className="min-h-6 cursor-pointer content-center @max-tablet:-my-1 @max-tablet:min-h-11">
          {words.how}
        </summary>
        <p className="mt-1">
          Tolerance {toleranceWords(verdict.outward.toleranceMm, verdict.up.toleranceMm, unit)} (
          {session.toleranceWhy}). Out is said at 95 % on one side, inside at 80 %. It holds when
          two looks, each a whole end, agree at 97.5 %. Bare shafts may scatter 1 to 2.5 times as
          much as fletched; that is reckoned with.
          {priors.outward.scatter.degrees > 0
            ? ` Your earlier groups count as 6 shots: ${showNumber(fromStored(priors.outward.scatter.sdMm, unit), 1)} ${unit} across, ${showNumber(fromStored(priors.up.scatter.sdMm, unit), 1)} ${unit} up and down.`
            : ' No earlier groups to lean on.'}
        </p>
        <Chances verdict={verdict} />
        <LandingLine
          state={state}
          session={session}
          verdict={verdict}
          unit={unit}
          onLanding={onLanding}
        />
      </details>
    </section>
  );
}

function Chances({ verdict }: { readonly verdict: BareShaftVerdict }) {
  const rows = [
    { name: 'Across', odds: verdict.outward.odds },
    { name: 'Up and down', odds: verdict.up.odds },
  ];
  return (
    <ul className="mt-1">
      {rows.map(({ name, odds }) => (
        <li key={name}>
          {odds === null
            ? `${name}: too few shots.`
            : `${name}: inside ${showChance(odds.inside)}, out one way ${showChance(odds.plus)}, the other ${showChance(odds.minus)}.`}
        </li>
      ))}
    </ul>
  );
}
