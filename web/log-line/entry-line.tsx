import { type RefObject, useId } from 'react';
import type { EntryLine as Read } from '#core/entry-line/entry-line.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { STANDING_WORDS, useStanding } from '../outbox/use-standing.ts';
import { Fractions } from '../ui/fractions.tsx';

/** What was entered last. */
interface Stored {
  readonly ids: readonly string[];
  readonly words: string;
  readonly undo: () => void;
}

/** The line everything can be typed into. It keeps the text until it is stored or cleared. */
export function EntryLine({
  text,
  read,
  stored,
  placeholder,
  inputRef,
  onText,
  onStore,
}: {
  readonly text: string;
  readonly read: Read;
  /** What was stored last, with its undo; shown while the line is empty. */
  readonly stored: Stored | null;
  readonly placeholder: string;
  readonly inputRef: RefObject<HTMLInputElement | null>;
  readonly onText: (text: string) => void;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
}) {
  const echoId = useId();
  return (
    <form
      className="no-print flex min-h-15 shrink-0 items-center gap-x-4 gap-y-1 border-t border-ink bg-sheet px-4 py-1 low:sticky low:bottom-0 low:z-10 low:min-h-12 low:py-0 very-low:static @max-tablet:flex-wrap @tablet:px-7"
      onSubmit={(event) => {
        event.preventDefault();
        if (read.kind === 'ready') onStore(read.bodies);
      }}
    >
      <label
        htmlFor="entry-line"
        className="grid size-6 shrink-0 place-items-center rounded-[2px] border border-ink text-note @max-tablet:hidden"
      >
        <span aria-hidden>/</span>
        <span className="visually-hidden">Entry line</span>
      </label>
      <input
        id="entry-line"
        ref={inputRef}
        aria-label="Entry line"
        aria-describedby={echoId}
        aria-invalid={read.kind === 'refused'}
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        className="h-11 w-full min-w-0 bg-transparent px-1.5 text-entry font-[520] outline-offset-0 @tablet:w-60 @tablet:shrink-0"
        placeholder={placeholder}
        value={text}
        onChange={(event) => onText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            if (text === '') event.currentTarget.blur();
            else onText('');
          }
          if (event.key === 'Tab' && !event.shiftKey && read.kind === 'typing') {
            const completion = read.completions[0];
            if (completion !== undefined && completion.code !== text.trim()) {
              event.preventDefault();
              onText(`${completion.code} `);
            }
          }
        }}
      />
      <div id={echoId} role="status" className="min-w-0 flex-1 leading-[1.3]" data-testid="echo">
        <Echo
          read={read}
          text={text}
          stored={stored}
          onStore={onStore}
          onText={(next) => {
            onText(next);
            inputRef.current?.focus();
          }}
        />
      </div>
      {read.kind === 'ready' && (
        <button type="submit" className="link-btn shrink-0">
          Enter stores it
        </button>
      )}
    </form>
  );
}

/** "Logged" is said of what is on the server's disk, and of nothing else. */
function StoredWords({ stored }: { readonly stored: Stored }) {
  const standing = useStanding(stored.ids);
  const isLost = standing === 'inPage' || standing === 'refused';
  return (
    <>
      <b className={`font-[640] ${isLost ? 'text-stop' : ''}`}>{STANDING_WORDS[standing]}</b>{' '}
      <Fractions text={stored.words} />{' '}
      {standing !== 'refused' && (
        <button
          type="button"
          className="link min-h-6 font-[560] @max-tablet:min-h-11"
          onClick={stored.undo}
        >
          Undo
        </button>
      )}
    </>
  );
}

function Echo({
  read,
  text,
  stored,
  onStore,
  onText,
}: {
  readonly read: Read;
  readonly text: string;
  readonly stored: Stored | null;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
  readonly onText: (text: string) => void;
}) {
  switch (read.kind) {
    case 'empty':
      if (stored === null)
        return (
          <span className="text-ink-2">A reading, a change or a note. ? lists the codes.</span>
        );
      return (
        <>
          <StoredWords stored={stored} />
        </>
      );
    case 'typing':
      return (
        <>
          <b className="font-[640]">{read.title}</b>
          <br />
          <span className="text-note text-ink-2">
            <Fractions text={read.hint} />
          </span>
        </>
      );
    case 'ready':
      return (
        <>
          <b className="font-[640]">{read.title}</b>{' '}
          <span className="font-[640]">
            <Fractions text={read.figure} />
          </span>
          <br />
          <span className="text-note text-ink-2">
            <Fractions text={read.notes.join(' ')} />
          </span>
        </>
      );
    case 'question':
      return (
        <span className="flex flex-wrap items-center gap-x-3" role="group" aria-label={read.asks}>
          <b className="font-[640]">
            <Fractions text={read.asks} />
          </b>
          {read.choices.map((choice) => (
            <button
              key={choice.label}
              type="button"
              className="link min-h-8 @max-tablet:min-h-11"
              onClick={() =>
                choice.bodies.length > 0 ? onStore(choice.bodies) : onText(choice.text)
              }
            >
              <Fractions text={choice.label} />
            </button>
          ))}
        </span>
      );
    case 'refused': {
      const { at, length, says, remedy } = read.refusal;
      const { way } = read;
      return (
        <span className="text-stop">
          <span className="mr-3 font-[560] whitespace-pre text-ink" data-testid="pointed">
            {text.slice(0, at)}
            <mark className="bg-transparent text-stop underline decoration-2 underline-offset-3">
              {text.slice(at, at + length) || '…'}
            </mark>
            {text.slice(at + length)}
          </span>
          <b className="font-[640]">
            <Fractions text={says} />
          </b>
          <br />
          <span className="text-note">
            <Fractions text={remedy} />
            {way !== undefined && (
              <>
                {' '}
                <button
                  type="button"
                  className="link min-h-6 text-ink @max-tablet:min-h-11"
                  onClick={() => onText(way.text)}
                >
                  {way.label}
                </button>
              </>
            )}
          </span>
        </span>
      );
    }
  }
}
