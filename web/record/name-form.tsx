import { useState } from 'react';
import { TextField } from '../ui/text-field.tsx';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';

/** A name for the bow as it was at a moment. */
export function NameForm({
  when,
  taken,
  onName,
  onClose,
}: {
  readonly when: string;
  /** Names that are given already. */
  readonly taken: readonly string[];
  readonly onName: (name: string) => void;
  readonly onClose: () => void;
}) {
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    const wanted = name.trim();
    if (wanted === '') setProblem('A name, so that it can be found: what it was for, and when.');
    else if (taken.includes(wanted))
      setProblem(`“${wanted}” is another state of this bow already.`);
    else {
      onName(wanted);
      onClose();
    }
  };
  return (
    <SheetDialog
      title="Name this state"
      description={`The bow as it was ${when}.`}
      onClose={onClose}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <TextField label="Name" value={name} longest={80} onChange={setName} />
        {problem !== null && (
          <p className="text-stop" role="alert">
            {problem}
          </p>
        )}
        <SheetActions>
          <button type="submit" className="btn-ink">
            Keep the name
          </button>
        </SheetActions>
      </form>
    </SheetDialog>
  );
}
