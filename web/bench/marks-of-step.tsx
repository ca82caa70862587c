import { Link } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';

/** Where marks are shot and read, from their step. */
export function MarksOfStep({ state }: { readonly state: BowState }) {
  const isBegun = state.sessions.some(({ aiming }) => aiming !== undefined);
  return (
    <p className="mt-3 flex flex-wrap gap-x-5">
      <Link
        className="btn-ink inline-block content-center"
        to={`/range/${state.bowId}?session=new&kind=marks`}
      >
        Shoot for marks
      </Link>
      {isBegun && (
        <Link className="link min-h-11 content-center" to={`/range/${state.bowId}?marks=read`}>
          Read the marks
        </Link>
      )}
    </p>
  );
}
