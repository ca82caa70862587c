import { useEffect, useMemo, useState } from 'react';
import { z } from 'zod';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { BUILD_FIELD_IDS, type BuildFieldId } from '#core/arrows/build-fields.ts';
import {
  type BuildStyle,
  type ReadBuild,
  readBuild,
  type TypedBuild,
  typedBuild,
} from '#core/entry-line/read-build.ts';
import { isSameBuild } from '#core/arrows/workshop-builds.ts';
import { forget, remember, remembered } from '../device/device-store.ts';

/** An arrow as it is being worked at: as kept, or changed and not kept yet. */
export interface ArrowDraft {
  readonly name: string;
  readonly typed: TypedBuild;
  readonly read: ReadBuild;
  /** What was typed, as far as it could be read: what is drawn and reckoned with. */
  readonly build: ArrowBuild;
  /** It differs from what it began as, in parts or name. */
  readonly isChanged: boolean;
  readonly problemOf: (id: BuildFieldId) => string | null;
  readonly setName: (name: string) => void;
  readonly setTyped: (change: Partial<TypedBuild>) => void;
  readonly setFigure: (id: BuildFieldId, text: string) => void;
  /** Sets parts without typing: a slider was moved. */
  readonly setBuild: (build: ArrowBuild) => void;
  /** The same figures in other units. */
  readonly restyle: (style: BuildStyle) => void;
  /** As it was kept. */
  readonly putBack: () => void;
}

/** Where a draft begins, and what it is kept under until it is stored. */
export interface DraftStart {
  readonly key: string;
  readonly name: string;
  readonly parts: ArrowBuild;
}

const keptSchema = z.object({
  name: z.string(),
  typed: z.object({
    material: z.enum(['carbon', 'aluminium', 'wood']),
    fletching: z.enum(['none', 'feather', 'vane']),
    figures: z.record(z.string(), z.string()),
  }),
});

/**
 * A draft of the arrow it starts from; what is typed and not kept is there again after a reload. Given
 * another start it begins anew: mount it with the start’s key.
 */
export function useArrowDraft(start: DraftStart, style: BuildStyle): ArrowDraft {
  const { key, parts } = start;
  const [name, setName] = useState(() => halfDone(key)?.name ?? start.name);
  const [typed, setAllTyped] = useState<TypedBuild>(
    () => halfDone(key)?.typed ?? typedBuild(parts, style),
  );
  const read = useMemo(() => readBuild(typed, parts, style), [typed, parts, style]);
  // What is wrong stays as it was in the drawing, and everything else moves.
  const build = useMemo(
    () => (read.kind === 'build' ? read.build : readable(typed, parts, style, read.problems)),
    [read, typed, parts, style],
  );
  const isChanged = name !== start.name || read.kind === 'wrong' || !isSameBuild(read.build, parts);
  useEffect(() => {
    if (isChanged) remember(storeKey(key), JSON.stringify({ name, typed }));
    else forget(storeKey(key));
  }, [isChanged, key, name, typed]);
  return {
    name,
    typed,
    read,
    build,
    isChanged,
    problemOf: (id) => (read.kind === 'wrong' ? (read.problems.get(id) ?? null) : null),
    setName,
    setTyped: (change) => setAllTyped((before) => ({ ...before, ...change })),
    setFigure: (id, text) =>
      setAllTyped((before) => ({ ...before, figures: { ...before.figures, [id]: text } })),
    setBuild: (next) => setAllTyped(typedBuild(next, style)),
    restyle: (next) => setAllTyped(typedBuild(build, next)),
    putBack: () => {
      setName(start.name);
      setAllTyped(typedBuild(parts, style));
    },
  };
}

/** Everything but what is wrong. */
function readable(
  typed: TypedBuild,
  parts: ArrowBuild,
  style: BuildStyle,
  problems: ReadonlyMap<BuildFieldId, string>,
): ArrowBuild {
  const shown = typedBuild(parts, style).figures;
  const figures = Object.fromEntries(
    BUILD_FIELD_IDS.map((id) => [id, problems.has(id) ? shown[id] : typed.figures[id]]),
  ) as Record<BuildFieldId, string>;
  const again = readBuild({ ...typed, figures }, parts, style);
  return again.kind === 'build' ? again.build : parts;
}

const storeKey = (key: string) => `keen-limb.arrow.${key}`;

/** What was typed before the page was left; nothing where it cannot be read. */
function halfDone(key: string): { readonly name: string; readonly typed: TypedBuild } | null {
  try {
    const kept = keptSchema.parse(JSON.parse(remembered(storeKey(key)) ?? 'null'));
    const figures = Object.fromEntries(
      BUILD_FIELD_IDS.map((id) => [id, kept.typed.figures[id] ?? '']),
    ) as Record<BuildFieldId, string>;
    return { name: kept.name, typed: { ...kept.typed, figures } };
  } catch {
    return null;
  }
}
