/** Pages beside a plan and beside home. Where they lie comes with the first of them, so that nobody waits for that who asks for none. */
import { lazy } from 'react';

const PAGES = {
  '/new': lazy(() => import('./new-plan.tsx').then((m) => ({ default: m.NewPlanPage }))),
  '/kept': lazy(() => import('../kept/kept-page.tsx').then((m) => ({ default: m.KeptPage }))),
  '/bring': lazy(() => import('./bring-page.tsx').then((m) => ({ default: m.BringPage }))),
  '/plan/:planId/scan': lazy(() => import('../scan/scan-page.tsx').then((m) => ({ default: m.ScanPage }))),
  '/plan/:planId/paper': lazy(() => import('../paper/paper-page.tsx').then((m) => ({ default: m.PaperPage }))),
  '/plan/:planId/base/sheet': lazy(() => import('../stations/base/sheet.tsx').then((m) => ({ default: m.BaseSheet }))),
  '/plan/:planId/rows/chart': lazy(() => import('../stations/rows/sheet.tsx').then((m) => ({ default: m.KnotSheet }))),
  '/plan/:planId/supply/list': lazy(() =>
    import('../stations/supply/sheet.tsx').then((m) => ({ default: m.ShoppingSheet })),
  ),
  '/install/:sessionId': lazy(() =>
    import('../stations/install/install-screen.tsx').then((m) => ({ default: m.InstallScreen })),
  ),
} as const;
export type OtherPath = keyof typeof PAGES;

export function OtherPage({ path }: { readonly path: OtherPath }) {
  const Page = PAGES[path];
  return <Page />;
}
