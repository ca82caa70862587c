import { otherSchools } from '#core/priors/school-values.ts';
import { READINGS } from '#core/craft/readings.ts';
import type { StepId } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showExact } from '#core/quantity/show.ts';
import { targetFor, USUAL_SHAFT_DIAMETER_MM } from '#core/setup/targets.ts';

const OF_STEP: Partial<Record<StepId, 'tiller' | 'centreShotAtPoint'>> = {
  roughTiller: 'tiller',
  centreShot: 'centreShotAtPoint',
};

/** Where schools disagree: the recommended band with its reason, and the others', each to be taken. */
export function SchoolValues({
  state,
  step,
  onStore,
}: {
  readonly state: BowState;
  readonly step: StepId;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
}) {
  const reading = OF_STEP[step];
  const target = reading === undefined ? null : targetFor(state, reading);
  const others = otherSchools(
    state.bow,
    state.bow.arrow?.diameterMm ?? USUAL_SHAFT_DIAMETER_MM,
  ).filter((one) => one.reading === reading);
  if (reading === undefined || target === null || others.length === 0) return null;
  const band = ({ low, high }: { readonly low: number; readonly high: number }) =>
    `${showExact(low)} to ${showExact(high)} mm`;
  return (
    <section className="mt-4 border-t border-faint pt-3" aria-label="Where schools disagree">
      <h3 className="font-[640]">Where schools disagree</h3>
      <p>
        {target.source === 'this bow' ? 'In use' : 'Recommended'}: {band(target)}, {target.name}.{' '}
        {target.why}
      </p>
      <ul>
        {others.map((other) => (
          <li
            key={other.name}
            className="flex flex-wrap items-baseline gap-x-3 border-b border-faint py-1.5"
          >
            <span className="min-w-0 flex-1">
              <b className="font-[560]">{band(other)}</b>, {other.name}. {other.why}
            </span>
            <button
              type="button"
              className="link min-h-11"
              aria-label={`Begin with ${reading === 'tiller' ? 'tiller' : READINGS[reading].name.toLowerCase()} ${other.name}`}
              onClick={() =>
                onStore([
                  {
                    kind: 'targetSet',
                    reading,
                    low: other.low,
                    high: other.high,
                    name: other.name,
                    why: other.why,
                  },
                ])
              }
            >
              Begin with this
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
