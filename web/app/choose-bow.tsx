import { Link, Navigate } from 'react-router';
import { type View, viewPath } from './view.ts';
import { lastBowId } from './last-bow.ts';

/** A view that needs a bow, opened without one: the last bow, or a way to the rack. */
export function ChooseBow({ view }: { readonly view: View }) {
  const bowId = lastBowId();
  if (bowId !== null) return <Navigate to={viewPath(view, bowId)} replace />;
  return (
    <section className="m-auto max-w-md p-7">
      <h1 className="text-title font-[560]">No bow is on the bench.</h1>
      <p className="mt-2">
        <Link className="link" to="/rack">
          Take one from the rack
        </Link>
        .
      </p>
    </section>
  );
}
