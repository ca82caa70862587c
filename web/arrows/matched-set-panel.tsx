import { useMemo, useState } from 'react';
import { readLot } from '#core/arrows/lot-table.ts';
import { AS_IT_COSTS, type WeighedShaft } from '#core/arrows/matched-set.ts';
import { speedGuess } from '#core/arrows/speed-guess.ts';
import { spreadCosts } from '#core/arrows/spread-costs.ts';
import { presentWeightN } from '#core/gains/present-weight.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { medianOf } from '#core/numeric/moments.ts';
import { showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { useMatchedSet } from '../workers/matched-set-door.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { TextField } from '../ui/text-field.tsx';

/** An ordinary arrow of an ordinary bow, until this one is weighed, m/s. */
const USUAL_SPEED_MPS = 55;

/** The shafts of a lot that shoot most alike, from what is pasted of them. */
export function MatchedSetPanel({
  state,
  massUnit,
}: {
  readonly state: BowState;
  readonly massUnit: 'gr' | 'g';
}) {
  const [text, setText] = useState('');
  const [count, setCount] = useState('6');
  const [distance, setDistance] = useState('18');
  const [weights, setWeights] = useState(AS_IT_COSTS);
  const { shafts, problems } = useMemo(() => readLot(text, massUnit), [text, massUnit]);
  const wanted = Number(count);
  const distanceM = Number(distance.replace(',', '.'));
  const isWanted = Number.isInteger(wanted) && wanted >= 2 && wanted <= shafts.length;
  const isDistance = distanceM >= 5 && distanceM <= 120;
  const weightN = presentWeightN(state);
  const asked = useMemo(() => {
    if (!isWanted || !isDistance) return null;
    const massG = medianOf(shafts.map((one) => one.massG));
    const speedMps = weightN === null ? USUAL_SPEED_MPS : speedGuess(massG, weightN).speedMps;
    return {
      lot: shafts,
      count: wanted,
      costs: spreadCosts(distanceM, { massG, speedMps }),
      weights,
    };
  }, [shafts, wanted, distanceM, isWanted, isDistance, weightN, weights]);
  const found = useMatchedSet(asked);
  return (
    <div className="grid gap-4">
      <label>
        <span className="label">
          Shafts, one a line: name, mass ({massUnit}), spine, run-out in mm. Paste a column of a
          spreadsheet, or type.
        </span>
        <textarea
          className="field min-h-40 border p-2"
          value={text}
          spellCheck={false}
          placeholder={'1, 182.4, 502, 0.05\n2, 183.1, 498, 0.10'}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-4">
        <TextField decimal label="How many" value={count} onChange={setCount} />
        <TextField decimal label="Shot at, m" value={distance} onChange={setDistance} />
      </div>
      <div className="flex flex-wrap gap-x-8 gap-y-2">
        {COUNTED.map(({ by, label }) => (
          <ChoiceRow
            key={by}
            label={label}
            value={String(weights[by])}
            options={COUNTS}
            onChange={(value) => setWeights({ ...weights, [by]: Number(value) })}
          />
        ))}
      </div>
      {problems.length > 0 && (
        <ul className="text-note text-stop" role="alert" data-testid="lot-problems">
          {problems.slice(0, 8).map(({ line, column, says }) => (
            <li key={line}>
              Line {line}, {column}: {says}. The other lines are taken.
            </li>
          ))}
          {problems.length > 8 && <li>And {problems.length - 8} more lines.</li>}
        </ul>
      )}
      {shafts.length > 0 && !isWanted && (
        <p className="text-stop" role="alert">
          How many: a whole number from 2 to {shafts.length}, as many as could be read.
        </p>
      )}
      {!isDistance && (
        <p className="text-stop" role="alert">
          Shot at: 5 to 120 m.
        </p>
      )}
      {asked !== null && found === null && <p role="status">Looking for the set…</p>}
      {found !== null && (
        <Found shafts={shafts} found={found} distanceM={distanceM} massUnit={massUnit} />
      )}
    </div>
  );
}

const COUNTED = [
  { by: 'mass', label: 'Mass counts' },
  { by: 'spine', label: 'Spine counts' },
  { by: 'runOut', label: 'Straightness counts' },
] as const;
const COUNTS = [
  { value: '0', label: 'not' },
  { value: '1', label: 'as it costs' },
  { value: '3', label: 'threefold' },
];

function Found({
  shafts,
  found,
  distanceM,
  massUnit,
}: {
  readonly shafts: readonly WeighedShaft[];
  readonly found: NonNullable<ReturnType<typeof useMatchedSet>>;
  readonly distanceM: number;
  readonly massUnit: 'gr' | 'g';
}) {
  const chosen = shafts.filter(({ shaft }) => found.shafts.includes(shaft));
  const mass = (massG: number) =>
    showNumber(fromStored(massG, massUnit), massUnit === 'gr' ? 1 : 2);
  return (
    <section aria-label="The set" data-testid="matched-set">
      <p className="text-head font-[600]">{found.shafts.join(', ')}</p>
      <p>
        What still differs in them costs {showNumber(found.spreadMm, 0)} mm at{' '}
        {showNumber(distanceM, 0)} m, bare; fletched less.
      </p>
      {found.outliers.length > 0 && (
        <p className="mt-1">
          Far from the rest: {found.outliers.join(', ')}. Weigh again, or keep apart.
        </p>
      )}
      <table className="mt-3 w-full text-row">
        <thead>
          <tr className="border-b border-ink text-left">
            <th scope="col">Shaft</th>
            <th scope="col">Mass, {massUnit}</th>
            <th scope="col">Spine</th>
            <th scope="col">Run-out, mm</th>
          </tr>
        </thead>
        <tbody>
          {chosen.map(({ shaft, massG, spine, runOutMm }) => (
            <tr key={shaft} className="border-b border-faint">
              <td>{shaft}</td>
              <td>{mass(massG)}</td>
              <td>{spine ?? '–'}</td>
              <td>{runOutMm ?? '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
