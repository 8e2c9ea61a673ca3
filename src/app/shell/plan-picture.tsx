/** A plan as a small picture of its rows or its base, drawn once it comes into sight. */
import { useEffect, useRef } from 'react';
import type { PlanDocument } from '../../model/plan.ts';
import type { SmallPictures } from './small-pictures.ts';

export function PlanPicture(props: {
  readonly plan: PlanDocument;
  readonly of?: 'base' | 'rows';
  readonly pictures: SmallPictures;
}) {
  const { plan, of = 'rows', pictures } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const seen = new IntersectionObserver(([entry]) => {
      if (entry.isIntersecting && !element.dataset.drawn) pictures.want(element, { plan, of });
    });
    seen.observe(element);
    return () => {
      seen.disconnect();
      pictures.forget(element);
    };
  }, [plan, of, pictures]);
  return <canvas ref={canvas} aria-hidden="true" />;
}
