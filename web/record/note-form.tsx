import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { PICTURE_TYPES } from '#contract/picture.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { RefusedByServer } from '../api/http.ts';
import { keepPicture } from '../api/keep-picture.ts';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';

const MOST_TEXT = 2000;
const MOST_PICTURES = 6;

/** A note of one's own, with pictures beside it. The pictures go first: a note never names one that is not there. */
export function NoteForm({
  bowId,
  onStore,
  onClose,
}: {
  readonly bowId: string;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [pictures, setPictures] = useState<readonly File[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const keep = async () => {
    if (text.trim() === '') {
      setProblem('Write what it is about; a picture alone says little in a year.');
      return;
    }
    setSending(true);
    try {
      const pictureIds: string[] = [];
      for (const picture of pictures) {
        const pictureId = newId();
        await keepPicture(bowId, pictureId, picture);
        pictureIds.push(pictureId);
      }
      onStore([
        { kind: 'note', text: text.trim(), ...(pictureIds.length === 0 ? {} : { pictureIds }) },
      ]);
      onClose();
    } catch (error) {
      const why =
        error instanceof RefusedByServer
          ? error.message
          : 'The pictures could not be sent: the server does not answer.';
      setProblem(`${why} The note is still here; without pictures it can be kept now.`);
    }
    setSending(false);
  };
  return (
    <SheetDialog title="Note" description="What no reading says." onClose={onClose}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <label>
          <span className="label">Note</span>
          <textarea
            className="field min-h-32"
            value={text}
            maxLength={MOST_TEXT}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <label>
          <span className="label">Pictures, at most {MOST_PICTURES}</span>
          <input
            className="block min-h-11 w-full"
            type="file"
            multiple
            accept={PICTURE_TYPES.join()}
            onChange={({ target }) => {
              const chosen = [...(target.files ?? [])];
              setPictures(chosen.slice(0, MOST_PICTURES));
              setProblem(
                chosen.length > MOST_PICTURES
                  ? `The first ${MOST_PICTURES} of ${chosen.length} pictures are taken; the others belong to a note of their own.`
                  : null,
              );
            }}
          />
        </label>
        {problem !== null && (
          <p className="text-stop" role="alert">
            {problem}
          </p>
        )}
        <SheetActions>
          <button type="submit" className="btn-ink" disabled={sending}>
            {sending ? 'Sending the pictures…' : 'Keep the note'}
          </button>
          {problem !== null && pictures.length > 0 && (
            <button type="button" className="link-btn" onClick={() => setPictures([])}>
              Leave the pictures out
            </button>
          )}
        </SheetActions>
      </form>
    </SheetDialog>
  );
}
