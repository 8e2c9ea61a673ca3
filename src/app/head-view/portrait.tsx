/** A head that only stands there: for the first minute, before there is a plan. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanDocument } from '../../model/plan.ts';
import { useScene } from '../ask/plan.ts';
import { useTheme } from '../session/theme.ts';
import { useSize } from '../ui/use-size.ts';
import { headFrame } from './framing.ts';
import { paletteOf } from './picture/palette.ts';
import { projection } from './projection.ts';
import { useHeadPicture } from './use-head-picture.ts';

const ANGLE = { azimuth: 2.5, elevation: 0.3 };

export function Portrait({ plan }: { readonly plan: PlanDocument }) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = useSize(box);
  const { theme } = useTheme();
  const picture = useHeadPicture(canvas, useScene(plan));
  const seen = useMemo(() => {
    const stage = { width, height };
    return projection(ANGLE, stage, headFrame(stage, ANGLE.elevation, { x: 0.5, y: 0.46 }), false);
  }, [width, height]);
  useEffect(() => {
    if (!picture.head || width === 0) return;
    picture.head.setPalette(paletteOf(plan, theme === 'dark'));
    const frame = requestAnimationFrame(() => picture.head.draw(seen, 2));
    return () => cancelAnimationFrame(frame);
  }, [picture, seen, width, plan, theme]);
  return (
    <div ref={box} className="relative min-h-0 overflow-hidden" aria-hidden="true">
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" />
    </div>
  );
}
