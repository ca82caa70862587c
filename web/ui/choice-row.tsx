import { RadioGroup } from 'radix-ui';
import { useId } from 'react';
import { Fractions } from './fractions.tsx';

/** One question with a few answers side by side; the chosen one is underlined and bold. */
export function ChoiceRow<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}) {
  const id = useId();
  return (
    <div>
      <span className="label" id={id}>
        {label}
      </span>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(chosen) => {
          const option = options.find((one) => one.value === chosen);
          if (option !== undefined) onChange(option.value);
        }}
        className="flex flex-wrap gap-x-5"
      >
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="min-h-11 border-b-2 border-transparent text-left text-brand data-[state=checked]:border-ink data-[state=checked]:font-[680]"
          >
            <Fractions text={option.label} />
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
