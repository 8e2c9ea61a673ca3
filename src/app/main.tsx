import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/standard.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import './app.css';
import { Home } from './home.tsx';
import { PlanScreen } from './plan-screen.tsx';

const router = createBrowserRouter([
  { path: '/', element: <Home /> },
  { path: '/plan/:planId/:station?', element: <PlanScreen /> },
  {
    path: '/install/:sessionId',
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('./install/install-screen.tsx')).InstallScreen }),
  },
  { path: '*', element: <Home /> },
]);

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  );
}
