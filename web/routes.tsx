import { createBrowserRouter } from 'react-router';
import { routesOf } from './app/view-routes.tsx';
import { VIEWS } from './views.ts';

export const router = createBrowserRouter(routesOf(VIEWS));
