import { createBrowserRouter, Navigate } from 'react-router';
import { ChooseBow } from './app/choose-bow.tsx';
import { NothingHere, PageFault } from './app/page-states.tsx';
import { Shell } from './app/shell.tsx';
import { BenchPage } from './bench/bench-page.tsx';
import { RackPage } from './rack/rack-page.tsx';
import { RangePage } from './range/range-page.tsx';

export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <PageFault />,
    children: [
      { index: true, element: <Navigate to="/rack" replace /> },
      { path: 'rack', element: <RackPage /> },
      { path: 'rack/new', element: <RackPage starting /> },
      { path: 'bench', element: <ChooseBow view="bench" /> },
      { path: 'bench/:bowId', element: <BenchPage /> },
      { path: 'range', element: <ChooseBow view="range" /> },
      { path: 'range/:bowId', element: <RangePage /> },
      { path: '*', element: <NothingHere /> },
    ],
  },
]);
