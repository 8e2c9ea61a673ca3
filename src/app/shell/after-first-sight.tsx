/** What nobody waits for begins when the first page has been seen: at a first touch or key, when it is left, or after a while. */
import { type ReactNode, useEffect, useState } from 'react';

const A_WHILE_MS = 20_000;
const SIGNS = ['pointerdown', 'keydown', 'visibilitychange'] as const;

export function AfterFirstSight({ children }: { readonly children: ReactNode }) {
  const [isSeen, setSeen] = useState(false);
  useEffect(() => {
    const seen = () => setSeen(true);
    const timer = setTimeout(seen, A_WHILE_MS);
    for (const sign of SIGNS) addEventListener(sign, seen, { capture: true, once: true });
    return () => {
      clearTimeout(timer);
      for (const sign of SIGNS) removeEventListener(sign, seen, { capture: true });
    };
  }, []);
  return isSeen ? children : null;
}
