/** From where she is looked at, how large, and how close. */
import { useMemo } from 'react';
import { POSES } from '../../core/fall/index.ts';
import type { HairOnHead } from '../../core/plan/index.ts';
import { isLook, type Show } from '../view/layers.ts';
import { type HairView, useView } from '../view/view-store.ts';
import { closer, hairFrame, headFrame, type Stage } from './framing.ts';
import { bentBy, inRoom, type Projection, projection } from './projection.ts';

const NO_HAIR = new Float32Array(0);

/** @param hair as it hangs, where it is drawn: all of it is in the picture */
export function useSeen(show: Show, stage: Stage, check: HairView, hair: HairOnHead | undefined): Projection {
  const { azimuth, elevation, mirror, close } = useView();
  const extent = show === 'hair' ? (hair?.extentMm ?? NO_HAIR) : undefined;
  const gravity = isLook(show) ? POSES[check.pose].state.gravity : undefined;
  const { width, height } = stage;
  return useMemo(() => {
    const box = { width, height };
    const frame = extent && gravity ? hairFrame(box, elevation, extent, inRoom(gravity)) : headFrame(box, elevation);
    const upright = projection({ azimuth, elevation }, box, closer(frame, box, close), mirror);
    return gravity ? bentBy(upright, gravity) : upright;
  }, [azimuth, elevation, mirror, close, width, height, extent, gravity]);
}
