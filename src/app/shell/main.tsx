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
import { PlanScreen } from './plan-screen.tsx';

const Home = lazy(() => import('./home.tsx').then((m) => ({ default: m.Home })));
const NewPlanPage = lazy(() => import('./new-plan.tsx').then((m) => ({ default: m.NewPlanPage })));
const KeptPage = lazy(() => import('../kept/kept-page.tsx').then((m) => ({ default: m.KeptPage })));
const BringPage = lazy(() => import('./bring-page.tsx').then((m) => ({ default: m.BringPage })));
const ScanPage = lazy(() => import('../scan/scan-page.tsx').then((m) => ({ default: m.ScanPage })));
const PaperPage = lazy(() => import('../paper/paper-page.tsx').then((m) => ({ default: m.PaperPage })));
const BaseSheet = lazy(() => import('../stations/base/sheet.tsx').then((m) => ({ default: m.BaseSheet })));
const KnotSheet = lazy(() => import('../stations/rows/sheet.tsx').then((m) => ({ default: m.KnotSheet })));
const ShoppingSheet = lazy(() => import('../stations/supply/sheet.tsx').then((m) => ({ default: m.ShoppingSheet })));
const InstallScreen = lazy(() =>
  import('../stations/install/install-screen.tsx').then((m) => ({ default: m.InstallScreen })),
);
const ByItself = lazy(() => import('../by-itself/by-itself.tsx').then((m) => ({ default: m.ByItself })));
const PageFault = lazy(() => import('./page-fault.tsx').then((m) => ({ default: m.PageFault })));

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
  ['/new', <NewPlanPage key="new" />],
  ['/kept', <KeptPage key="kept" />],
  ['/bring', <BringPage key="bring" />],
  ['/plan/:planId/base/sheet', <BaseSheet key="base" />],
  ['/plan/:planId/rows/chart', <KnotSheet key="knots" />],
  ['/plan/:planId/scan', <ScanPage key="scan" />],
  ['/plan/:planId/paper', <PaperPage key="paper" />],
  ['/plan/:planId/supply/list', <ShoppingSheet key="list" />],
  ['/plan/:planId/:station?', <PlanScreen key="plan" />],
  ['/install/:sessionId', <InstallScreen key="install" />],
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
