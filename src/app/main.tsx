import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wdth.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import './app.css';
import { PlanScreen } from './plan-screen.tsx';

const blank = () => null;
const home = async () => ({ Component: (await import('./home.tsx')).Home });

const router = createBrowserRouter([
  { path: '/', HydrateFallback: blank, lazy: home },
  {
    path: '/plan/:planId/base/sheet',
    HydrateFallback: blank,
    lazy: async () => ({ Component: (await import('./sheet/base-sheet.tsx')).BaseSheet }),
  },
  {
    path: '/plan/:planId/rows/chart',
    HydrateFallback: blank,
    lazy: async () => ({ Component: (await import('./sheet/knot-sheet.tsx')).KnotSheet }),
  },
  { path: '/plan/:planId/:station?', element: <PlanScreen /> },
  {
    path: '/install/:sessionId',
    HydrateFallback: blank,
    lazy: async () => ({ Component: (await import('./install/install-screen.tsx')).InstallScreen }),
  },
  { path: '*', HydrateFallback: blank, lazy: home },
]);

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
