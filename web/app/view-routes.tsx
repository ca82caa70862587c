import { Navigate, type RouteObject } from 'react-router';
import { ChooseBow } from './choose-bow.tsx';
import { Loading, NothingHere, PageFault } from './page-states.tsx';
import { Shell } from './shell.tsx';
import type { View } from './view.ts';

/** The addresses of all views, within the frame. */
export function routesOf(views: readonly View[]): RouteObject[] {
  return [
    {
      path: '/',
      element: <Shell views={views} />,
      errorElement: <PageFault />,
      hydrateFallbackElement: <Loading what="the page" />,
      children: [
        { index: true, element: <Navigate to={`/${views[0]?.segment ?? ''}`} replace /> },
        ...views.flatMap(addressesOf),
        { path: '*', element: <NothingHere /> },
      ],
    },
  ];
}

function addressesOf(view: View): RouteObject[] {
  const { segment, ofOneBow, also = [] } = view;
  const paths = [
    ofOneBow ? `${segment}/:bowId` : segment,
    ...also.map((end) => `${segment}/${end}`),
  ];
  const pages = paths.map((path) => ({ path, ...pageOf(view) }));
  return ofOneBow ? [{ path: segment, element: <ChooseBow view={view} /> }, ...pages] : pages;
}

function pageOf({ page }: View): Pick<RouteObject, 'Component' | 'lazy'> {
  return 'fetch' in page
    ? { lazy: async () => ({ Component: await page.fetch() }) }
    : { Component: page };
}
