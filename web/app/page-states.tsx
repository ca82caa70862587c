import type { ReactNode } from 'react';
import { Link, useRouteError } from 'react-router';

/** While the log is on its way. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <p className="m-auto p-7 text-ink-2" role="status">
      Fetching {what}…
    </p>
  );
}

/** The page has nothing to show, and why; says that nothing was lost and what to do. */
export function CannotShow({
  error,
  retry,
}: {
  readonly error: Error;
  readonly retry: () => void;
}) {
  return (
    <section className="m-auto max-w-lg p-7" role="alert">
      <h1 className="text-title leading-tight font-[560]">This cannot be shown now.</h1>
      <p className="mt-2">
        {error.message} Nothing was lost: what you logged is stored or waits in this browser.
      </p>
      <p className="mt-4 flex gap-4">
        <button type="button" className="btn-ink" onClick={retry}>
          Try again
        </button>
        <Link className="link-btn grid place-items-center" to="/rack">
          To the rack
        </Link>
      </p>
    </section>
  );
}

export function NothingHere() {
  return (
    <PageMessage title="There is no such view.">
      <Link className="link" to="/rack">
        To the rack
      </Link>
    </PageMessage>
  );
}

/** A page that has one thing to say, and a way on. */
export function PageMessage({
  title,
  says,
  children,
}: {
  readonly title: string;
  readonly says?: string;
  readonly children: ReactNode;
}) {
  return (
    <section className="m-auto max-w-lg p-7">
      <h1 className="text-title leading-tight font-[560]">{title}</h1>
      {says !== undefined && <p className="mt-2">{says}</p>}
      <p className="mt-2">{children}</p>
    </section>
  );
}

/** A fault of our own while drawing a page. */
export function PageFault() {
  const error = useRouteError();
  return (
    <CannotShow
      error={error instanceof Error ? error : new Error('The page stopped.')}
      retry={() => {
        window.location.reload();
      }}
    />
  );
}
