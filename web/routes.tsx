import { createBrowserRouter, Navigate } from 'react-router';
import { ChooseBow } from './app/choose-bow.tsx';
import { Loading, NothingHere, PageFault } from './app/page-states.tsx';
import { Shell } from './app/shell.tsx';
import { BenchPage } from './bench/bench-page.tsx';
import { RackPage } from './rack/rack-page.tsx';

/** The Range comes as a piece of its own: rack and bench are there before it is fetched. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <PageFault />,
    hydrateFallbackElement: <Loading what="the page" />,
    children: [
      { index: true, element: <Navigate to="/rack" replace /> },
      { path: 'rack', element: <RackPage /> },
      { path: 'rack/new', element: <RackPage starting /> },
      { path: 'bench', element: <ChooseBow view="bench" /> },
      { path: 'bench/:bowId', element: <BenchPage /> },
      { path: 'range', element: <ChooseBow view="range" /> },
      {
        path: 'range/:bowId',
        lazy: async () => ({ Component: (await import('./range/range-page.tsx')).RangePage }),
      },
      { path: '*', element: <NothingHere /> },
    ],
  },
]);
