/** The install played: the selected knot moves on by itself. */
import { useEffect, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { useView } from '../view/view-store.ts';

const FRAME_MS = 70;

export function usePlay(result: PlanResult | undefined) {
  const [playing, setPlaying] = useState(false);
  const select = useView((v) => v.select);
  useEffect(() => {
    if (!playing || !result) return;
    const timer = setInterval(() => {
      const at = result.knots.findIndex((k) => k.id === useView.getState().selectedId);
      if (at + 1 >= result.knots.length) setPlaying(false);
      else select(result.knots[at + 1].id);
    }, FRAME_MS);
    return () => clearInterval(timer);
  }, [playing, result, select]);
  return {
    playing,
    stop: () => setPlaying(false),
    toggle() {
      const last = result?.knots.at(-1);
      // At the end it begins anew.
      if (!playing && last?.id === useView.getState().selectedId) select(result?.knots[0]?.id);
      setPlaying(!playing);
    },
  };
}
