/** What a touch at Check means: a knot is selected, any other place is asked about. */

import type { PlanResult } from '../../core/findings/index.ts';
import { type DirectionDeg, directionDeg, directionOf } from '../../core/head/index.ts';
import type { HeadScene } from '../../core/plan/index.ts';
import { useView } from '../view/view-store.ts';
import { knotAt } from './lines/rows.ts';
import type { Projection } from './projection.ts';
import { surfacePointAt } from './surface-hit.ts';

/** A knot that is touched is selected; any other place is asked about. */
export function askAbout(
  seen: Projection,
  scene: HeadScene,
  result: PlanResult,
  x: number,
  y: number,
  picture: 'hair' | 'light',
) {
  const { select, setCheck } = useView.getState();
  const knot = picture === 'hair' ? undefined : knotAt(seen, result, x, y, 9);
  select(knot?.id);
  const hit = knot ? undefined : surfacePointAt(seen, scene.cap, x, y);
  setCheck({ whyAt: hit && directionDeg(hit) });
}

/** A place on the drawn head by its direction: the vertex that lies nearest to it. */
export function onScene(scene: HeadScene, at: DirectionDeg): readonly [number, number, number] {
  const [x, y, z] = directionOf(at);
  const p = scene.cap.positions;
  let best = 0;
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < p.length; i += 3) {
    const along = (p[i] * x + p[i + 1] * y + p[i + 2] * z) / Math.sqrt(p[i] ** 2 + p[i + 1] ** 2 + p[i + 2] ** 2);
    if (along > most) {
      most = along;
      best = i;
    }
  }
  return [p[best], p[best + 1], p[best + 2]];
}
