import { useState } from 'react';
import { v7 as newId } from 'uuid';
import {
  FIT_OUT_LABEL,
  type FitOutItem,
  ITEM_TOUCHES,
  type StringMaterial,
} from '#core/craft/fit-out.ts';
import type { FacetId } from '#core/craft/steps.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { ArrowFacts, BodyOf, LimbsFacts, StringFacts } from '#core/log/entry.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import {
  limbsIdHere,
  limbsToPut,
  stringInWorkshop,
  stringsElsewhere,
  useLimbs,
  useStrings,
} from '../bows/use-strings.ts';
import { itemProblem, readItemFields, storedValue } from './item-fields.ts';

/** Stands for a string or a pair of limbs the record does not know yet. */
export const NEW_PART = 'new';

export type ItemFormHandle = ReturnType<typeof useItemForm>;

/** What the form holds, and what it comes to. */
export function useItemForm(
  state: BowState,
  item: FitOutItem,
  onDone: (body: BodyOf<'itemFitted'>) => void,
) {
  const [described, setDescribed] = useState('');
  const [touches, setTouches] = useState<ReadonlySet<FacetId>>(() => new Set(ITEM_TOUCHES[item]));
  const [stringId, setStringId] = useState(NEW_PART);
  const [limbsId, setLimbsId] = useState(NEW_PART);
  const [material, setMaterial] = useState<StringMaterial>('lowStretch');
  const [twists, setTwists] = useState('');
  const [shots, setShots] = useState('0');
  const [arrow, setArrow] = useState({ lengthMm: '', diameterMm: '', pointGr: '', massGr: '' });
  const fields = readItemFields({ twists, shots, ...arrow });
  const strings = useStrings(item === 'string');
  const elsewhere = stringsElsewhere(strings, state);
  const known =
    state.strings.all.find((string) => string.stringId === stringId) ??
    elsewhere.find((string) => string.stringId === stringId);
  // It may have been on another bow since it was on this one.
  const there =
    known === undefined ? undefined : stringInWorkshop(strings, state.bowId, known.stringId);
  const twistsNow = there?.twists ?? known?.twists ?? null;
  const limbs = limbsToPut(useLimbs(item === 'limbs'), state);
  const pair = limbs.find((one) => one.limbsId === limbsId);
  const build = (off: boolean): BodyOf<'itemFitted'> | null => {
    const words =
      described.trim() === ''
        ? (known?.described ?? pair?.described ?? FIT_OUT_LABEL[item])
        : described.trim();
    const base = {
      kind: 'itemFitted' as const,
      item,
      described: off ? '' : words,
      touches: [...touches],
    };
    if (item === 'string') return { ...base, described: words, string: stringOf() };
    if (item === 'limbs') return { ...base, described: words, limbs: limbsOf() };
    if (item === 'shaft' && !off) {
      const facts = arrowOf(words);
      return facts === null ? base : { ...base, arrow: facts };
    }
    return base;
  };
  const limbsOf = (): LimbsFacts =>
    pair === undefined
      ? { limbsId: newId(), shotsBefore: storedValue(fields.shots) ?? 0 }
      : { limbsId: limbsIdHere(state, pair), shotsBefore: pair.shots };
  const stringOf = (): StringFacts =>
    known === undefined
      ? {
          stringId: newId(),
          material,
          shotsBefore: storedValue(fields.shots) ?? 0,
          ...(fields.twists.kind === 'value' ? { twists: fields.twists.stored } : {}),
        }
      : {
          stringId: known.stringId,
          material: known.material,
          ...(known.strands === undefined ? {} : { strands: known.strands }),
          ...(known.lengthMm === undefined ? {} : { lengthMm: known.lengthMm }),
          ...(twistsNow === null ? {} : { twists: twistsNow }),
          shotsBefore: Math.max(known.shots, there?.shots ?? 0),
        };
  const arrowOf = (words: string): ArrowFacts | null => {
    const lengthMm = storedValue(fields.lengthMm);
    const diameterMm = storedValue(fields.diameterMm);
    const pointMassG = storedValue(fields.pointGr);
    if (lengthMm === null || diameterMm === null || pointMassG === null) return null;
    const massG = storedValue(fields.massGr);
    return {
      described: words,
      lengthMm,
      diameterMm,
      pointMassG,
      ...(massG === null ? {} : { massG }),
    };
  };
  const problem = itemProblem(item, fields);
  const proposed = problem === null ? build(false) : null;
  const refusal = proposed === null ? null : checkProposal(state, [proposed]);
  const against =
    refusal === null || proposed === null ? null : refusalWords(refusal, [proposed], state);
  const submit = (off: boolean, despite?: string) => {
    if (problem !== null && !off) return;
    if (against !== null && !off && despite === undefined) return;
    const body = build(off);
    if (body !== null) onDone(despite === undefined ? body : { ...body, despite });
  };
  return {
    described,
    setDescribed,
    touches,
    setTouches,
    stringId,
    setStringId,
    material,
    setMaterial,
    twists,
    setTwists,
    shots,
    setShots,
    arrow,
    setArrow,
    known,
    limbs,
    pair,
    limbsId,
    setLimbsId,
    elsewhere,
    problem,
    against,
    submit,
  };
}
