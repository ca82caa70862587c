import { useState, useSyncExternalStore } from 'react';
import type { RackBow } from '#contract/rack.ts';
import { takenInWords } from '#core/words/import-words.ts';
import { timeNow } from '../device/device-time.ts';
import { outboxNow, subscribeOutbox } from '../outbox/outbox.ts';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { ImportPreview } from './import-preview.tsx';
import { saveWorkshop } from './save-workshop.ts';
import { useFileImport } from './use-file-import.ts';

/** The workshop or one bow as a file, out and in. */
export function FilesSheet({
  bows,
  onClose,
  onTaken,
}: {
  readonly bows: readonly RackBow[];
  readonly onClose: () => void;
  readonly onTaken: () => void;
}) {
  return (
    <SheetDialog
      title="Files"
      description="Everything a bow’s record holds in one open file: to keep elsewhere, to hand on, to take in."
      onClose={onClose}
    >
      <div className="grid gap-6">
        <SaveOut bows={bows} />
        <TakeIn onTaken={onTaken} />
      </div>
    </SheetDialog>
  );
}

type Said = { readonly kind: 'saved' | 'failed'; readonly words: string } | null;

function SaveOut({ bows }: { readonly bows: readonly RackBow[] }) {
  const [bowId, setBowId] = useState('');
  const [said, setSaid] = useState<Said>(null);
  const [busy, setBusy] = useState(false);
  const waiting = useSyncExternalStore(subscribeOutbox, () => outboxNow().waiting.length);
  const save = async () => {
    setBusy(true);
    setSaid(null);
    try {
      const bow = bows.find((one) => one.bowId === bowId) ?? null;
      setSaid({ kind: 'saved', words: await saveWorkshop(bow, new Date(timeNow())) });
    } catch (error) {
      const says = error instanceof Error ? error.message : 'It failed.';
      setSaid({ kind: 'failed', words: `Nothing was saved: ${says}` });
    }
    setBusy(false);
  };
  return (
    <section aria-label="Save as a file">
      <h3 className="font-[640]">Save as a file</h3>
      <div className="mt-1 grid grid-cols-1 items-end gap-x-4 gap-y-2 @form:grid-cols-[1fr_auto]">
        <label>
          <span className="label">What</span>
          <select
            className="field"
            value={bowId}
            onChange={({ target }) => {
              setBowId(target.value);
              setSaid(null);
            }}
          >
            <option value="">The whole workshop, {bows.length} bows</option>
            {bows.map((bow) => (
              <option key={bow.bowId} value={bow.bowId}>
                {bow.name}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn-ink" disabled={busy} onClick={() => void save()}>
          Save
        </button>
      </div>
      <p className="mt-1 text-note text-ink-2">
        A zip of plain text, a line an entry, with the pictures that were kept.
        {waiting > 0 &&
          ` ${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} in this browser and ${waiting === 1 ? 'is' : 'are'} not in it yet.`}
      </p>
      <p role="status" className={said?.kind === 'failed' ? 'text-stop' : ''}>
        {busy ? 'Writing the file…' : (said?.words ?? '')}
      </p>
    </section>
  );
}

function TakeIn({ onTaken }: { readonly onTaken: () => void }) {
  const { importing, choose, take, stopTaking, drop } = useFileImport(onTaken);
  return (
    <section aria-label="Take in from a file">
      <h3 className="font-[640]">Take in from a file</h3>
      <p className="text-ink-2">
        It is looked through first. What is here is never written over, and all that you choose is
        taken or nothing.
      </p>
      <input
        type="file"
        accept=".zip,application/zip"
        aria-label="File of bows"
        className="mt-2 min-h-11 w-full text-plain file:mr-3 file:min-h-11 file:border file:border-ink file:px-4"
        disabled={importing.kind === 'taking'}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file !== undefined) void choose(file);
          event.target.value = '';
        }}
      />
      <div role="status" className="mt-2">
        {importing.kind === 'sending' && (
          <UnderWay words={`Sending ${importing.fileName}…`} share={null} onCancel={drop} />
        )}
        {importing.kind === 'reading' && (
          <UnderWay
            words={`Reading: ${importing.progress.entries.toLocaleString('en')} entries so far.`}
            share={importing.progress.share}
            onCancel={drop}
          />
        )}
        {importing.kind === 'taking' && (
          <UnderWay
            words={
              importing.isCancelling === true
                ? 'Cancelling…'
                : `Taking in: ${importing.progress.entries.toLocaleString('en')} entries so far.`
            }
            share={importing.progress.share}
            onCancel={() => stopTaking(importing.importId)}
          />
        )}
        {importing.kind === 'taken' && <p>{takenInWords(importing.taken)}</p>}
        {importing.kind === 'bad' && (
          <p className="wrap-anywhere text-stop">
            {importing.bad.place}: {importing.bad.says} Nothing was changed. {importing.bad.remedy}
          </p>
        )}
        {importing.kind === 'failed' && <p className="text-stop">{importing.says}</p>}
      </div>
      {importing.kind === 'ready' && (
        <ImportPreview
          plan={importing.plan}
          onTake={(bows) => void take(importing.importId, bows)}
          onDrop={drop}
        />
      )}
    </section>
  );
}

function UnderWay({
  words,
  share,
  onCancel,
}: {
  readonly words: string;
  readonly share: number | null;
  readonly onCancel: () => void;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <label className="min-w-40 flex-1">
        <span className="block">{words}</span>
        <progress className="w-full" max={1} value={share ?? undefined} />
      </label>
      <button type="button" className="link-btn" onClick={onCancel}>
        Cancel, change nothing
      </button>
    </div>
  );
}
