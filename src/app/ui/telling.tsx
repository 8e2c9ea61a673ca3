/** A sentence of the trade: its first trade word opens into what it means. */
import { lazy, Suspense } from 'react';
import { create } from 'zustand';

const WithTerm = lazy(() => import('./term.tsx').then((m) => ({ default: m.WithTerm })));

/** Words open from the first move on: until then what opens them need not be there. */
const useStirred = create(() => false);
const STIRS = ['pointermove', 'pointerdown', 'keydown'] as const;
const stirred = () => {
  useStirred.setState(true);
  for (const stir of STIRS) window.removeEventListener(stir, stirred);
};
for (const stir of STIRS) globalThis.addEventListener?.(stir, stirred, { passive: true });

export function Telling({ text }: { readonly text: string }) {
  const hasStirred = useStirred();
  if (!hasStirred) return text;
  return (
    <Suspense fallback={text}>
      <WithTerm text={text} />
    </Suspense>
  );
}

/** A name that may be more than words. */
export const told = (name: React.ReactNode) => (typeof name === 'string' ? <Telling text={name} /> : name);
