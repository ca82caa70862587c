import { useState } from 'react';
import { v7 as newId } from 'uuid';
import {
  partsAsCsv,
  type PartWithoutId,
  type ReadParts,
  readPartsCsv,
} from '#core/arrows/catalogue-file.ts';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import {
  type CataloguePart,
  type NamedPart,
  PART_KINDS,
  partOf,
} from '#core/craft/catalogue-part.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { LengthStyle } from '#core/quantity/show.ts';
import { PART_KIND_NAME, partWords } from '#core/words/arrows/part-words.ts';
import { partsAsJson, readPartsJson } from '#contract/parts-file.ts';
import { saveFile } from '../device/save-file.ts';
import { Fractions } from '../ui/fractions.tsx';
import { TextField } from '../ui/text-field.tsx';

/** The workshop’s own parts: put one on the arrow, take a file of them in, or out. */
export function PartsPanel({
  parts,
  build,
  style,
  massUnit,
  store,
  onUse,
}: {
  readonly parts: readonly NamedPart[];
  /** The arrow on the bench, whose parts may be kept. */
  readonly build: ArrowBuild;
  readonly style: LengthStyle;
  readonly massUnit: 'gr' | 'g';
  readonly store: (bodies: readonly EntryBody[]) => void;
  readonly onUse: (part: CataloguePart) => void;
}) {
  return (
    <div className="grid gap-5">
      {parts.length === 0 && <p>No parts are kept yet. Take a file in below.</p>}
      {PART_KINDS.map((kind) => {
        const ofKind = parts.filter(({ part }) => part.kind === kind);
        if (ofKind.length === 0) return null;
        return (
          <section key={kind} aria-label={PART_KIND_NAME[kind]}>
            <h3 className="border-b border-ink font-[640]">{PART_KIND_NAME[kind]}</h3>
            <ul>
              {ofKind.map(({ partId, name, part }) => (
                <li
                  key={partId}
                  className="flex flex-wrap items-baseline gap-x-3 border-b border-faint py-1"
                >
                  <span className="min-w-0 flex-1 wrap-anywhere">
                    {name}{' '}
                    <span className="text-note text-ink-2">
                      <Fractions text={partWords(part, { style, massUnit })} />
                    </span>
                  </span>
                  <button
                    type="button"
                    className="link-btn"
                    aria-label={`Put ${name} on the arrow`}
                    onClick={() => onUse(part)}
                  >
                    Use it
                  </button>
                  <button
                    type="button"
                    className="link-btn"
                    aria-label={`Take ${name} out of the catalogue`}
                    onClick={() => store([{ kind: 'partDropped', partId }])}
                  >
                    Drop
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      <KeepPart build={build} store={store} />
      <TakeParts parts={parts} store={store} />
      {parts.length > 0 && (
        <div className="flex flex-wrap gap-x-3">
          <button
            type="button"
            className="link-btn"
            onClick={() => saveFile('parts.csv', 'text/csv', partsAsCsv(parts))}
          >
            Save as CSV
          </button>
          <button
            type="button"
            className="link-btn"
            onClick={() => saveFile('parts.json', 'application/json', partsAsJson(parts))}
          >
            Save as JSON
          </button>
        </div>
      )}
    </div>
  );
}

/** A part of the arrow on the bench, kept under a name. */
function KeepPart({
  build,
  store,
}: {
  readonly build: ArrowBuild;
  readonly store: (bodies: readonly EntryBody[]) => void;
}) {
  const [name, setName] = useState('');
  const said = name.trim();
  return (
    <section aria-label="From the arrow on the bench">
      <h3 className="font-[640]">From the arrow on the bench</h3>
      <TextField label="Name of the part" value={name} longest={60} onChange={setName} />
      <div className="flex flex-wrap gap-x-3">
        {PART_KINDS.map((kind) => {
          const part = partOf(build, kind);
          return (
            part !== null && (
              <button
                key={kind}
                type="button"
                className="link-btn disabled:opacity-50"
                disabled={said === ''}
                onClick={() => {
                  store([{ kind: 'partKept', partId: newId(), name: said, part }]);
                  setName('');
                }}
              >
                Keep its {kind}
              </button>
            )
          );
        })}
      </div>
    </section>
  );
}

/** A file of parts taken in: what is new is kept, and what cannot be read is named. */
function TakeParts({
  parts,
  store,
}: {
  readonly parts: readonly NamedPart[];
  readonly store: (bodies: readonly EntryBody[]) => void;
}) {
  const [said, setSaid] = useState<(ReadParts & { readonly taken: number }) | null>(null);
  const take = async (file: File) => {
    const text = await file.text();
    const read = file.name.toLowerCase().endsWith('.json')
      ? readPartsJson(text)
      : readPartsCsv(text);
    const fresh = read.parts.filter((one) => !parts.some((known) => isSamePart(known, one)));
    if (fresh.length > 0)
      store(fresh.map(({ name, part }) => ({ kind: 'partKept', partId: newId(), name, part })));
    setSaid({ ...read, taken: fresh.length });
  };
  return (
    <section aria-label="In from a file">
      <h3 className="font-[640]">In from a file</h3>
      <p className="text-ink-2">
        A table (CSV) whose first line names the columns, as it goes out below, or the JSON file.
        What is there already is not taken twice.
      </p>
      <input
        type="file"
        accept=".csv,.json,text/csv,application/json"
        aria-label="File of parts"
        className="mt-2 min-h-11 w-full text-plain file:mr-3 file:min-h-11 file:border file:border-ink file:px-4"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file !== undefined) void take(file);
          event.target.value = '';
        }}
      />
      <div role="status" data-testid="parts-said">
        {said !== null && (
          <p className="mt-2">
            {said.taken} {said.taken === 1 ? 'part' : 'parts'} taken.
          </p>
        )}
        {said !== null && said.problems.length > 0 && (
          <ul className="text-note text-stop">
            {said.problems.slice(0, 8).map(({ place, column, says }) => (
              <li key={`${place} ${column}`}>
                {place}
                {column === '' ? '' : `, ${column}`}: {says}. The others are taken.
              </li>
            ))}
            {said.problems.length > 8 && <li>And {said.problems.length - 8} more.</li>}
          </ul>
        )}
      </div>
    </section>
  );
}

/** The same part by the same name: a file that is taken in twice adds nothing. */
function isSamePart(known: PartWithoutId, other: PartWithoutId): boolean {
  return partsAsCsv([known]) === partsAsCsv([other]);
}
