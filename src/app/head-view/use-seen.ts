/** From where she is looked at, and how large. */
import { useMemo } from 'react';
import { POSES } from '../../core/fall/index.ts';
import type { HairOnHead } from '../../core/plan/index.ts';
import { useView } from '../view/view-store.ts';
import type { Show } from './modes/modes.ts';
import { bentBy, type Projection, projection } from './projection.ts';

/** Hair stands out: the head is drawn smaller under it, the wider the smaller, and a little lower. */
function hairView(hair: HairOnHead | undefined): { centre: { x: number; y: number }; mmShare: number } {
  const mmShare = Math.min(0.0033, 0.97 / Math.max(1, hair?.size.front.widthMm ?? 0));
  return { centre: { x: 0.57, y: 0.52 }, mmShare };
}

export function useSeen(
  show: Show,
  { width, height }: { readonly width: number; readonly height: number },
  hair: HairOnHead | undefined,
): Projection {
  const { azimuth, elevation, mirror, check } = useView();
  const { pose, picture } = check;
  const withHair = show === 'look' && picture === 'hair';
  const laid = withHair ? hair : undefined;
  return useMemo(() => {
    const { centre, mmShare } = withHair ? hairView(laid) : {};
    const upright = projection({ azimuth, elevation }, width, height, mirror, centre, mmShare);
    return show === 'look' ? bentBy(upright, POSES[pose].state.gravity) : upright;
  }, [azimuth, elevation, mirror, width, height, withHair, laid, show, pose]);
}
