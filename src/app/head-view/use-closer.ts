/** Closer with the wheel, with two fingers, or with + and -; 0 goes back to the whole. */
import { useEffect, useRef } from 'react';
import { useView } from '../view/view-store.ts';
import { stepCloser } from './framing.ts';

/** One press of a key or notch of a wheel. */
const STEP = 1.25;
/** For each px of a wheel’s way. */
const WHEEL = 0.0016;

export function closerByKey(event: React.KeyboardEvent<HTMLElement>): boolean {
  const by = { '+': STEP, '=': STEP, '-': 1 / STEP, '0': 0 }[event.key];
  if (by === undefined || event.ctrlKey || event.metaKey) return false;
  event.preventDefault();
  const { clientWidth: width, clientHeight: height } = event.currentTarget;
  step(by, { width, height }, { x: width / 2, y: height / 2 });
  return true;
}

function step(by: number, stage: { width: number; height: number }, at: { x: number; y: number }) {
  const { close, setClose } = useView.getState();
  setClose(stepCloser(close, by, stage, at));
}

/** The wheel and two fingers are listened to by hand: React’s listeners can’t keep the page from scrolling. */
export function useCloser(box: React.RefObject<HTMLElement | null>) {
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const place = () => element.getBoundingClientRect();
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      const { left, top, width, height } = place();
      step(Math.exp(-e.deltaY * WHEEL), { width, height }, { x: e.clientX - left, y: e.clientY - top });
    };
    const held = fingers.current;
    const apart = () => {
      const [a, b] = [...held.values()];
      return { px: Math.hypot(a.x - b.x, a.y - b.y), x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
    };
    const onDown = (e: PointerEvent) => {
      if (e.pointerType === 'touch') held.set(e.pointerId, { x: e.clientX, y: e.clientY });
    };
    const onMove = (e: PointerEvent) => {
      if (!held.has(e.pointerId)) return;
      if (held.size !== 2) return held.set(e.pointerId, { x: e.clientX, y: e.clientY });
      const before = apart();
      held.set(e.pointerId, { x: e.clientX, y: e.clientY });
      const now = apart();
      const { left, top, width, height } = place();
      if (before.px > 0) step(now.px / before.px, { width, height }, { x: now.x - left, y: now.y - top });
      // Two fingers go closer, they don’t turn.
      e.stopPropagation();
    };
    const onUp = (e: PointerEvent) => held.delete(e.pointerId);
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('pointerdown', onDown, true);
    element.addEventListener('pointermove', onMove, true);
    for (const end of ['pointerup', 'pointercancel'] as const) element.addEventListener(end, onUp, true);
    return () => {
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('pointerdown', onDown, true);
      element.removeEventListener('pointermove', onMove, true);
      for (const end of ['pointerup', 'pointercancel'] as const) element.removeEventListener(end, onUp, true);
    };
  }, [box]);
}
