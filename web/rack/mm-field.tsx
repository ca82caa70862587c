import { useId } from 'react';
import { readAmounts } from '#core/quantity/read-amounts.ts';

/** A figure in millimetres that may be left open. */
export function MmField({
  label,
  text,
  problem,
  onChange,
}: {
  readonly label: string;
  readonly text: string;
  /** What is wrong with it; null where nothing is. */
  readonly problem: string | null;
  readonly onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <label>
      <span className="label">{label}</span>
      <input
        className="field w-32"
        inputMode="decimal"
        value={text}
        aria-invalid={problem !== null}
        aria-describedby={problem === null ? undefined : id}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem !== null && (
        <span id={id} role="alert" className="mt-1.5 block text-note text-stop">
          {problem}
        </span>
      )}
    </label>
  );
}

/** Millimetres as typed; undefined where nothing was, null where it cannot be. */
export function mmTyped(
  text: string,
  [low, high]: readonly [number, number],
): number | undefined | null {
  if (text.trim() === '') return undefined;
  const read = readAmounts(text);
  const [amount, more] = read.ok ? read.amounts : [];
  if (amount === undefined || more !== undefined || (amount.unit ?? 'mm') !== 'mm') return null;
  return amount.value >= low && amount.value <= high ? amount.value : null;
}
