import { useState } from 'react';
import { CARE_FACTS, type CareInterval, type CareJob } from '#core/craft/care-jobs.ts';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { TextField } from '../ui/text-field.tsx';

const MOST = { days: 3650, shots: 100_000 } as const;

/** How often a kind of care is due on this bow. */
export function IntervalForm({
  job,
  interval,
  onSet,
  onClose,
}: {
  readonly job: CareJob;
  readonly interval: CareInterval;
  readonly onSet: (interval: CareInterval) => void;
  readonly onClose: () => void;
}) {
  const [days, setDays] = useState(interval.days?.toString() ?? '');
  const [shots, setShots] = useState(interval.shots?.toString() ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    const read = { days: readCount(days, MOST.days), shots: readCount(shots, MOST.shots) };
    if (read.days === 'wrong' || read.shots === 'wrong') {
      setProblem(
        `Whole numbers: 1 to ${MOST.days} days, 1 to ${MOST.shots} shots. Empty: not by that.`,
      );
      return;
    }
    onSet({ days: read.days, shots: read.shots });
    onClose();
  };
  return (
    <SheetDialog
      title={CARE_FACTS[job].name}
      description="How often, whichever comes first."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-2 gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <TextField label="After days" value={days} decimal longest={5} onChange={setDays} />
        <TextField label="After shots" value={shots} decimal longest={7} onChange={setShots} />
        {problem !== null && (
          <p className="col-span-full text-stop" role="alert">
            {problem}
          </p>
        )}
        <SheetActions>
          <button type="submit" className="btn-ink">
            Set it
          </button>
        </SheetActions>
      </form>
    </SheetDialog>
  );
}

function readCount(text: string, most: number): number | null | 'wrong' {
  if (text.trim() === '') return null;
  const count = Number(text);
  return Number.isInteger(count) && count >= 1 && count <= most ? count : 'wrong';
}
