import { useState } from 'react';
import { readCard } from '#core/card/card-text.ts';
import { CARD_REFUSAL_WORDS } from '#core/words/card-words.ts';
import { readCardPhoto } from './read-card-photo.ts';

/** A card’s text, pasted or read off a photograph of its code. */
export function CardField({
  text,
  onText,
}: {
  readonly text: string;
  readonly onText: (text: string) => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const read = readCard(text);
  const take = async (photo: File) => {
    const found = await readCardPhoto(photo);
    setProblem(found.kind === 'read' ? null : CARD_PHOTO_WORDS[found.kind]);
    if (found.kind === 'read') onText(found.text);
  };
  return (
    <div className="col-span-full grid gap-2 pt-2">
      <label>
        <span className="label">The card’s text</span>
        <textarea
          className="field min-h-20"
          value={text}
          maxLength={2000}
          onChange={(event) => onText(event.target.value)}
        />
      </label>
      <label>
        <span className="label">or a photograph of its code</span>
        <input
          className="block min-h-11 w-full"
          type="file"
          accept="image/*"
          onChange={({ target }) => {
            const [photo] = target.files ?? [];
            if (photo !== undefined) void take(photo);
          }}
        />
      </label>
      <p className={problem === null ? 'text-ink-2' : 'text-stop'} role="status">
        {problem ??
          (text.trim() === ''
            ? ''
            : read.kind === 'read'
              ? `${read.card.bowName}${read.card.stateName === '' ? '' : `, ${read.card.stateName}`}, ${read.card.day}`
              : CARD_REFUSAL_WORDS[read.why])}
      </p>
    </div>
  );
}

const CARD_PHOTO_WORDS = {
  noPicture: 'This file is no picture that can be opened here.',
  noCode: 'No code is seen on this photograph. Nearer, flat, and in good light; or paste the text.',
} as const;
