/** What a bow is called; left empty, a free name stands in. */
export function NameField({
  name,
  free,
  onChange,
}: {
  readonly name: string;
  /** What it is called when nothing is typed. */
  readonly free: string;
  readonly onChange: (name: string) => void;
}) {
  return (
    <label>
      <span className="label">Name, if you like</span>
      <input
        className="field"
        value={name}
        maxLength={80}
        placeholder={free}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
