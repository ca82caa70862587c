/** A short text under its label. What is typed stays as typed. */
export function TextField({
  label,
  value,
  onChange,
  placeholder,
  decimal = false,
  longest = 12,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly placeholder?: string;
  /** A phone then offers its number keys. */
  readonly decimal?: boolean;
  readonly longest?: number;
}) {
  return (
    <label>
      <span className="label">{label}</span>
      <input
        className="field"
        inputMode={decimal ? 'decimal' : 'text'}
        value={value}
        placeholder={placeholder}
        maxLength={longest}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
