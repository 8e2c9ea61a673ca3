import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wdth.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { lazy, type ReactNode, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes, useLocation, useParams } from 'react-router';
import '../theme.css';
import '../ui/ui.css';
import { queries } from '../ask/ask.ts';
import { AfterFirstSight } from './after-first-sight.tsx';
import { markFailed } from './failed.ts';
import { Guard } from './guard.tsx';
import type { OtherPath } from './other-pages.tsx';
import { PlanScreen } from './plan-screen.tsx';

const OtherPage = lazy(() => import('./other-pages.tsx').then((m) => ({ default: m.OtherPage })));
const Home = lazy(() => import('./home.tsx').then((m) => ({ default: m.Home })));
const ByItself = lazy(() => import('../by-itself/by-itself.tsx').then((m) => ({ default: m.ByItself })));
const PageFault = lazy(() => import('./page-fault.tsx').then((m) => ({ default: m.PageFault })));

const OTHERS: readonly OtherPath[] = [
  '/new',
  '/kept',
  '/bring',
  '/plan/:planId/scan',
  '/plan/:planId/paper',
  '/plan/:planId/base/sheet',
  '/plan/:planId/rows/chart',
  '/plan/:planId/supply/list',
  '/install/:sessionId',
];

/** A page, or the page that says why it can't be shown. */
function Page({ children }: { readonly children: ReactNode }) {
  const { pathname } = useLocation();
  const { planId } = useParams();
  return (
    <Guard
      what="This page"
      resetKey={pathname}
      onFault={() => planId !== undefined && markFailed(planId)}
      fallback={(error, again) => (
        <Suspense>
          <PageFault error={error} again={again} />
        </Suspense>
      )}
    >
      <Suspense>{children}</Suspense>
    </Guard>
  );
}

const PAGES: ReadonlyArray<readonly [path: string, page: ReactNode]> = [
  ['/', <Home key="home" />],
  ['/plan/:planId/:station?', <PlanScreen key="plan" />],
  ...OTHERS.map((path) => [path, <OtherPage key={path} path={path} />] as const),
  ['*', <Home key="else" />],
];

const nonce = document.querySelector<HTMLMetaElement>('meta[name=style-nonce]')?.content;
if (nonce) setNonce(nonce);
const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Routes>
            {PAGES.map(([path, page]) => (
              <Route key={path} path={path} element={<Page>{page}</Page>} />
            ))}
          </Routes>
          <AfterFirstSight>
            <Suspense>
              <ByItself />
            </Suspense>
          </AfterFirstSight>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
