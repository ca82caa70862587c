import './api/zod-without-eval.ts';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { keepForOffline } from './api/register-offline.ts';
import { keepConnected } from './outbox/reconnect.ts';
import { router } from './routes.tsx';
import './theme/theme.css';

const root = document.getElementById('root');
if (root === null) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    {/* A press is answered in one piece: in slices, frames of the page being left are drawn between. */}
    <RouterProvider router={router} useTransitions={false} />
  </StrictMode>,
);
keepConnected();
keepForOffline();
