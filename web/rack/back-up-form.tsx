import { useState } from 'react';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { READINGS } from '#core/craft/readings.ts';
import { showNumber, showSigned } from '#core/quantity/show.ts';
import { showReading } from '#core/craft/show-reading.ts';
import { backUpOf } from '#core/setup/back-up.ts';
import type { BodyOf, EntryBody } from '#core/log/entry.ts';
import type { BowFacts } from '#core/log/entry.ts';
import { useBow } from '../bows/use-bow.ts';
import { Fractions } from '../ui/fractions.tsx';
import { NameField } from './name-field.tsx';
import { useMakeBow } from './use-make-bow.ts';

/** A back-up of a bow on the rack: its readings become the second bow's targets. */
export function BackUpForm({
  bowId,
  taken,
  onClose,
}: {
  readonly bowId: string;
  readonly taken: readonly string[];
  readonly onClose: () => void;
}) {
  const { state, error } = useBow(bowId);
  const makeBow = useMakeBow();
  const [name, setName] = useState('');
  if (error !== null)
    return <p className="text-stop">That bow cannot be read just now. Try again.</p>;
  if (state === null) return <p>Reading the bow…</p>;
  const free = freeBackUpName(state.bow.name, taken);
  const bodies = backUpOf(state, name.trim() === '' ? free : name.trim());
  const targets = bodies.filter((body): body is BodyOf<'targetSet'> => body.kind === 'targetSet');
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        makeBow(bodies);
      }}
    >
      <p>
        The plan leads the second bow to these. Twists and bolts are counted anew on it: gains
        differ from bow to bow.
      </p>
      {targets.length === 0 ? (
        <p>{state.bow.name} has no readings yet: the back-up starts from its school.</p>
      ) : (
        <table className="max-w-xl text-left">
          <tbody>
            {targets.map((target) => (
              <tr key={target.reading} className="border-b border-faint">
                <th scope="row" className="py-1 pr-6 font-[400]">
                  {target.reading === 'tiller' ? 'Tiller' : READINGS[target.reading].name}
                </th>
                <td className="py-1 font-[640]">
                  <Fractions text={bandWords(target, state.bow)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="max-w-xl">
        <NameField name={name} free={free} onChange={setName} />
      </div>
      <SheetActions>
        <button type="submit" className="btn-ink min-h-12 text-lead">
          Put it on the bench
        </button>
        <button type="button" className="link-btn" onClick={onClose}>
          Leave it
        </button>
      </SheetActions>
    </form>
  );
}

function bandWords(
  { reading, low, high }: Extract<EntryBody, { kind: 'targetSet' }>,
  bow: BowFacts,
): string {
  if (reading === 'tiller') return `${showSigned(low, 0)} to ${showSigned(high, 0)} mm`;
  const [from, to] = [showReading(reading, low, bow), showReading(reading, high, bow)];
  // A band narrower than the rule's own division is said in millimetres.
  return from === to ? `${showNumber(low, 1)} to ${showNumber(high, 1)} mm` : `${from} to ${to}`;
}

function freeBackUpName(first: string, taken: readonly string[]): string {
  for (let count = 2; ; count += 1) {
    const name = `${first} ${count}`;
    if (!taken.includes(name)) return name;
  }
}
