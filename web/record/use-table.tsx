import { format, parseISO } from 'date-fns';
import { Fragment, useMemo } from 'react';
import { countUse, type UseCounts } from '#core/care/use-counts.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { limbsIdBeyond } from '#core/care/workshop-limbs.ts';
import { stringInWorkshop, useLimbs, useStrings } from '../bows/use-strings.ts';

const DAYS_SHOWN = 7;

/** Shots and string-offs of the bow, of each string, and of the last days it was used. */
export function UseTable({ state }: { readonly state: BowState }) {
  const { inAll, perString, perLimbs, perDay } = useMemo(() => countUse(state), [state]);
  const strings = useStrings();
  const limbs = useLimbs();
  if (inAll.shots === 0 && inAll.stringOffs === 0) return null;
  const called = (id: string, { shots }: UseCounts) => {
    const string = state.strings.all.find(({ stringId }) => stringId === id);
    if (string === undefined) return 'A string';
    return string.shots > shots ? `${string.described}, ${string.shots} in all` : string.described;
  };
  return (
    <table className="w-full max-w-160 text-plain" data-testid="use">
      <caption className="text-left text-note text-ink-2">Use in this record</caption>
      <thead>
        <tr className="border-b border-ink text-left">
          <th scope="col">Of</th>
          <th scope="col" className="text-right">
            Shots
          </th>
          <th scope="col" className="pl-4 text-right">
            Unstrung to be changed
          </th>
        </tr>
      </thead>
      <tbody>
        <UseRow name="The bow" counts={inAll} />
        {[...perString].map(([id, counts]) => (
          <Fragment key={id}>
            <UseRow name={called(id, counts)} counts={counts} />
            {(stringInWorkshop(strings, state.bowId, id)?.stays ?? [])
              .filter(({ bowId }) => bowId !== state.bowId)
              .map((stay) => (
                <UseRow
                  key={stay.bowId}
                  name={`The same string on ${stay.bowName}`}
                  counts={stay}
                />
              ))}
          </Fragment>
        ))}
        {[...perLimbs].map(([id, counts]) => {
          const beyond = limbsIdBeyond(state.bowId, id);
          const pair = limbs.find(({ limbsId }) => limbsId === beyond);
          const away = (pair?.stays ?? []).filter(({ bowId }) => bowId !== state.bowId);
          // One pair that never left is the bow: its row would say the bow's again.
          if (perLimbs.size === 1 && away.length === 0) return null;
          const own = state.limbs.all.find(({ limbsId }) => limbsId === id);
          return (
            <Fragment key={id}>
              <UseRow name={upperFirst(own?.described ?? 'limbs')} counts={counts} />
              {away.map((stay) => (
                <UseRow key={stay.bowId} name={`The same limbs on ${stay.bowName}`} counts={stay} />
              ))}
            </Fragment>
          );
        })}
        {[...perDay]
          .slice(-DAYS_SHOWN)
          .toReversed()
          .map(([day, counts]) => (
            <UseRow key={day} name={dayWords(day)} counts={counts} />
          ))}
      </tbody>
    </table>
  );
}

function dayWords(day: string): string {
  return format(parseISO(day), 'd MMM yyyy');
}

function UseRow({ name, counts }: { readonly name: string; readonly counts: UseCounts }) {
  return (
    <tr className="border-b border-faint">
      <th scope="row" className="py-1 text-left font-normal wrap-anywhere">
        {name}
      </th>
      <td className="py-1 text-right">{counts.shots}</td>
      <td className="py-1 pl-4 text-right">{counts.stringOffs}</td>
    </tr>
  );
}
